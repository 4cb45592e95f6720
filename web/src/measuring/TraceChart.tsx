import { scaleLinear } from "@visx/scale";
import { useEffect, useRef } from "react";
import styled from "styled-components";
import { useSize } from "../ui/useSize";
import { thinned } from "./thinned";

const Box = styled.div`
  position: relative;
  canvas, svg { position: absolute; inset: 0; width: 100%; height: 100%; }
  text { font-size: 12px; fill: var(--quiet); }
  text.strong { fill: var(--ink); font-weight: 600; }
`;

/** A stretch of time that is pointed out. */
export type Mark = { from: number; to: number; label?: string; value?: string; level?: number };

type Props = {
  label: string;
  t: Float64Array;
  v: Float64Array;
  /** What is shown: from and to, s. */
  from: number;
  to: number;
  low: number;
  high: number;
  unit: string;
  colour: string;
  marks: Mark[];
  height: number;
  /** Told when what the arrays hold has grown. */
  version: number;
};

const [left, right, top, bottom] = [44, 12, 20, 22];

/** What a device sends, drawn anew as it comes; stretches are pointed out on it. */
export function TraceChart(props: Props) {
  const { label, t, v, from, to, low, high, unit, colour, marks, height, version } = props;
  const [frame, { width }] = useSize<HTMLDivElement>();
  const canvas = useRef<HTMLCanvasElement>(null);
  const x = scaleLinear({ domain: [from, to], range: [left, Math.max(left + 20, width - right)] });
  const y = scaleLinear({ domain: [low, high], range: [height - bottom, top], nice: true });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the arrays grow in place, and version says so
  useEffect(() => {
    const at = canvas.current?.getContext("2d");
    if (!at || width === 0) return;
    drawTrace(at, { t, v, from, to, x, y, width, height, colour });
  }, [version, t, v, from, to, low, high, width, height, colour]);
  return (
    <Box ref={frame} style={{ height }} role="img" aria-label={label}>
      <svg aria-hidden>
        {width > 0 && (
          <>
            {y.ticks(4).map((k) => (
              <g key={k}>
                <line x1={left} x2={width - right} y1={y(k)} y2={y(k)} stroke="var(--line)" />
                <text x={left - 6} y={y(k) + 4} textAnchor="end">
                  {k}
                </text>
              </g>
            ))}
            {x.ticks(6).map((k) => (
              <text key={k} x={x(k)} y={height - 6} textAnchor="middle">
                {k}
              </text>
            ))}
            <text x={left} y={12}>
              {unit}
            </text>
            <text x={width - right} y={12} textAnchor="end">
              seconds
            </text>
            {marks.map((m) => (
              <Marked key={m.from} mark={m} x={x} y={y} height={height} />
            ))}
          </>
        )}
      </svg>
      <canvas ref={canvas} aria-hidden />
    </Box>
  );
}

type Scale = (at: number) => number;

function Marked({ mark, x, y, height }: { mark: Mark; x: Scale; y: Scale; height: number }) {
  const middle = (x(mark.from) + x(mark.to)) / 2;
  return (
    <g>
      <rect
        x={x(mark.from)}
        width={Math.max(2, x(mark.to) - x(mark.from))}
        y={top}
        height={height - top - bottom}
        fill="var(--slate)"
        opacity={0.16}
      />
      {mark.level !== undefined && (
        <line
          x1={x(mark.from)}
          x2={x(mark.to)}
          y1={y(mark.level)}
          y2={y(mark.level)}
          stroke="var(--slate)"
          strokeWidth={3}
        />
      )}
      {mark.label && (
        <text x={middle} y={height * 0.55} textAnchor="middle">
          {mark.label}
        </text>
      )}
      {mark.value && (
        <text className="strong mono" x={middle} y={height * 0.55 + 16} textAnchor="middle">
          {mark.value}
        </text>
      )}
    </g>
  );
}

type Drawn = Pick<Props, "t" | "v" | "from" | "to" | "colour" | "height"> & { x: Scale; y: Scale; width: number };

/** Draws a trace, column by column of the screen where there are more samples than columns. */
export function drawTrace(at: CanvasRenderingContext2D, d: Drawn): void {
  const dense = window.devicePixelRatio || 1;
  at.canvas.width = Math.round(d.width * dense);
  at.canvas.height = Math.round(d.height * dense);
  at.scale(dense, dense);
  at.strokeStyle = getComputedStyle(at.canvas).getPropertyValue(d.colour) || "#8c2f12";
  at.lineWidth = 1.4;
  at.lineJoin = "round";
  const columns = Math.max(1, Math.round(d.x(d.to) - d.x(d.from)));
  const { low, high } = thinned(d.t, d.v, d.from, d.to, columns);
  at.beginPath();
  let drawing = false;
  for (let k = 0; k < columns; k++) {
    if (Number.isNaN(low[k])) continue;
    const px = d.x(d.from) + k;
    if (!drawing) at.moveTo(px, d.y(high[k] as number));
    at.lineTo(px, d.y(high[k] as number));
    at.lineTo(px, d.y(low[k] as number));
    drawing = true;
  }
  at.stroke();
}
