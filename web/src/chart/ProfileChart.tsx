import { AxisBottom, AxisLeft } from "@visx/axis";
import { scaleLinear } from "@visx/scale";
import { Area, AreaClosed, LinePath } from "@visx/shape";
import { useRef } from "react";
import styled from "styled-components";
import type { Report, Uncertainty } from "../engine/types";
import { followPointer } from "../figure/drags";
import { useUnits } from "../state/units";
import { inSentence } from "../ui/inSentence";
import { useSize } from "../ui/useSize";
import { gapsOf, painfulOf, placeOf, ticksAlong, valueAt } from "./along";

const Box = styled.div`
  .legend { display: flex; flex-wrap: wrap; gap: 2px 10px; margin: 2px 0 4px; font-size: 12px; color: var(--quiet); }
  .legend span { display: inline-flex; align-items: center; gap: 4px; }
  svg { display: block; width: 100%; touch-action: none; cursor: ew-resize; }
  .gap { font-size: 12px; line-height: 16px; color: var(--quiet); }
`;

type Props = {
  report: Report;
  uncertainty: Uncertainty | null;
  s: number;
  moveTo: (s: number) => void;
  axis?: "angle" | "length";
  /** For paper: without the place on the range, and as wide as a column of the sheet. */
  still?: boolean;
  /** The five heights of a drawn target, and what to do when one is dragged. */
  drawn?: { heights: number[]; set: (heights: number[], drag: boolean) => void; done: (cancelled: boolean) => void };
};

/** The target's length at every sample, when it only falls or only rises along the path; else null. */
export function lengthAlong(report: Report): number[] | null {
  const target = report.muscles.regions.find((r) => r.target);
  const n = report.curves.s.length;
  const length = target && Array.from({ length: n }, (_, i) => valueAt(target.length, i / (n - 1)));
  if (!length || length.some((v) => v == null)) return null;
  const known = length as number[];
  const way = Math.sign((known.at(-1) ?? 0) - (known[0] ?? 0));
  if (way === 0) return null;
  return known.every((v, i) => i === 0 || (v - (known[i - 1] ?? 0)) * way > -1e-6) ? known : null;
}

const margin = { left: 36, right: 10, top: 18, bottom: 38 };
const height = 262;
const paperWidth = 320;

