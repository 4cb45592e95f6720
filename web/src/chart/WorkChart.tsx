import { scaleLinear } from "@visx/scale";
import { Area, LinePath } from "@visx/shape";
import styled from "styled-components";
import type { RegionPart, Report } from "../engine/types";
import { useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { valueAt } from "./along";

const Box = styled.div`
  display: grid;
  gap: 4px;
  svg { display: block; width: 100%; }
  ul { list-style: none; padding: 0; margin: 0; font-size: 13px; }
  li { display: grid; grid-template-columns: 14px minmax(0, 1fr) auto auto; gap: 8px; align-items: baseline; padding: 1px 0; }
  li i { width: 10px; height: 10px; border-radius: 2px; align-self: center; }
  li b { font-weight: 600; }
  small { color: var(--quiet); font-size: 12px; }
  p { color: var(--quiet); font-size: 12px; }
`;

const height = 96;
const shown = 6;
const colours = ["var(--plum)", "var(--slate)", "var(--pine)", "var(--ochre)", "var(--brick)", "var(--metal-line)"];

/** The regions that are shown: the target, and others that carry at least 3% somewhere. */
export function workers(report: Report): RegionPart[] {
  const worth = (r: RegionPart) => r.target || report.hold || Math.max(...r.share.map((v) => v ?? 0)) >= 0.03;
  return report.muscles.regions.filter(worth).slice(0, shown);
}

/** Which regions carry the torque over the range: their parts stand on each other. */
export function WorkChart({ report, s }: { report: Report; s: number }) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const list = workers(report);
  if (list.length === 0) return <p>No region of the model crosses this joint here.</p>;
  const n = report.muscles.s.length;
  const swept = (i: number) => valueAt(report.curves.sweptDeg, i / (n - 1)) ?? 0;
  const below: number[][] = [new Array(n).fill(0)];
  for (const r of list) {
    const from = below.at(-1) as number[];
    below.push(from.map((v, i) => v + Math.max(0, r.torque[i] ?? 0)));
  }
  const top = Math.max(1e-6, ...(below.at(-1) as number[]));
  const x = scaleLinear({ domain: [0, swept(n - 1) || 1], range: [2, Math.max(10, width - 2)] });
  const y = scaleLinear({ domain: [0, top * 1.05], range: [height - 2, 4] });
  const all = Array.from({ length: n }, (_, i) => i);
  const here = valueAt(report.curves.sweptDeg, s) ?? 0;
  return (
    <Box ref={frame}>
      {width > 0 && !report.hold && (
        <svg height={height} role="img" aria-label={describe(list, s)}>
          {list.map((r, k) => (
            <Area
              key={r.key}
              data={all}
              x={(i) => x(swept(i))}
              y0={(i) => y(below[k]?.[i] ?? 0)}
              y1={(i) => y(below[k + 1]?.[i] ?? 0)}
              fill={colours[k % colours.length]}
              fillOpacity={r.target ? 0.75 : 0.4}
            />
          ))}
          <LinePath
            data={all}
            x={(i) => x(swept(i))}
            y={(i) => y(below.at(-1)?.[i] ?? 0)}
            stroke="var(--ink)"
            strokeWidth={1}
          />
          <line x1={x(here)} x2={x(here)} y1={4} y2={height - 2} stroke="var(--ink)" strokeWidth={1} opacity={0.5} />
        </svg>
      )}
      <ul aria-label="Regions at work here">
        {list.map((r, k) => {
          const [share, activation, length, off] = [r.share, r.activation, r.length, r.lineUpDeg].map((c) =>
            valueAt(c, s),
          );
          return (
            <li key={r.key} data-region={r.key}>
              <i aria-hidden style={{ background: colours[k % colours.length], opacity: r.target ? 0.9 : 0.6 }} />
              {r.target ? <b>{r.label}</b> : <span>{r.label}</span>}
              <small className="mono">
                {r.target && off != null ? `${Math.round(off)}° off line, ` : ""}
                {length == null ? "" : `length ${length.toFixed(2)}`}
              </small>
              <span className="mono">
                {share == null
                  ? `${units.text(100 * (activation ?? 0), "percent")} active`
                  : units.text(100 * share, "percent")}
              </span>
            </li>
          );
        })}
      </ul>
      <p>{left(report, s, units.text)}</p>
    </Box>
  );
}

function describe(list: RegionPart[], s: number): string {
  const parts = list.map((r) => {
    const share = valueAt(r.share, s);
    return share == null ? r.label : `${r.label} ${Math.round(100 * share)}%`;
  });
  return `Regions that carry the torque, here ${parts.join(", ")}.`;
}

function left(report: Report, s: number, text: (v: number, kind: string) => string): string {
  const m = report.muscles;
  const [twist, rest, largest] = [m.leftTwist, m.leftRest, m.largest].map((c) => valueAt(c, s));
  const parts = [];
  if (twist != null && Math.abs(twist) >= 0.5)
    parts.push(`${text(Math.abs(twist), "torque")} of twist left to small muscles`);
  if (rest != null && rest >= 0.5) parts.push(`${text(rest, "torque")} across the path held by none`);
  if (largest != null && largest > 1) parts.push("more than the model holds");
  const long = m.lengthenedShare.value;
  if (long != null) parts.push(`${text(100 * long, "percent")} of the work where the target is longer than its middle`);
  return parts.length > 0 ? `${parts.join("; ")}.` : "";
}
