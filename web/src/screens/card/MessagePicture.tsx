import { firstView } from "../../figure/firstView";
import { Still } from "../../figure/Still";
import { useUnits } from "../../state/units";
import { type CardProps, toSet } from "./Sheet";

export const messageSize = { width: 1080, height: 1350 };

const side = 56;
const perLine = 58; // characters at the size of the text

/** Breaks a text into lines of so many characters at most. */
function linesOf(text: string, most: number): string[] {
  const lines: string[] = [];
  for (const word of text.split(/\s+/)) {
    const last = lines.at(-1);
    if (last !== undefined && last.length + word.length < most) lines[lines.length - 1] = `${last} ${word}`;
    else lines.push(word.slice(0, most));
  }
  return lines;
}

/** The setup as a picture for a message: what it is, how it looks, how it is set and what to think of. */
export function MessagePicture({ document: d, report, scene, settings, lifter, gym }: CardProps) {
  const units = useUnits();
  const title = linesOf(d.name, 36).slice(0, 2);
  const set = toSet(settings, units).slice(0, 8);
  const cues = (d.cues ?? []).flatMap((c) => linesOf(`– ${c}`, perLine)).slice(0, 6);
  const drawn = { y: 90 + 56 * title.length, height: 640 };
  const below = drawn.y + drawn.height + 50;
  const rows = Math.ceil(set.length / 2);
  return (
    <svg xmlns="http://www.w3.org/2000/svg" {...messageSize} viewBox={`0 0 ${messageSize.width} ${messageSize.height}`}>
      <title>{d.name}</title>
      {title.map((line, i) => (
        <text key={line} x={side} y={84 + 54 * i} fontSize={46} fontWeight={700} fill="var(--ink)">
          {line}
        </text>
      ))}
      <text x={side} y={drawn.y - 18} fontSize={26} fill="var(--quiet)">
        {[lifter, gym].filter(Boolean).join(" · ")}
      </text>
      <g transform={`translate(${side} ${drawn.y})`}>
        <Still
          document={d}
          report={report}
          scene={scene}
          viewName={firstView(d)}
          units={units}
          width={messageSize.width - 2 * side}
          height={drawn.height}
        />
      </g>
      {set.map(([label, value], i) => {
        const [x, y] = [side + (i >= rows ? 500 : 0), below + 40 * (i % rows)];
        return (
          <text key={`${label}${i}`} x={x} y={y} fontSize={25} fill="var(--quiet)">
            {label}:{" "}
            <tspan fontWeight={700} fill="var(--ink)">
              {value}
            </tspan>
          </text>
        );
      })}
      {cues.map((line, i) => (
        <text key={`${line}${i}`} x={side} y={below + 40 * rows + 24 + 36 * i} fontSize={27} fill="var(--ink)">
          {line}
        </text>
      ))}
    </svg>
  );
}