/** The unrolled arc: torque over the angle, with what the muscle can do and what the school wants. */
export function ProfileChart({ report, uncertainty, s, moveTo, axis = "angle", drawn, still }: Props) {
  const units = useUnits();
  const [frame, size] = useSize<HTMLDivElement>();
  const width = still ? paperWidth : size.width;
  const svg = useRef<SVGSVGElement>(null);
  const c = report.curves;
  const factor = units.unit("torque").factor;
  const values = [c.torque, c.capacity, c.weights].flat().filter((v): v is number => v != null);
  const top = Math.max(...values, 1) * factor * 1.08;
  const bottom = Math.min(0, ...values) * factor * 1.08;
  const length = axis === "length" ? lengthAlong(report) : null;
  const along = length ?? c.sweptDeg.map((v) => v ?? 0);
  const [start, end] = [along[0] ?? 0, along.at(-1) || 1];
  const x = scaleLinear({
    domain: [start, end],
    range: [margin.left, Math.max(margin.left + 10, width - margin.right)],
  });
  const y = scaleLinear({ domain: [bottom, top], range: [height - margin.bottom, margin.top], nice: true });
  const indices = c.s.map((_, i) => i);
  const at = (curve: (number | null)[]) => ({
    data: indices,
    x: (i: number) => x(along[i] ?? 0),
    y: (i: number) => y((curve[i] ?? 0) * factor),
    defined: (i: number) => curve[i] != null,
  });
  const drag = (event: React.PointerEvent<SVGSVGElement>) => {
    const go = (clientX: number) => {
      const left = svg.current?.getBoundingClientRect().left ?? 0;
      const way = Math.sign(end - start) || 1;
      moveTo(
        placeOf(
          along.map((v) => v * way),
          x.invert(clientX - left) * way,
        ),
      );
    };
    go(event.clientX);
    followPointer(event, go, () => {});
  };
  const place = valueAt(along, s) ?? 0;
  const ticks = length ? x.ticks(5).map((v) => ({ at: v, label: v.toFixed(2) })) : ticksAlong(c.sweptDeg, c.angleDeg);
  const torque = valueAt(c.torque, s);
  const { peak, peakAngleDeg } = report.profile.total;
  const hardest = c.torque.findIndex(
    (v) => v != null && peak.value != null && Math.abs(v - peak.value) < 1e-6 + 1e-3 * peak.value,
  );
  const mark =
    hardest >= 0 && peak.value != null && peakAngleDeg.value != null
      ? markOf(
          [x(along[hardest] ?? 0), y(peak.value * factor)],
          `hardest, ${units.text(peakAngleDeg.value, "angle")}`,
          hardest < indices.length / 2,
        )
      : null;
  const rows = (curve: (number | null)[]) => curve.map((v) => (v == null ? null : y(v * factor)));
  const lines: Line[] = [
    { name: "torque", colour: "var(--ember-deep)", weight: 600, y: rows(c.torque) },
    { name: "strength", colour: "var(--slate)", y: rows(c.capacity) },
    ...(c.target.length > 0 ? [{ name: "target profile", colour: "var(--quiet)", y: rows(c.target) }] : []),
    { name: "body weight", colour: "var(--ember-deep)", y: rows(c.weights) },
  ];
  const text = { fill: "var(--quiet)", fontSize: 10, fontFamily: "Spline Sans Mono Variable" };
  return (
    <Box ref={frame}>
      {report.parts.length > 1 && <Legend parts={report.parts.map((p) => p.id)} />}
      {width > 0 && (
        <svg
          ref={svg}
          height={height}
          viewBox={still ? `0 0 ${width} ${height}` : undefined}
          role="img"
          aria-label={describe(report, units.text)}
          onPointerDown={drag}
          style={{ touchAction: drawn ? "none" : "pan-y" }}
        >
          <Thirds x={x} start={start} end={end} shares={sharesOf(report, units.text)} />
          {c.target.length > 0 && <TargetBand at={at(c.target)} />}
          {report.parts.length > 1 && <Parts report={report} at={at} />}
          <AreaClosed {...at(c.torque)} yScale={y} y0={() => y(0)} fill="var(--ember)" fillOpacity={0.16} />
          <LinePath {...at(c.capacity)} stroke="var(--slate)" strokeWidth={1.6} strokeDasharray="6 4" />
          <LinePath {...at(c.weights)} stroke="var(--ember)" strokeWidth={1.2} strokeDasharray="2 3" />
          {uncertainty && (
            <Area
              data={uncertainty.angleDeg.map((_, i) => i)}
              x={(i) => x(valueAt(along, i / (uncertainty.angleDeg.length - 1)) ?? 0)}
              y0={(i) => y((uncertainty.low[i] ?? 0) * factor)}
              y1={(i) => y((uncertainty.high[i] ?? 0) * factor)}
              defined={(i) => uncertainty.low[i] != null}
              fill="var(--ember)"
              fillOpacity={0.28}
            />
          )}
          <LinePath {...at(c.torque)} stroke="var(--ember)" strokeWidth={2.6} />
          {gapsOf(c.torque).map(([from, to]) => (
            <Gap key={from} from={x(along[from] ?? 0)} to={x(along[to] ?? 0)} />
          ))}
          {painfulOf(report).map((p) => (
            <Painful
              key={`${p.key}${p.fromS}`}
              from={x(valueAt(along, p.fromS) ?? 0)}
              to={x(valueAt(along, p.toS) ?? 0)}
              label={p.label}
            />
          ))}
          <AxisLeft
            scale={y}
            left={margin.left}
            numTicks={4}
            hideAxisLine
            hideTicks
            tickLabelProps={() => ({ ...text, textAnchor: "end", dx: 4, dy: 3 })}
          />
          <AxisBottom
            scale={x}
            top={height - margin.bottom}
            tickValues={ticks.map((t) => t.at)}
            stroke="var(--line)"
            tickStroke="var(--line)"
            tickLength={4}
            tickFormat={(_, i) => ticks[i]?.label ?? ""}
            tickLabelProps={() => ({ ...text, textAnchor: "middle", dy: 2 })}
          />
          <text x={4} y={10} {...text}>
            {units.unit("torque").name}
          </text>
          <Names lines={lines} x={(i) => x(along[i] ?? 0)} taken={mark ? [mark.label] : []} />
          {mark && <Hardest {...mark} />}
          {!still && (
            <line
              x1={x(place)}
              x2={x(place)}
              y1={margin.top}
              y2={height - margin.bottom}
              stroke="var(--ink)"
              strokeWidth={1.3}
            />
          )}
          {drawn && c.target.length > 0 && (
            <Drawn report={report} along={along} x={x} y={y} factor={factor} drawn={drawn} svg={svg} />
          )}
          {torque !== null && !still && (
            <circle
              cx={x(place)}
              cy={y(torque * factor)}
              r={4.5}
              fill="var(--sheet)"
              stroke="var(--ink)"
              strokeWidth={2}
            />
          )}
        </svg>
      )}
      {report.gaps.map((g) => (
        <p key={`${g.kind}${g.index}${g.fromDeg}`} className="gap">
          No torque from {units.text(g.fromDeg, "angle")} to {units.text(g.toDeg, "angle")}: {inSentence(g.why)}
        </p>
      ))}
    </Box>
  );
}

