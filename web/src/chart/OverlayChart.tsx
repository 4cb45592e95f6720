import { AxisBottom, AxisLeft } from "@visx/axis";
import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import styled from "styled-components";
import type { Report, Tempo } from "../engine/types";
import type { Table } from "../share/table";
import { type Units, useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { valueAt } from "./along";

const Box = styled.div`
  svg { display: block; width: 100%; }
`;

/** How the curve of each letter looks: by its dashes as much as by its colour. */
export const strokes = [
  { stroke: "var(--ember)", strokeDasharray: undefined },
  { stroke: "var(--slate)", strokeDasharray: "9 4" },
  { stroke: "var(--plum)", strokeDasharray: "2 3" },
  { stroke: "var(--pine)", strokeDasharray: "12 3 2 3" },
  { stroke: "var(--ochre)", strokeDasharray: "5 3" },
  { stroke: "var(--ink)", strokeDasharray: "1 5" },
] as const;

export type Along = "angle" | "length" | "time";
export type Scale = "torque" | "shape" | "effort";

export type OverlaySide = { letter: string; look: number; report: Report; tempo: Tempo | null };

type Curve = (number | null)[];

/** A curve to be drawn: places along the axis and values, in the coach's units. */
export type Overlaid = OverlaySide & { x: Curve; y: Curve };

const share = (v: number | null | undefined, whole: number | null | undefined) =>
  v == null || whole == null || whole <= 0 ? null : (100 * v) / whole;

/** The curve of a setup over an axis; null where it has none. */
function curveOf(side: OverlaySide, along: Along, scale: Scale, sameAngle: boolean, units: Units): Overlaid | null {
  const { report, tempo } = side;
  if (report.hold) return null;
  const c = report.curves;
  const factor = units.unit("torque").factor;
  const torque = along === "time" ? (tempo?.dynamic ?? []) : c.torque;
  const places = along === "time" ? (tempo?.s ?? []) : c.s;
  const peak = Math.max(...torque.map((v) => v ?? 0));
  const y = torque.map((v, i) => {
    if (scale === "shape") return share(v, peak);
    if (scale === "effort") return share(v, valueAt(c.capacity, places[i] ?? 0));
    return v == null ? null : v * factor;
  });
  const x = axisOf(side, along, sameAngle);
  return x && y.some((v) => v != null) ? { ...side, x, y } : null;
}

function axisOf({ report, tempo }: OverlaySide, along: Along, sameAngle: boolean): Curve | null {
  if (along === "time") return tempo?.time ?? null;
  if (along === "angle") return sameAngle ? report.curves.angleDeg : report.curves.sweptDeg;
  const target = report.muscles.regions.find((r) => r.target);
  if (!target || target.length.every((v) => v == null)) return null;
  return report.curves.s.map((s) => {
    const length = valueAt(target.length, s ?? 0);
    return length === null ? null : 100 * length;
  });
}

/** The curves of setups over one axis, and the letters of those that have none there. */
export function overlay(sides: OverlaySide[], along: Along, scale: Scale, units: Units) {
  const sameAngle = new Set(sides.map((s) => s.report.names)).size < 2;
  const all = sides.map((s) => curveOf(s, along, scale, sameAngle, units));
  return {
    curves: all.filter((c) => c !== null),
    without: sides.filter((_, i) => all[i] === null).map((s) => s.letter),
    xName: {
      angle: sameAngle ? `${sides[0]?.report.label ?? "angle"} (°)` : "swept from the start (°)",
      length: "length of the target, long to short (% of its best)",
      time: "time (s)",
    }[along],
    yName: { torque: units.unit("torque").name, shape: "% of its own peak", effort: "% of the lifter's strength" }[
      scale
    ],
  };
}

type Overlay = ReturnType<typeof overlay>;

/** The curves as a table: every setup over its own places, at equal steps of its way. */
export function overlayTable({ curves, xName, yName }: Overlay): Table {
  const rows = 101;
  return {
    columns: ["way (%)", ...curves.flatMap((c) => [`${c.letter}, ${xName}`, `${c.letter}, ${yName}`])],
    rows: Array.from({ length: rows }, (_, i) => {
      const s = i / (rows - 1);
      return [100 * s, ...curves.flatMap((c) => [valueAt(c.x, s), valueAt(c.y, s)])];
    }),
  };
}

const margin = { left: 44, right: 30, top: 20, bottom: 40 };
const height = 300;
const apart = 14; // px between letters

/** Curves of several setups over each other; each ends in its letter. */
export function OverlayChart({ overlaid, along }: { overlaid: Overlay; along: Along }) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const { curves, xName, yName } = overlaid;
  const known = (list: Curve[]) => list.flat().filter((v): v is number => v != null);
  const [xs, ys] = [known(curves.map((c) => c.x)), known(curves.map((c) => c.y))];
  const ends = [Math.min(...xs), Math.max(...xs)];
  const x = scaleLinear({
    domain: along === "length" ? [ends[1] ?? 1, ends[0] ?? 0] : [ends[0] ?? 0, ends[1] ?? 1],
    range: [margin.left, Math.max(margin.left + 10, width - margin.right)],
  });
  const y = scaleLinear({
    domain: [Math.min(0, ...ys), Math.max(...ys, 1e-6) * 1.05],
    range: [height - margin.bottom, margin.top],
    nice: true,
  });
  const text = { fill: "var(--quiet)", fontSize: 10.5, fontFamily: "Spline Sans Mono Variable" };
  return (
    <Box ref={frame}>
      {width > 0 && xs.length > 0 && (
        <svg height={height} role="img" aria-label={describe(curves, units, yName)}>
          <AxisLeft
            scale={y}
            left={margin.left}
            numTicks={5}
            hideAxisLine
            hideTicks
            tickLabelProps={() => ({ ...text, textAnchor: "end", dx: 2, dy: 3 })}
          />
          {y.ticks(5).map((v) => (
            <line key={v} x1={margin.left} x2={width - margin.right} y1={y(v)} y2={y(v)} stroke="var(--line)" />
          ))}
          <AxisBottom
            scale={x}
            top={height - margin.bottom}
            numTicks={8}
            stroke="var(--line)"
            tickStroke="var(--line)"
            tickLength={4}
            tickLabelProps={() => ({ ...text, textAnchor: "middle", dy: 2 })}
          />
          <text x={4} y={12} {...text}>
            {yName}
          </text>
          <text x={width - margin.right} y={height - 6} {...text} textAnchor="end">
            {xName}
          </text>
          {curves.map((c) => (
            <LinePath
              key={c.letter}
              data={c.x.map((_, i) => i)}
              x={(i) => x(c.x[i] ?? 0)}
              y={(i) => y(c.y[i] ?? 0)}
              defined={(i) => c.x[i] != null && c.y[i] != null}
              {...strokes[c.look % strokes.length]}
              strokeWidth={2.4}
              data-curve={c.letter}
            />
          ))}
          <Letters curves={curves} x={x} y={y} />
        </svg>
      )}
    </Box>
  );
}

/** The letters at the ends of the curves, moved apart where they would lie on each other. */
function Letters({ curves, x, y }: { curves: Overlaid[]; x: (v: number) => number; y: (v: number) => number }) {
  const ends = curves
    .map((c) => {
      const last = c.y.findLastIndex((v, i) => v != null && c.x[i] != null);
      return { letter: c.letter, look: c.look, x: x(c.x[last] ?? 0), y: y(c.y[last] ?? 0) };
    })
    .sort((a, b) => a.y - b.y);
  let before = Number.NEGATIVE_INFINITY;
  return ends.map((e) => {
    const at = Math.max(e.y, before + apart);
    before = at;
    return (
      <text
        key={e.letter}
        x={e.x + 6}
        y={at + 4}
        fill={strokes[e.look % strokes.length]?.stroke}
        fontSize={13}
        fontWeight={700}
      >
        {e.letter}
      </text>
    );
  });
}

function describe(curves: Overlaid[], units: Units, yName: string): string {
  const each = curves.map((c) => {
    const top = Math.max(...c.y.map((v) => v ?? 0));
    return `${c.letter} at most ${units.number(top, "count", top < 10 ? 1 : 0)}`;
  });
  return `Curves over each other, in ${yName}: ${each.join(", ")}.`;
}
