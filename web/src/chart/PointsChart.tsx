import { AxisBottom, AxisLeft } from "@visx/axis";
import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import { X } from "lucide-react";
import { useRef, useState } from "react";
import styled from "styled-components";
import { followPointer } from "../figure/drags";
import { Button } from "../ui/Button";
import { NumberEntry } from "../ui/NumberEntry";
import { useSize } from "../ui/useSize";

const Box = styled.div`
  display: grid;
  gap: 8px;
  svg { display: block; width: 100%; }
  .grip { cursor: grab; fill: var(--sheet); stroke: var(--pine); stroke-width: 2.5; }
  .grip:focus-visible { outline: none; stroke: var(--slate); stroke-width: 4; }
  .wrong .grip, .grip.wrong { stroke: var(--brick); }
  ul { list-style: none; padding: 0; margin: 0; display: flex; flex-wrap: wrap; gap: 4px 14px; }
  li { display: flex; align-items: center; gap: 5px; }
  li input { width: 64px; border-color: var(--line); background: var(--paper); }
  .told { color: var(--brick); font-size: 12px; }
  .quiet { color: var(--quiet); font-size: 12px; }
`;

/** One axis of the chart: how its values are called and shown, and how finely they move. */
export type Axis = {
  label: string;
  kind: string;
  unit: string;
  factor: number;
  digits: number;
  step: number;
  least?: number;
};

export type XY = { x: number; y: number };

type Props = {
  name: string;
  points: XY[];
  x: Axis;
  y: Axis;
  /** What is wrong with a point, by its place. */
  problems: Record<number, string>;
  /** What stands there when there is no point yet. */
  empty: string;
  /** A new point after the last. */
  fresh: () => XY;
  set: (points: XY[], drag: boolean) => void;
  done: (cancelled: boolean) => void;
};

const margin = { left: 40, right: 14, top: 10, bottom: 30 };
const height = 180;