const fifths = [0, 0.25, 0.5, 0.75, 1];

/** The five points of a drawn target, to be dragged up and down; arrow keys move the one in focus. */
function Drawn(props: {
  report: Report;
  along: number[];
  x: (v: number) => number;
  y: { (v: number): number; invert(v: number): number };
  factor: number;
  drawn: NonNullable<Props["drawn"]>;
  svg: React.RefObject<SVGSVGElement | null>;
}) {
  const { report, along, x, y, factor, drawn, svg } = props;
  const { heights } = drawn;
  const swept = report.curves.sweptDeg.map((v) => v ?? 0);
  const total = swept.at(-1) ?? 1;
  const back = report.muscles.lengthenedEnd === "end";
  return fifths.map((u, k) => {
    const s = placeOf(swept, total * (back ? 1 - u : u));
    const now = (valueAt(report.curves.target, s) ?? 0) * factor;
    const height = heights[k] ?? 0;
    const [cx, cy] = [x(valueAt(along, s) ?? 0), y(now)];
    const scale =
      height > 0 && now > 0 ? now / height : Math.max(1e-9, ...report.curves.target.map((v) => v ?? 0)) * factor;
    const put = (value: number, drag: boolean) => {
      const next = heights.map((h, i) => (i === k ? Math.max(0, value) : h));
      if (next.some((h) => h > 0)) drawn.set(next, drag);
    };
    const onPointerDown = (event: React.PointerEvent<SVGGElement>) => {
      const top = svg.current?.getBoundingClientRect().top ?? 0;
      followPointer(
        event,
        (_, clientY) => put(Math.round((y.invert(clientY - top) / scale) * 100) / 100, true),
        drawn.done,
      );
    };
    const onKeyDown = (event: React.KeyboardEvent) => {
      const step = { ArrowUp: 0.05, ArrowDown: -0.05 }[event.key];
      if (!step) return;
      event.preventDefault();
      event.stopPropagation();
      put(Math.round((height + step) * 100) / 100, false);
    };
    return (
      <g
        key={u}
        style={{ cursor: "ns-resize" }}
        tabIndex={0}
        role="slider"
        aria-label={`Target at ${Math.round(100 * u)}% from the lengthened end`}
        aria-orientation="vertical"
        aria-valuenow={height}
        aria-valuemin={0}
        data-handle={`wanted${k}`}
        onPointerDown={onPointerDown}
        onKeyDown={onKeyDown}
      >
        <circle cx={cx} cy={cy} r={14} fill="transparent" />
        <circle cx={cx} cy={cy} r={6.5} fill="var(--sheet)" stroke="var(--slate)" strokeWidth={2.4} />
      </g>
    );
  });
}

