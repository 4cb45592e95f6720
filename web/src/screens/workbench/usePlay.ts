import { useCallback, useEffect, useState } from "react";
import type { SetupDocument } from "../../engine/types";

/**
 * Moves the needle through repetitions at the document's tempo, smoothly within each phase. So many play by themselves at first; once
 * asked for they go on until they are stopped.
 */
export function usePlay(
  tempo: SetupDocument["tempo"],
  moveTo: (s: number) => void,
  byItself = 0,
): [boolean, () => void] {
  const [playing, setPlaying] = useState(byItself > 0);
  const [most, setMost] = useState(byItself);
  const { up, top, down, bottom } = tempo;
  useEffect(() => {
    if (!playing) return;
    const whole = up + top + down + bottom;
    if (!(whole > 0)) {
      setPlaying(false);
      return;
    }
    const start = performance.now();
    let frame = requestAnimationFrame(function step(now: number) {
      const t = ((now - start) / 1000) % whole;
      if (now - start > 1000 * whole * most) {
        moveTo(0);
        setPlaying(false);
        return;
      }
      if (t < up) moveTo(smooth(t / up));
      else if (t < up + top) moveTo(1);
      else if (t < up + top + down) moveTo(1 - smooth((t - up - top) / down));
      else moveTo(0);
      frame = requestAnimationFrame(step);
    });
    return () => cancelAnimationFrame(frame);
  }, [playing, most, up, top, down, bottom, moveTo]);
  const toggle = useCallback(() => {
    setMost(Number.POSITIVE_INFINITY);
    setPlaying((p) => !p);
  }, []);
  return [playing, toggle];
}

/** The minimum-jerk course of a phase (Flash & Hogan 1985). */
const smooth = (t: number): number => t * t * t * (10 + t * (6 * t - 15));
