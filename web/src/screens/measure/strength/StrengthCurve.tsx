import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import styled from "styled-components";
import type { StrengthFit, StrengthTest } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { useSize } from "../../../ui/useSize";
import { dayWords } from "../../plan/planEdits";

const Box = styled.div`
  svg { display: block; width: 100%; }
  text { font-size: 12px; fill: var(--quiet); }
  text.now { fill: var(--ink); font-weight: 600; }
  text.limb { fill: var(--plum); }
  .empty { display: grid; place-content: center; height: 120px; border: 1px dashed var(--line); border-radius: 8px; }
`;

const height = 250;
const [left, right, top, bottom] = [44, 84, 22, 34];

type Props = { fit: StrengthFit | undefined; before: StrengthTest[] };

/** What the joint held at each angle with how far it could be off, beside the last test; hollow is what the strap alone saw. */
export function StrengthCurve({ fit, before }: Props) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const angles = fit?.angles ?? [];
  const { factor, name } = units.unit("torque");
  const xs = [...angles.map((a) => a.angleDeg), ...before.map((t) => t.angleDeg)];
  const ys = [...angles.flatMap((a) => [a.torque + (a.off.value ?? 0), a.atStrap]), ...before.map((t) => t.torque)];
  const x = scaleLinear({
    domain: [Math.min(...xs) - 8, Math.max(...xs) + 8],
    range: [left, Math.max(left + 40, width - right)],
  });
  const y = scaleLinear({ domain: [0, Math.max(...ys, 1) * factor], range: [height - bottom, top], nice: true });
  const last = before.at(-1);
  const newest = angles.at(-1);
  return (
    <Box ref={frame}>
      <h2>What the joint held</h2>
      {xs.length === 0 ? (
        <div className="empty">
          <p className="quiet">Nothing tested yet. Two or three angles over the range make a curve.</p>
        </div>
      ) : (
        width > 0 && (
          <svg height={height} role="img" aria-label={inWords(fit, units)}>
            {y.ticks(4).map((k) => (
              <g key={k}>
                <line x1={left} x2={width - right} y1={y(k)} y2={y(k)} stroke="var(--line)" />
                <text x={left - 6} y={y(k) + 4} textAnchor="end">
                  {k}
                </text>
              </g>
            ))}
            {x.ticks(7).map((k) => (
              <text key={k} x={x(k)} y={height - bottom + 16} textAnchor="middle">
                {k}°
              </text>
            ))}
            <text x={left} y={12}>
              {name}
            </text>
            <text x={width - right} y={height - 4} textAnchor="end">
              joint angle
            </text>
            <LinePath
              data={before}
              x={(t) => x(t.angleDeg)}
              y={(t) => y(t.torque * factor)}
              stroke="var(--quiet)"
              strokeDasharray="2 4"
              strokeWidth={1.6}
            />
            {before.length === 1 && last && (
              <circle cx={x(last.angleDeg)} cy={y(last.torque * factor)} r={3} fill="var(--quiet)" />
            )}
            {last && (
              <text x={x(last.angleDeg) + 8} y={y(last.torque * factor) + 16}>
                {last.date ? dayWords(last.date) : "before"}
              </text>
            )}
            <LinePath
              data={angles}
              x={(a) => x(a.angleDeg)}
              y={(a) => y(a.torque * factor)}
              stroke="var(--slate)"
              strokeWidth={2.4}
            />
            {angles.map((a) => (
              <Held
                key={a.angleDeg}
                x={x(a.angleDeg)}
                y={(t) => y(t * factor)}
                a={a}
                text={units.number(a.torque, "torque")}
              />
            ))}
            {newest && (
              <text className="now" x={x(newest.angleDeg) + 8} y={y(newest.torque * factor) + 4}>
                today
              </text>
            )}
          </svg>
        )
      )}
    </Box>
  );
}

type HeldProps = { x: number; y: (torque: number) => number; a: StrengthFit["angles"][number]; text: string };

/** One angle: what was held with its spread, and what the strap saw of it. */
function Held({ x, y, a, text }: HeldProps) {
  const off = a.off.value;
  return (
    <g>
      <line x1={x} x2={x} y1={y(a.torque)} y2={y(a.atStrap)} stroke="var(--plum)" strokeWidth={1.4} />
      <circle cx={x} cy={y(a.atStrap)} r={4} fill="var(--paper)" stroke="var(--plum)" strokeWidth={1.6} />
      {off != null && (
        <path
          d={`M${x - 5} ${y(a.torque + off)}h10m-5 0V${y(a.torque - off)}m-5 0h10`}
          stroke="var(--slate)"
          strokeWidth={1.6}
          fill="none"
        />
      )}
      <circle cx={x} cy={y(a.torque)} r={4.5} fill="var(--slate)" />
      <text className="now mono" x={x} y={y(a.torque + (off ?? 0)) - 8} textAnchor="middle">
        {text}
      </text>
    </g>
  );
}

function inWords(fit: StrengthFit | undefined, units: ReturnType<typeof useUnits>): string {
  const list = (fit?.angles ?? []).map((a) => `${units.text(a.torque, "torque")} at ${Math.round(a.angleDeg)}°`);
  return `Torque over the joint angle: ${list.join(", ") || "the last test alone"}`;
}
