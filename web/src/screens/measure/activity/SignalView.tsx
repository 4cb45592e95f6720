import { scaleLinear } from "@visx/scale";
import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Worked, WorkedChannel } from "../../../engine/types";
import { thinnedEven } from "../../../measuring/thinned";
import { useSize } from "../../../ui/useSize";
import type { Activity, Recorded } from "./useActivity";

const Box = styled.div`
  .strip {
    position: relative;
    height: 130px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--sheet);
    touch-action: pan-y;
    cursor: grab;
  }
  .strip:focus-visible { outline: 2px solid var(--slate); }
  canvas, svg { position: absolute; inset: 0; width: 100%; height: 100%; pointer-events: none; }
  text { font-size: 12px; fill: var(--quiet); }
  header { display: flex; justify-content: space-between; gap: 10px; flex-wrap: wrap; padding-bottom: 4px; }
  .reps { display: flex; gap: 4px; align-items: center; flex-wrap: wrap; padding-top: 6px; }
  .reps button {
    min-width: max(28px, var(--target));
    min-height: max(26px, var(--target));
    border: 1px solid var(--line);
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    text-decoration: line-through;
    cursor: pointer;
  }
  .reps button[aria-pressed="true"] {
    background: var(--sheet);
    border-color: var(--plum);
    color: var(--ink);
    font-weight: 600;
    text-decoration: none;
  }
`;

const height = 130;

type Props = { activity: Activity; recorded: Recorded; channel: WorkedChannel; worked: Worked };
type Signal = { band: Float32Array; envelope: Float32Array };

/**
 * The signal in the band and its envelope, with the repetitions; it is zoomed by Ctrl and the wheel or + and -, moved
 * by dragging or the arrow keys.
 */
export function SignalView({ activity, recorded, channel, worked }: Props) {
  const rate = recorded.opened.channels[channel.place]?.rate ?? 1;
  const seconds = recorded.opened.seconds;
  const signal = useSignal(activity, recorded.slot, channel.place);
  const [view, setView] = useState({ from: 0, to: seconds });
  const [measure, { width }] = useSize<HTMLDivElement>();
  const strip = useRef<HTMLDivElement | null>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const zoom = (by: number, share = 0.5) =>
    setView(({ from, to }) => {
      const span = Math.max(0.2, Math.min(seconds, (to - from) * by));
      return within(from + share * (to - from - span), span, seconds);
    });
  const move = (share: number) => setView(({ from, to }) => within(from + share * (to - from), to - from, seconds));
  useEffect(() => {
    const at = canvas.current?.getContext("2d");
    if (!at || !signal || width === 0) return;
    const drawn = requestAnimationFrame(() => draw(at, signal, rate, view, width));
    return () => cancelAnimationFrame(drawn);
  }, [signal, rate, view, width]);
  useWheel(strip, zoom);
  const x = scaleLinear({ domain: [view.from, view.to], range: [0, width] });
  return (
    <Box>
      <header>
        <h2>Signal</h2>
        <small>
          {view.from.toFixed(1)} to {view.to.toFixed(1)} s; + and − zoom, the arrow keys move
        </small>
      </header>
      <div
        ref={(e) => {
          strip.current = e;
          measure(e);
        }}
        className="strip"
        role="application"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: it is moved by keys
        tabIndex={0}
        aria-label={`Signal of ${channel.label}, ${worked.reps.length} repetitions`}
        onKeyDown={(e) => {
          if (e.key === "+") zoom(0.6);
          else if (e.key === "-") zoom(1 / 0.6);
          else if (e.key === "ArrowLeft") move(-0.2);
          else if (e.key === "ArrowRight") move(0.2);
          else if (e.key === "Home") setView({ from: 0, to: seconds });
          else return;
          e.preventDefault();
        }}
        onPointerDown={(e) => drag(e, width, move)}
      >
        <svg aria-hidden>
          {worked.reps.map((r, i) => (
            <g key={r.from}>
              <rect
                x={x(r.from)}
                width={Math.max(1, x(r.to) - x(r.from))}
                y={0}
                height={height}
                fill="var(--plum)"
                opacity={channel.state === "out" || r.leftOut ? 0.03 : 0.09}
              />
              <text x={(x(r.from) + x(r.to)) / 2} y={14} textAnchor="middle">
                {i + 1}
              </text>
            </g>
          ))}
        </svg>
        <canvas ref={canvas} aria-hidden />
      </div>
      {worked.reps.length > 0 && (
        <div className="reps">
          <small>Repetitions that count:</small>
          {worked.reps.map((r, i) => (
            <button
              key={r.from}
              type="button"
              aria-label={`Repetition ${i + 1}`}
              aria-pressed={!r.leftOut}
              onClick={() =>
                activity.setSettings({ reps: worked.reps.map((x, k) => (k === i ? { ...x, leftOut: !x.leftOut } : x)) })
              }
            >
              {i + 1}
            </button>
          ))}
        </div>
      )}
    </Box>
  );
}

