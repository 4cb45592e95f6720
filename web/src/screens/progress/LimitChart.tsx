import { scaleLinear } from "@visx/scale";
import { useState } from "react";
import styled from "styled-components";
import type { Series, SeriesPoint } from "../../engine/types";
import { useUnits } from "../../state/units";
import { useSize } from "../../ui/useSize";
import { dayWords } from "../plan/planEdits";

const Box = styled.div`
  position: relative;
  height: 330px;
  svg { display: block; }
  text { font-size: 12px; fill: var(--quiet); }
  text.name { font-weight: 600; }
  .told {
    position: absolute;
    left: 50%;
    top: 0;
    transform: translateX(-50%);
    padding: 6px 10px;
    border: 1px solid var(--ink);
    border-radius: 6px;
    background: var(--sheet);
    font-size: 12px;
    line-height: 16px;
    pointer-events: none;
  }
  circle.hit { fill: transparent; cursor: pointer; }
  circle.hit:focus-visible { outline: none; stroke: var(--slate); stroke-width: 2; }
`;

type Look = { colour: string; dash?: string; mark: (x: number, y: number, colour: string) => React.ReactNode };

/** Line, mark and letter tell the setups apart. */
export const looks: Look[] = [
  { colour: "var(--ember-deep)", mark: (x, y, c) => <circle cx={x} cy={y} r={4} fill={c} /> },
  {
    colour: "var(--slate)",
    dash: "7 4",
    mark: (x, y, c) => (
      <rect x={x - 3.5} y={y - 3.5} width={7} height={7} fill="var(--sheet)" stroke={c} strokeWidth={2} />
    ),
  },
  { colour: "var(--plum)", dash: "2 3", mark: (x, y, c) => <path d={`M${x} ${y - 5}l5 9h-10z`} fill={c} /> },
  {
    colour: "var(--pine)",
    dash: "10 3 2 3",
    mark: (x, y, c) => <path d={`M${x} ${y - 5}l5 5l-5 5l-5 -5z`} fill="var(--sheet)" stroke={c} strokeWidth={2} />,
  },
  {
    colour: "var(--ochre)",
    dash: "5 5",
    mark: (x, y, c) => <path d={`M${x - 4} ${y}h8M${x} ${y - 4}v8`} stroke={c} strokeWidth={2.5} />,
  },
  {
    colour: "var(--ink)",
    dash: "1 4",
    mark: (x, y, c) => <path d={`M${x - 4} ${y - 4}l8 8M${x + 4} ${y - 4}l-8 8`} stroke={c} strokeWidth={2} />,
  },
];

const day = (date: string) => Date.parse(`${date}T12:00:00Z`);

