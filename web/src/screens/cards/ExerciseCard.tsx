import qrcode from "qrcode-generator";
import { useMemo } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { BlockEntry, EntryTold } from "../../engine/types";
import { firstView } from "../../figure/firstView";
import { Still } from "../../figure/Still";
import { useUnits } from "../../state/units";
import { toSet } from "../log/toSet";
import { dayLater, dayWords } from "../plan/planEdits";
import { words } from "./words";

/** Half a sheet of A4, across. */
const Card = styled.article`
  width: 186mm;
  height: 128mm;
  padding: 5mm 6mm;
  display: grid;
  grid-template-columns: 64mm minmax(0, 1fr);
  grid-template-rows: auto minmax(0, 1fr) auto;
  gap: 2.5mm 5mm;
  background: #fff;
  color: #000;
  border: 1px solid var(--line);
  font-size: 12px;
  line-height: 15px;
  overflow: hidden;
  > header { grid-column: 1 / -1; border-bottom: 1.5px solid #000; padding-bottom: 1.5mm; }
  > header h2 { font-size: 20px; line-height: 24px; overflow: hidden; text-overflow: ellipsis; white-space: nowrap; }
  .pictures { display: grid; gap: 2mm; align-content: start; }
  .pictures > div { position: relative; border: 1px solid #000; height: 35mm; overflow: hidden; }
  .pictures b { position: absolute; left: 2mm; top: 1mm; }
  .pictures svg { width: 100%; height: 100%; }
  dl { display: flex; flex-wrap: wrap; gap: 1.5mm 6mm; margin: 0 0 2mm; }
  dt { font-size: 11px; }
  dd { margin: 0; font-size: 19px; line-height: 22px; font-weight: 700; }
  dl.plan dd { font-size: 15px; line-height: 18px; }
  dl.plan { border-top: 1px solid #000; padding-top: 1.5mm; }
  ol { margin: 0; padding-left: 5mm; }
  .stop { border: 1px solid #000; padding: 1mm 2mm; margin-top: 2mm; }
  > footer { grid-column: 1 / -1; display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 5mm; align-items: end; }
  table { border-collapse: collapse; width: 100%; }
  td, th { border: 1px solid #000; height: 6.5mm; width: 20mm; font-weight: 400; font-size: 11px; text-align: left; padding: 0 2mm; }
  .code { text-align: center; font-size: 10px; }
  .code svg { display: block; width: 21mm; height: 21mm; }
  @media print {
    break-inside: avoid;
    border: 0;
    border-bottom: 1px dashed #888;
    margin: 0 auto;
  }
`;

type Props = {
  core: Core;
  entry: BlockEntry;
  told: EntryTold | null;
  title: string;
  start: string;
  week: number;
  link: string;
};

const weeksOnCard = 3;
const cues = 3;

/** One exercise for the lifter's hand: how it begins and ends, what to set, what to do, and boxes for a pen. */
export function ExerciseCard({ core, entry, told, title, start, week, link }: Props) {
  const units = useUnits();
  const d = entry.document;
  const drawn = useMemo(() => {
    const text = JSON.stringify(d);
    const [report, from, to] = [core.evaluate(text).ok, core.scene(text, 0).ok, core.scene(text, 1).ok];
    return report && from && to ? { report, from, to } : null;
  }, [core, d]);
  const load = told?.loading.load.value ?? 0;
  const sets = told?.sets ?? entry.sets;
  const range = (from: number, to: number) => (from === to ? `${from}` : `${from} to ${to}`);
  const t = d.tempo;
  const plan: [string, string][] = [
    [words.sets, String(sets)],
    [words.reps, range(entry.repsFrom, entry.repsTo)],
    [words.reserve, range(told?.rirFrom ?? entry.rirFrom, told?.rirTo ?? entry.rirTo)],
    [words.tempo, `${t.up} · ${t.top} · ${t.down} s`],
    [words.rest, `${Math.floor(entry.rest / 60)}:${String(Math.round(entry.rest % 60)).padStart(2, "0")}`],
  ];
  const cautions = [...(d.lifter.cautions ?? []), ...(d.safely ? [d.safely] : [])];
  return (
    <Card className="exercise-card" data-theme="light" aria-label={d.name}>
      <header>
        {title}
        <h2>{d.name}</h2>
      </header>
      <div className="pictures">
        {drawn &&
          (
            [
              [words.start, drawn.from],
              [words.end, drawn.to],
            ] as const
          ).map(([word, scene]) => (
            <div key={word}>
              <b>{word}</b>
              <Still
                document={d}
                report={drawn.report}
                scene={scene}
                viewName={firstView(d)}
                units={units}
                width={900}
                height={490}
                small
              />
            </div>
          ))}
      </div>
      <div>
        <dl>
          {toSet(d, told?.digest, load, units).map(([label, value]) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        <dl className="plan">
          {plan.map(([label, value]) => (
            <div key={label}>
              <dt>{label}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        {(d.cues?.length ?? 0) > 0 && (
          <>
            <b>{words.todo}</b>
            <ol>
              {d.cues?.slice(0, cues).map((c) => (
                <li key={c}>{c}</li>
              ))}
            </ol>
          </>
        )}
        {entry.note && <p>{entry.note}</p>}
        <p className="stop">
          {cautions.slice(0, 2).join(" ")} {words.stop}
        </p>
      </div>
      <footer>
        <div>
          <table>
            <tbody>
              {Array.from({ length: weeksOnCard }, (_, i) => (
                <tr key={dayLater(start, 7 * (week - 1 + i))}>
                  <th scope="row">{dayWords(dayLater(start, 7 * (week - 1 + i)))}</th>
                  {Array.from({ length: sets }, (_, k) => (
                    <td key={k}>
                      {i === 0 && (
                        <span style={{ color: "#595959" }}>
                          {words.set} {k + 1}
                        </span>
                      )}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
          {words.box}
        </div>
        <div className="code">
          <Code text={link} />
          {words.log}
        </div>
      </footer>
    </Card>
  );
}

/** A square code that a phone reads, with the quiet border that it needs. */
function Code({ text }: { text: string }) {
  const path = useMemo(() => {
    const code = qrcode(0, "M");
    code.addData(text);
    code.make();
    const n = code.getModuleCount();
    let d = "";
    for (let y = 0; y < n; y++) for (let x = 0; x < n; x++) if (code.isDark(y, x)) d += `M${x + 4} ${y + 4}h1v1h-1z`;
    return { d, size: n + 8 };
  }, [text]);
  return (
    <svg
      viewBox={`0 0 ${path.size} ${path.size}`}
      role="img"
      aria-label={`Square code: ${text}`}
      shapeRendering="crispEdges"
    >
      <path d={path.d} fill="#000" />
    </svg>
  );
}
