import { useEffect, useReducer, useRef } from "react";
import { flushSync } from "react-dom";

/** A part of the page that waits to be drawn: not before a time, and the rarer ones after the others. */
type Waiting = { every: number; from: number; draw: () => void };

const waiting = new Map<object, Waiting>();
let frame = 0;

const enough = 4; // ms of a frame after which the next one is waited for

/**
 * Draws what is due in a frame that began at a time: one part at least, more only while little time has gone in the frame, what others did
 * in it counted.
 */
function step(began: number): void {
  frame = 0;
  const now = performance.now();
  const due = [...waiting].filter(([, w]) => w.from <= now).sort(([, a], [, b]) => a.every - b.every);
  for (const [part, { draw }] of due) {
    waiting.delete(part);
    draw();
    if (performance.now() - began > enough) break;
  }
  if (waiting.size > 0) frame = requestAnimationFrame(step);
}

/**
 * A value as a part of the page shows it: the newest at rest; while a hand moves each part takes it over in a frame in which there is time,
 * so that no frame draws all of the page, and the heavy ones only every so many milliseconds. What a drag ends with comes in the same way.
 */
export function usePaced<T>(value: T, moving: boolean, every = 0): T {
  const shown = useRef(value);
  const moved = useRef(moving);
  const drawn = useRef(0);
  const [, again] = useReducer((n: number) => n + 1, 0);
  const part = useRef({});
  if (!moving && !moved.current) {
    shown.current = value;
    waiting.delete(part.current);
  }
  useEffect(() => {
    moved.current = moving;
    if (shown.current === value) return;
    const draw = () => {
      drawn.current = performance.now();
      shown.current = value;
      flushSync(again);
    };
    const before = waiting.get(part.current);
    if (before)
      before.draw = draw; // it keeps its place
    else waiting.set(part.current, { every, from: drawn.current + every, draw });
    if (frame === 0) frame = requestAnimationFrame(step);
  });
  useEffect(() => () => void waiting.delete(part.current), []);
  return shown.current;
}
