import type { Setting } from "../engine/types";
import type { Units } from "./units";

/** The place, from 0, of the stop that is nearest to a value. */
export function nearestStop(stops: number[], value: number): number {
  let best = 0;
  stops.forEach((s, i) => {
    if (Math.abs(s - value) < Math.abs((stops[best] as number) - value) - 1e-9) best = i;
  });
  return best;
}

/** The next value of a dial in a direction: the kit's next stop, or the next one on the coach's own grid; null at the end. */
export function nextValue(setting: Setting, units: Units, direction: number): number | null {
  const { stops, value } = setting;
  if (stops && stops.length > 0) {
    const way = direction > 0 ? stops : [...stops].reverse();
    return way.find((s) => (s - value) * direction > 1e-6) ?? null;
  }
  const step = units.step(setting);
  const at = value / step;
  const near = Math.round(at);
  const next = Math.abs(at - near) < 1e-6 ? near + direction : direction > 0 ? Math.ceil(at) : Math.floor(at);
  return Math.round(next * step * 1e6) / 1e6;
}

/** Where a value lies on the dial's track, 0 to 1: stops stand evenly. */
export function placeOn(setting: Setting, value: number): number {
  const { stops, from, to } = setting;
  if (stops && stops.length > 1) return nearestStop(stops, value) / (stops.length - 1);
  return (value - from) / (to - from);
}