/** Measured points on a chart: dragged, moved by arrow keys, or typed in the list below it. */
export function PointsChart(props: Props) {
  const { points, set, done } = props;
  const [frame, { width }] = useSize<HTMLDivElement>();
  const svg = useRef<SVGSVGElement>(null);
  const xs = points.map((p) => p.x * props.x.factor);
  const ys = points.map((p) => p.y * props.y.factor);
  const [first, last] = [Math.min(...xs), Math.max(...xs)];
  const room = Math.max(1e-6, (last - first) * 0.08);
  const x = scaleLinear({
    domain: [first - room, last + room],
    range: [margin.left, Math.max(60, width - margin.right)],
  });
  const y = scaleLinear({ domain: [0, Math.max(1e-6, ...ys) * 1.15], range: [height - margin.bottom, margin.top] });
  const scales = useRef({ x, y });
  const snap = (v: number, axis: Axis) =>
    Math.max(axis.least ?? Number.NEGATIVE_INFINITY, Number((Math.round(v / axis.step) * axis.step).toFixed(6)));
  const place = (i: number, to: XY, drag: boolean) =>
    set(
      points.map((p, k) => (k === i ? to : p)),
      drag,
    );
  const drag = (i: number) => (event: React.PointerEvent<SVGCircleElement>) => {
    event.currentTarget.focus();
    scales.current = { x, y }; // those of the press: the axes must not run away under the hand
    followPointer(
      event,
      (clientX, clientY) => {
        const box = svg.current?.getBoundingClientRect();
        if (!box) return;
        const to = { x: scales.current.x.invert(clientX - box.left), y: scales.current.y.invert(clientY - box.top) };
        place(i, { x: snap(to.x / props.x.factor, props.x), y: snap(to.y / props.y.factor, props.y) }, true);
      },
      done,
    );
  };
  const key = (i: number) => (e: React.KeyboardEvent) => {
    const p = points[i] as XY;
    const step: Record<string, XY> = {
      ArrowLeft: { x: p.x - props.x.step, y: p.y },
      ArrowRight: { x: p.x + props.x.step, y: p.y },
      ArrowUp: { x: p.x, y: p.y + props.y.step },
      ArrowDown: { x: p.x, y: p.y - props.y.step },
    };
    const to = step[e.key];
    if (e.key === "Delete")
      set(
        points.filter((_, k) => k !== i),
        false,
      );
    else if (to) place(i, { x: snap(to.x, props.x), y: snap(to.y, props.y) }, false);
    else return;
    e.preventDefault();
    e.stopPropagation();
  };
  const text = { fill: "var(--quiet)", fontSize: 10, fontFamily: "Spline Sans Mono Variable" };
  return (
    <Box ref={frame}>
      {points.length === 0 && <p className="quiet">{props.empty}</p>}
      {points.length > 0 && width > 0 && (
        // biome-ignore lint/a11y/useSemanticElements: a drawing whose points are controls
        <svg ref={svg} height={height} role="group" aria-label={props.name} style={{ touchAction: "none" }}>
          <LinePath
            data={points.map((_, i) => i)}
            x={(i) => x(xs[i] ?? 0)}
            y={(i) => y(ys[i] ?? 0)}
            stroke="var(--pine)"
            strokeWidth={2}
          />
          <AxisLeft
            scale={y}
            left={margin.left}
            numTicks={4}
            hideAxisLine
            hideTicks
            tickLabelProps={() => ({ ...text, textAnchor: "end", dx: 2, dy: 3 })}
          />
          <AxisBottom
            scale={x}
            top={height - margin.bottom}
            numTicks={5}
            stroke="var(--line)"
            tickStroke="var(--line)"
            tickLength={4}
            tickLabelProps={() => ({ ...text, textAnchor: "middle", dy: 2 })}
          />
          <text x={width - margin.right} y={height - 2} textAnchor="end" {...text}>
            {props.x.label}, {props.x.unit}
          </text>
          <text x={margin.left + 4} y={12} {...text}>
            {props.y.label}, {props.y.unit}
          </text>
          {points.map((p, i) => (
            <circle
              key={i}
              className={props.problems[i] ? "grip wrong" : "grip"}
              cx={x(p.x * props.x.factor)}
              cy={y(p.y * props.y.factor)}
              r={7}
              tabIndex={0}
              role="slider"
              aria-label={`Point ${i + 1}`}
              aria-valuenow={p.y * props.y.factor}
              aria-valuetext={`${shown(p.y, props.y)} at ${shown(p.x, props.x)}`}
              onPointerDown={drag(i)}
              onKeyDown={key(i)}
            />
          ))}
        </svg>
      )}
      <List {...props} place={place} />
      <div>
        <Button look="link" onPress={() => set([...points, props.fresh()], false)}>
          Add a point
        </Button>
      </div>
    </Box>
  );
}

const shown = (v: number, axis: Axis) => `${Number((v * axis.factor).toFixed(axis.digits))} ${axis.unit}`;

function List(props: Props & { place: (i: number, to: XY, drag: boolean) => void }) {
  const { points, set } = props;
  const [nonsense, setNonsense] = useState<string | null>(null);
  const entry = (i: number, which: "x" | "y", axis: Axis) => {
    const p = points[i] as XY;
    return (
      <NumberEntry
        label={`Point ${i + 1}: ${axis.label}, ${axis.unit}`}
        kind={axis.kind}
        value={p[which]}
        factor={axis.factor}
        digits={axis.digits}
        invalid={props.problems[i] !== undefined}
        onEnter={(v) => props.place(i, { ...p, [which]: v }, false)}
        onStep={(d) => props.place(i, { ...p, [which]: p[which] + d * axis.step }, false)}
        onWrong={setNonsense}
      />
    );
  };
  return (
    <>
      <ul>
        {points.map((_, i) => (
          <li key={i}>
            {entry(i, "x", props.x)}
            <span className="quiet">{props.x.unit}</span>
            {entry(i, "y", props.y)}
            <span className="quiet">{props.y.unit}</span>
            <Button
              look="quiet"
              aria-label={`Remove point ${i + 1}`}
              onPress={() =>
                set(
                  points.filter((_, k) => k !== i),
                  false,
                )
              }
            >
              <X size={13} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
      {nonsense !== null && (
        <p className="told" role="alert">
          {nonsense} Escape takes it back.
        </p>
      )}
      {Object.entries(props.problems).map(([i, told]) => (
        <p key={i} className="told" role="alert">
          Point {Number(i) + 1}: {told}
        </p>
      ))}
    </>
  );
}