function describe(report: Report, text: (v: number, kind: string) => string): string {
  const { peak, peakAngleDeg, endShare } = report.profile.total;
  if (peak.value == null || peakAngleDeg.value == null || endShare.value == null)
    return "Torque over the angle; it has a gap.";
  return `Torque over the angle: largest ${text(peak.value, "torque")} at ${text(peakAngleDeg.value, "angle")}, ${text(100 * endShare.value, "percent")} of it at the end.`;
}

/** The thirds of the range, each with its part of the torque. */
function Thirds({ x, start, end, shares }: { x: (v: number) => number; start: number; end: number; shares: string[] }) {
  const at = (part: number) => x(start + (end - start) * part);
  return (
    <g>
      {[1, 2].map((k) => (
        <line
          key={k}
          x1={at(k / 3)}
          x2={at(k / 3)}
          y1={margin.top}
          y2={height - margin.bottom}
          stroke="var(--line)"
          strokeDasharray="2 3"
        />
      ))}
      {shares.map((share, k) => (
        <text
          key={thirds[k]}
          x={at((k + 0.5) / 3)}
          y={height - 4}
          textAnchor="middle"
          fontSize={11}
          fill="var(--quiet)"
        >
          {thirds[k]}{" "}
          <tspan fontWeight={600} fill="var(--ink)">
            {share}
          </tspan>
        </text>
      ))}
    </g>
  );
}

const thirds = ["early", "mid", "late"];

/** The part of the torque in each third, in the order of the path. */
function sharesOf(report: Report, text: (v: number, kind: string) => string): string[] {
  const known = report.profile.total.thirds.map((m) => m.value);
  if (known.some((v) => v == null)) return [];
  const list = known.map((v) => text(100 * (v ?? 0), "percent"));
  return report.muscles.lengthenedEnd === "end" ? list.reverse() : list;
}

function TargetBand({
  at,
}: {
  at: { data: number[]; x: (i: number) => number; y: (i: number) => number; defined: (i: number) => boolean };
}) {
  return (
    <>
      <defs>
        <pattern id="targetHatch" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <line x1="0" y1="0" x2="0" y2="5" stroke="var(--slate)" strokeWidth="1.3" opacity="0.55" />
        </pattern>
      </defs>
      <LinePath {...at} stroke="url(#targetHatch)" strokeWidth={9} />
    </>
  );
}

function Gap({ from, to }: { from: number; to: number }) {
  return (
    <rect
      x={from}
      width={Math.max(3, to - from)}
      y={margin.top}
      height={height - margin.top - margin.bottom}
      fill="url(#hatch)"
      opacity={0.6}
    />
  );
}

/** Where the path goes through what hurts: hatched, and named on its upper edge. */
function Painful({ from, to, label }: { from: number; to: number; label: string }) {
  const [low, wide] = [Math.min(from, to), Math.max(3, Math.abs(to - from))];
  return (
    <g fill="var(--brick)">
      <rect
        x={low}
        width={wide}
        y={margin.top}
        height={height - margin.top - margin.bottom}
        fill="url(#painful)"
        opacity={0.7}
      >
        <title>{label}</title>
      </rect>
      <rect x={low} width={wide} y={margin.top - 3} height={3} />
    </g>
  );
}

const partColours = ["var(--plum)", "var(--pine)", "var(--ochre)", "var(--quiet)"];

type At = (curve: (number | null)[]) => {
  data: number[];
  x: (i: number) => number;
  y: (i: number) => number;
  defined: (i: number) => boolean;
};

