import styled from "styled-components";
import type { Progress } from "../../engine/types";
import { useSize } from "../../ui/useSize";
import { dayWords } from "../plan/planEdits";

const Box = styled.section`
  text { font-size: 12px; fill: var(--quiet); }
  text.sets { fill: var(--ink); font-weight: 600; }
  svg { display: block; }
`;

/** Hard sets of a region week by week, as wide as they are many; the core is what falls on the long third of its length. */
export function WeekRibbon({ weeks: r }: { weeks: Progress["regions"][number] }) {
  const [ref, { width }] = useSize<HTMLDivElement>();
  const most = Math.max(1, ...r.weeks.map((w) => w.sets));
  const step = r.weeks.length > 1 ? (width - 60) / (r.weeks.length - 1) : 0;
  const x = (i: number) => 24 + i * step;
  const half = (sets: number) => 34 * (sets / most);
  const shape = (of: (w: (typeof r.weeks)[number]) => number) => {
    const up = r.weeks.map((w, i) => `${x(i).toFixed(1)} ${(60 - half(of(w))).toFixed(1)}`);
    const down = [...r.weeks].map((w, i) => `${x(i).toFixed(1)} ${(60 + half(of(w))).toFixed(1)}`).reverse();
    return `M${[...up, ...down].join("L")}Z`;
  };
  const every = Math.ceil(r.weeks.length / 10);
  const total = r.weeks.reduce((n, w) => n + w.sets, 0);
  const long = r.weeks.reduce((n, w) => n + (w.thirds[0] ?? 0), 0);
  return (
    <Box ref={ref as unknown as React.Ref<HTMLElement>}>
      <h2>{r.label}: hard sets a week</h2>
      <p className="quiet">
        The core is what falls on the lengthened third, {total > 0 ? Math.round((100 * long) / total) : 0}% in all.
      </p>
      {width > 0 && (
        <svg
          width={width}
          height={118}
          role="img"
          aria-label={r.weeks.map((w) => `week of ${dayWords(w.week)}: ${w.sets.toFixed(1)}`).join(", ")}
        >
          <defs>
            <pattern id="ribbon" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <path d="M0 0v5" stroke="var(--plum)" strokeWidth={1.6} />
            </pattern>
          </defs>
          {r.weeks.length > 1 ? (
            <>
              <path d={shape((w) => w.sets)} fill="url(#ribbon)" stroke="var(--plum)" />
              <path d={shape((w) => w.thirds[0] ?? 0)} fill="var(--plum)" />
            </>
          ) : (
            <rect x={20} y={60 - half(total)} width={8} height={2 * half(total)} fill="var(--plum)" />
          )}
          {r.weeks.map(
            (w, i) =>
              i % every === 0 && (
                <g key={w.week}>
                  <text x={x(i)} y={14} textAnchor="middle" className="sets mono">
                    {Math.round(w.sets)}
                  </text>
                  <text x={x(i)} y={114} textAnchor="middle">
                    {dayWords(w.week)}
                  </text>
                </g>
              ),
          )}
        </svg>
      )}
    </Box>
  );
}
