import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import styled from "styled-components";
import { useUnits } from "../../../state/units";
import { useSize } from "../../../ui/useSize";

const Box = styled.div`
  height: 240px;
  svg { display: block; width: 100%; }
  text { font-size: 12px; fill: var(--quiet); }
`;

export type Place = { x: number; y: number };

type Line = { name: string; colour: string; dash?: string; places: Place[] };

type Props = {
  label: string;
  x: { kind: string; label: string };
  y: { kind: string; label: string };
  /** Readings: full on the way out, hollow on the way back. */
  readings: (Place & { back: boolean })[];
  lines: Line[];
};

const height = 240;
const [left, right, top, bottom] = [44, 70, 12, 34];

/** Readings as points, with what was made of them as lines that bear their names. */
export function ReadingsChart({ label, x: across, y: up, readings, lines }: Props) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const [ux, uy] = [units.unit(across.kind), units.unit(up.kind)];
  const all = [...readings, ...lines.flatMap((l) => l.places)];
  if (all.length === 0) return null;
  const xs = all.map((p) => p.x * ux.factor);
  const most = Math.max(...all.map((p) => p.y * uy.factor));
  const x = scaleLinear({
    domain: [Math.min(...xs), Math.max(...xs)],
    range: [left, Math.max(left + 40, width - right)],
    nice: true,
  });
  const y = scaleLinear({ domain: [0, most], range: [height - bottom, top], nice: true });
  const at = (p: Place) => [x(p.x * ux.factor), y(p.y * uy.factor)] as const;
  const ends = apart(lines.map((l) => at(l.places.at(-1) ?? { x: 0, y: 0 })[1]));
  return (
    <Box ref={frame}>
      {width > 0 && (
        <svg height={height} role="img" aria-label={label}>
          {y.ticks(5).map((t) => (
            <g key={t}>
              <line x1={left} x2={width - right} y1={y(t)} y2={y(t)} stroke="var(--line)" />
              <text x={left - 6} y={y(t) + 4} textAnchor="end">
                {t}
              </text>
            </g>
          ))}
          {x.ticks(6).map((t) => (
            <text key={t} x={x(t)} y={height - bottom + 16} textAnchor="middle">
              {t}
            </text>
          ))}
          <text x={width - right} y={height - 4} textAnchor="end">
            {across.label}, {ux.name}
          </text>
          <text x={left + 4} y={top + 2}>
            {up.label}, {uy.name}
          </text>
          {lines.map((l) => (
            <LinePath
              key={l.name}
              data={l.places}
              x={(p) => at(p)[0]}
              y={(p) => at(p)[1]}
              stroke={l.colour}
              strokeWidth={2}
              strokeDasharray={l.dash}
            />
          ))}
          {lines.map((l, i) => (
            <text key={l.name} x={at(l.places.at(-1) ?? { x: 0, y: 0 })[0] + 6} y={(ends[i] ?? 0) + 4}>
              {l.name}
            </text>
          ))}
          {readings.map((r, i) => (
            <circle
              key={i}
              cx={at(r)[0]}
              cy={at(r)[1]}
              r={3.2}
              fill={r.back ? "var(--sheet)" : "var(--ink)"}
              stroke="var(--ink)"
              strokeWidth={1.2}
            />
          ))}
        </svg>
      )}
    </Box>
  );
}

/** Heights of names so that none lies on another. */
function apart(at: number[]): number[] {
  const order = at.map((y, i) => ({ y, i })).sort((a, b) => a.y - b.y);
  let last = Number.NEGATIVE_INFINITY;
  const out = [...at];
  for (const { y, i } of order) {
    last = Math.max(y, last + 14);
    out[i] = last;
  }
  return out;
}