/** The parts of several loads, one on the other on top of the body's own weight: together they are the torque. */
function Parts({ report, at }: { report: Report; at: At }) {
  let below = report.curves.weights;
  return report.parts.map((part, k) => {
    const from = below;
    const to = from.map((v, i) => (v == null || part.torque[i] == null ? null : v + (part.torque[i] ?? 0)));
    below = to;
    const [low, high] = [at(from), at(to)];
    return (
      <Area
        key={part.id}
        data={high.data}
        x={high.x}
        y0={low.y}
        y1={high.y}
        defined={high.defined}
        fill={partColours[k % partColours.length]}
        fillOpacity={0.32}
      />
    );
  });
}

/** The names of several loads' parts, whose areas lie one on the other. */
function Legend({ parts }: { parts: string[] }) {
  return (
    <div className="legend">
      {parts.map((id, i) => (
        <span key={id}>
          <svg width="16" height="8" aria-hidden style={{ width: 16 }}>
            <rect width="16" height="8" fill={partColours[i % partColours.length]} opacity={0.55} />
          </svg>
          {id}
        </span>
      ))}
    </div>
  );
}

type Label = { x: number; y: number; half: number };

type Line = { name: string; colour: string; weight?: number; y: (number | null)[] };

/** Each curve's name beside it, where most room is: above it, or below where another curve is nearer from above. */
function Names({ lines, x, taken }: { lines: Line[]; x: (i: number) => number; taken: Label[] }) {
  const n = lines[0]?.y.length ?? 0;
  const placed = [...taken];
  const ends = [x(0), x(n - 1)];
  const [left, right] = [Math.min(...ends), Math.max(...ends)];
  return lines.map((line) => {
    const half = 3.2 * line.name.length;
    let best: { i: number; room: number; up: boolean } | null = null;
    for (let i = Math.round(0.12 * n); i < 0.9 * n; i += 2) {
      const own = line.y[i];
      if (own == null || x(i) - half < left || x(i) + half > right) continue;
      for (const up of [true, false]) {
        const to = up ? own - 16 : own + 16;
        if (to < margin.top + 4 || to > height - margin.bottom - 4) continue;
        const others = lines.filter((l) => l !== line).map((l) => Math.abs((l.y[i] ?? 1e3) - (up ? own - 8 : own + 8)));
        const names = placed.map((q) =>
          Math.max(Math.abs(q.y - (up ? own - 6 : own + 12)) - 7, Math.abs(q.x - x(i)) - half - q.half),
        );
        const room = Math.min(60, ...others, ...names) - 0.02 * Math.abs(i - 0.6 * n);
        if (!best || room > best.room) best = { i, room, up };
      }
    }
    if (!best || best.room < 7) return null;
    const at = { x: x(best.i), y: (line.y[best.i] ?? 0) + (best.up ? -6 : 13), half };
    placed.push(at);
    return (
      <text
        key={line.name}
        x={at.x}
        y={at.y}
        textAnchor="middle"
        fontSize={11}
        fontWeight={line.weight}
        fill={line.colour}
        stroke="var(--sheet)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {line.name}
      </text>
    );
  });
}

type Mark = { at: [number, number]; name: string; label: Label };

/** The mark of where it is hardest, with its name beside it, on the side that has room. */
function markOf([x, y]: [number, number], name: string, left: boolean): Mark {
  const half = 3.2 * name.length;
  return {
    at: [x, y],
    name,
    label: { x: x + (left ? 8 + half : -8 - half), y: Math.max(margin.top + 6, y - 9), half },
  };
}

/** Where it is hardest: a diamond on the curve, and its angle beside it. */
function Hardest({ at: [cx, cy], name, label }: Mark) {
  return (
    <g fill="var(--brick)">
      <path d={`M${cx} ${cy - 6}l5 6l-5 6l-5-6z`} stroke="var(--sheet)" />
      <text
        x={label.x}
        y={label.y}
        textAnchor="middle"
        fontSize={11}
        fontWeight={600}
        stroke="var(--sheet)"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {name}
      </text>
    </g>
  );
}
