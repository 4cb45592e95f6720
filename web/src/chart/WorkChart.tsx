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
  .rough { color: var(--quiet); font-style: italic; }
  summary { cursor: pointer; color: var(--slate); font-size: 12px; padding: 2px 0; }
`;

const height = 96;
const shown = 6;
const colours = ["var(--plum)", "var(--slate)", "var(--pine)", "var(--ochre)", "var(--brick)", "var(--metal-line)"];

/** The muscles that are shown: the target, and others that carry at least 3% somewhere. */
export function workers(report: Report): RegionPart[] {
  const worth = (r: RegionPart) => r.target || report.hold || Math.max(...r.share.map((v) => v ?? 0)) >= 0.03;
  return report.muscles.regions.filter(worth).slice(0, shown);
}

/** Which regions carry the torque over the range: their parts stand on each other. */
export function WorkChart({ report, s }: { report: Report; s: number }) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const list = workers(report);
  if (list.length === 0) return <p>None of the muscles in the model does this.</p>;
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
  const rough = roughAt(report, s);
  const heads = report.muscles.heads.filter((h) => Math.max(...h.share.map((v) => v ?? 0)) >= 0.03);
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
      <ul aria-label="Muscles at work here">
        {list.map((r, k) => (
          <Row key={r.key} part={r} s={s} rough={rough !== ""} colour={colours[k % colours.length]} />
        ))}
      </ul>
      {heads.length > 0 && (
        <details>
          <summary>Heads and strips</summary>
          <ul aria-label="Heads and strips at work here">
            {heads.map((r) => (
              <Row key={r.key} part={r} s={s} rough={rough !== ""} />
            ))}
          </ul>
        </details>
      )}
      {rough && <p>Shares are rough here. {rough}</p>}
      <p>{left(report, s, units.text)}</p>
    </Box>
  );
}

/** One muscle at a place: its share of what the helpers give, grey where that is rough; in N·m where it has none. */
function Row({ part: r, s, rough, colour }: { part: RegionPart; s: number; rough: boolean; colour?: string }) {
  const units = useUnits();
  const [share, activation, length, off] = [r.share, r.activation, r.length, r.alignmentDeg].map((c) => valueAt(c, s));
  const notes = [
    r.target && off != null && `${Math.round(off)}° off line`,
    length != null && `length ${length.toFixed(2)}`,
  ].filter(Boolean);
  const grey = rough || Boolean(r.weak);
  return (
    <li data-region={r.key} title={r.weak}>
      <i aria-hidden style={{ background: colour ?? "transparent", opacity: r.target ? 0.9 : 0.6 }} />
      {r.target ? <b>{r.label}</b> : <span>{r.label}</span>}
      <small className="mono">{notes.join(", ")}</small>
      <span className={grey ? "mono rough" : "mono"}>
        {r.torqueOnly
          ? drawn(valueAt(r.retracts, s), units.text)
          : share == null
            ? `${units.text(100 * (activation ?? 0), "percent")} active`
            : share === 0
              ? "none"
              : `${grey ? "≈ " : ""}${units.text(100 * share, "percent")}`}
      </span>
    </li>
  );
}

/** What a muscle of the shoulder blade does, in steps of 5 N·m: more is not known. */
function drawn(torque: number | null, text: (v: number, kind: string) => string): string {
  const step = 5 * Math.round((torque ?? 0) / 5);
  if (step === 0) return "little";
  return `${text(Math.abs(step), "torque")} ${step > 0 ? "back" : "forward"}`;
}

/** Why shares are rough at a place; empty where they are firm. */
function roughAt(report: Report, s: number): string {
  const d = report.muscles.doubts.find((x) => s >= x.fromS - 1e-9 && s <= x.toS + 1e-9);
  return d?.text ?? "";
}

function describe(list: RegionPart[], s: number): string {
  const parts = list.map((r) => {
    const share = valueAt(r.share, s);
    return share == null ? r.label : `${r.label} ${Math.round(100 * share)}%`;
  });
  return `Muscles that carry the torque, here ${parts.join(", ")}.`;
}

function left(report: Report, s: number, text: (v: number, kind: string) => string): string {
  const m = report.muscles;
  const [twist, rest, largest, against] = [m.residualTwist, m.residual, m.largest, m.against].map((c) => valueAt(c, s));
  const parts = [];
  if (against != null && against >= 0.05) parts.push(`${text(100 * against, "percent")} co-contracts against it`);
  for (const held of m.passive) {
    const v = valueAt(held.values, s) ?? 0;
    if (v >= (held.kind === "force" ? 25 : 2)) parts.push(`${held.label.toLowerCase()}: ${text(v, held.kind)}`);
  }
  if (twist != null && Math.abs(twist) >= 0.5)
    parts.push(`${text(Math.abs(twist), "torque")} of rotation that the model does not balance`);
  if (rest != null && rest >= 0.5) parts.push(`${text(rest, "torque")} out of plane that the model does not balance`);
  if (largest != null && largest > 1.2) parts.push("no answer: more than the model holds");
  const long = m.lengthenedShare.value;
  if (long != null)
    parts.push(`${text(100 * long, "percent")} of the work with the target in the longer half of its range`);
  return parts.length > 0 ? `${parts.join("; ")}.` : "";
}