/** The limits of several setups over the days, each with its band and its letter at the end; a point says what it was. */
export function LimitChart({ series }: { series: Series[] }) {
  const units = useUnits();
  const [ref, { width }] = useSize<HTMLDivElement>();
  const [at, point] = useState<[number, SeriesPoint] | null>(null);
  const height = 330;
  const known = series.map((s) => s.points.filter((p) => p.limit.value != null));
  const all = known.flat();
  if (all.length === 0) return <p>No set of 20 repetitions or fewer yet: no limit is estimated.</p>;
  const factor = units.unit("torque").factor;
  const value = (m: { value: number | null }) => (m.value ?? 0) * factor;
  const dates = all.map((p) => day(p.date));
  const [first, last] = [Math.min(...dates), Math.max(...dates)];
  const low = Math.min(...all.map((p) => value(p.low)));
  const high = Math.max(...all.map((p) => value(p.high)));
  const room = Math.max(0.08 * (high - low), 1e-6);
  const x = scaleLinear({
    domain: [first, last === first ? first + 86_400_000 : last],
    range: [44, Math.max(60, width - 62)],
  });
  const y = scaleLinear({ domain: [Math.max(0, low - room), high + room], range: [height - 26, 10], nice: true });
  const path = (points: SeriesPoint[], of: (p: SeriesPoint) => number) =>
    points.map((p, i) => `${i === 0 ? "M" : "L"}${x(day(p.date)).toFixed(1)} ${y(of(p)).toFixed(1)}`).join("");
  const weeks = Math.max(1, Math.round((last - first) / (7 * 86_400_000)));
  const every = Math.ceil(weeks / 8);
  const ticks = Array.from({ length: Math.floor(weeks / every) + 1 }, (_, i) => first + i * every * 7 * 86_400_000);
  return (
    <Box ref={ref}>
      {width > 0 && (
        // biome-ignore lint/a11y/useSemanticElements: a drawing whose points can be reached
        <svg width={width} height={height} role="group" aria-label={words(series)}>
          {y.ticks(5).map((t) => (
            <g key={t}>
              <line x1={44} x2={width - 56} y1={y(t)} y2={y(t)} stroke="var(--line)" />
              <text x={36} y={y(t) + 4} textAnchor="end" className="mono">
                {t}
              </text>
            </g>
          ))}
          <text x={0} y={10}>
            {units.unit("torque").name}
          </text>
          {ticks.map((t) => (
            <text key={t} x={x(t)} y={height - 6} textAnchor="middle">
              {dayWords(new Date(t).toISOString().slice(0, 10))}
            </text>
          ))}
          {known.map((points, i) => {
            const look = looks[i];
            const end = points.at(-1);
            if (!look || !end) return null;
            const band = `${path(points, (p) => value(p.high))}${path([...points].reverse(), (p) => value(p.low)).replace("M", "L")}Z`;
            return (
              <g key={series[i]?.key}>
                <path d={band} fill={look.colour} opacity={0.12} />
                <path
                  d={path(points, (p) => value(p.limit))}
                  fill="none"
                  stroke={look.colour}
                  strokeWidth={2}
                  strokeDasharray={look.dash}
                />
                {points.map((p) => (
                  <g key={p.set}>
                    {look.mark(x(day(p.date)), y(value(p.limit)), look.colour)}
                    {/* biome-ignore lint/a11y/useSemanticElements: it stands on a chart */}
                    <circle
                      className="hit"
                      cx={x(day(p.date))}
                      cy={y(value(p.limit))}
                      r={12}
                      role="button"
                      tabIndex={0}
                      aria-label={pointWords(p, units)}
                      onMouseEnter={() => point([i, p])}
                      onMouseLeave={() => point(null)}
                      onFocus={() => point([i, p])}
                      onBlur={() => point(null)}
                    />
                  </g>
                ))}
                <text
                  x={x(day(end.date)) + 10}
                  y={y(value(end.limit)) + 4}
                  className="name"
                  style={{ fill: look.colour }}
                >
                  {"ABCDEF"[i]} {value(end.limit).toFixed(0)}
                </text>
              </g>
            );
          })}
        </svg>
      )}
      {at && (
        <div className="told" role="status">
          <b>
            {"ABCDEF"[at[0]]}, {dayWords(at[1].date)}:
          </b>{" "}
          {pointWords(at[1], units)}
        </div>
      )}
    </Box>
  );
}

/** What a point was: the set, its torque, and the limit that it shows. */
function pointWords(p: SeriesPoint, units: ReturnType<typeof useUnits>): string {
  const limit =
    p.limit.value == null
      ? (p.limit.why ?? "")
      : `limit ${units.text(p.limit.value, "torque")} (${units.number(p.low.value ?? 0, "torque")} to ${units.number(p.high.value ?? 0, "torque")})`;
  return `${units.text(p.load, "mass")} × ${p.reps}, ${p.rir === 4 ? "4+" : p.rir} left${p.thrown ? ", thrown" : ""}: ${units.text(p.torque, "torque")} at the hardest place; ${limit}`;
}

const words = (series: Series[]) =>
  series
    .map(
      (s, i) =>
        `${"ABCDEF"[i]}, ${s.name}: ${s.rise.value == null ? "too young to tell" : `${Math.round(100 * s.rise.value)} percent`}`,
    )
    .join("; ");