const within = (from: number, span: number, seconds: number) => {
  const begin = Math.max(0, Math.min(seconds - span, from));
  return { from: begin, to: begin + span };
};

/** The channel's samples, from the worker. */
function useSignal(activity: Activity, slot: string, place: number): Signal | null {
  const [signal, setSignal] = useState<Signal | null>(null);
  const { core, settings } = activity;
  useEffect(() => {
    let current = true;
    const of = (what: string) => core.call("activitySamples", slot, place, what, settings);
    void Promise.all([of("band"), of("envelope")]).then(([band, envelope]) => {
      if (current && band.ok && envelope.ok) setSignal({ band: floats(band.ok), envelope: floats(envelope.ok) });
    });
    return () => {
      current = false;
    };
  }, [core, slot, place, settings]);
  return signal;
}

const floats = (bytes: Uint8Array) => new Float32Array(bytes.buffer, bytes.byteOffset, bytes.byteLength / 4);

function draw(
  at: CanvasRenderingContext2D,
  s: Signal,
  rate: number,
  view: { from: number; to: number },
  width: number,
) {
  const dense = window.devicePixelRatio || 1;
  at.canvas.width = Math.round(width * dense);
  at.canvas.height = Math.round(height * dense);
  at.scale(dense, dense);
  const style = getComputedStyle(at.canvas);
  const columns = Math.max(1, Math.round(width));
  const band = thinnedEven(s.band, rate, view.from, view.to, columns);
  const envelope = thinnedEven(s.envelope, rate, view.from, view.to, columns);
  const most = Math.max(1, ...band.high.filter(Number.isFinite), ...band.low.filter(Number.isFinite).map((v) => -v));
  const middle = height / 2;
  const y = (v: number) => middle - (v / most) * (middle - 6);
  const line = (of: typeof band, colour: string, thick: number, only?: "high") => {
    at.strokeStyle = style.getPropertyValue(colour);
    at.lineWidth = thick;
    at.beginPath();
    for (let k = 0; k < columns; k++) {
      const [low, high] = [of.low[k] as number, of.high[k] as number];
      if (Number.isNaN(high)) continue;
      at.lineTo(k, y(high));
      if (!only) at.lineTo(k, y(low));
    }
    at.stroke();
  };
  line(band, "--quiet", 0.7);
  line(envelope, "--plum", 2, "high");
}

/** Drags the view along with the pointer. */
function drag(e: React.PointerEvent<HTMLDivElement>, width: number, move: (share: number) => void): void {
  const box = e.currentTarget;
  let last = e.clientX;
  box.setPointerCapture(e.pointerId);
  const on = (m: PointerEvent) => {
    move((last - m.clientX) / Math.max(1, width));
    last = m.clientX;
  };
  const up = () => {
    box.removeEventListener("pointermove", on);
    box.removeEventListener("pointerup", up);
    box.removeEventListener("pointercancel", up);
  };
  box.addEventListener("pointermove", on);
  box.addEventListener("pointerup", up);
  box.addEventListener("pointercancel", up);
}

/** Zooms by the wheel with Ctrl, about the pointer; the wheel alone scrolls the page. */
function useWheel(strip: React.RefObject<HTMLDivElement | null>, zoom: (by: number, share: number) => void): void {
  const latest = useRef(zoom);
  latest.current = zoom;
  useEffect(() => {
    const box = strip.current;
    if (!box) return;
    const on = (e: WheelEvent) => {
      if (!e.ctrlKey) return;
      e.preventDefault();
      const { left, width } = box.getBoundingClientRect();
      latest.current(e.deltaY > 0 ? 1.25 : 0.8, (e.clientX - left) / Math.max(1, width));
    };
    box.addEventListener("wheel", on, { passive: false });
    return () => box.removeEventListener("wheel", on);
  }, [strip]);
}
