import { scaleLinear } from "@visx/scale";
import type { Report } from "../engine/types";

/** The place s at which a rising curve has a value. */
export function placeOf(curve: (number | null)[], value: number): number {
  const last = curve.length - 1;
  for (let i = 1; i <= last; i++) {
    const [a, b] = [curve[i - 1] ?? 0, curve[i] ?? 0];
    if (value <= b) return Math.max(0, (i - 1 + (b > a ? (value - a) / (b - a) : 0)) / last);
  }
  return 1;
}

export type Tick = { at: number; label: string };

/**
 * Marks along the swept angle: at round values of the named coordinate while it only rises or only falls, else at round
 * swept angles.
 */
export function ticksAlong(swept: (number | null)[], angle: (number | null)[]): Tick[] {
  const total = swept.at(-1) ?? 0;
  const [first, last] = [angle[0] ?? 0, angle.at(-1) ?? 0];
  const way = Math.sign(last - first);
  const steady = way !== 0 && angle.every((a, i) => i === 0 || ((a ?? 0) - (angle[i - 1] ?? 0)) * way >= -1e-9);
  if (!steady)
    return scaleLinear({ domain: [0, total] })
      .ticks(6)
      .map((v) => ({ at: v, label: `+${v}°` }));
  const rising = angle.map((a) => (a ?? 0) * way);
  return scaleLinear({ domain: [first, last] })
    .ticks(6)
    .map((v) => {
      const s = placeOf(rising, v * way) * (angle.length - 1);
      const [a, b] = [swept[Math.floor(s)] ?? 0, swept[Math.ceil(s)] ?? 0];
      return { at: a + (b - a) * (s - Math.floor(s)), label: `${v}°` };
    });
}

/** The runs of samples at which a curve has no value, as places from and to. */
export function gapsOf(curve: (number | null)[]): [number, number][] {
  const out: [number, number][] = [];
  for (let i = 0; i < curve.length; i++) {
    if (curve[i] != null) continue;
    const from = i;
    while (i + 1 < curve.length && curve[i + 1] == null) i++;
    out.push([from, i]);
  }
  return out;
}

export type Painful = { key: string; label: string; fromS: number; toS: number };

/** The stretches of the path on which it goes where it hurts the lifter. */
export function painfulOf(report: Report): Painful[] {
  return report.hurts.flatMap((h) =>
    h.places.map((p) => ({
      key: h.key,
      label: h.note ? `Hurts: ${h.note}` : `Hurts: ${h.label}`,
      fromS: p.fromS,
      toS: p.toS,
    })),
  );
}

/** The value of a curve at a place along the path, between its samples; null in a gap. */
export function valueAt(curve: (number | null)[], s: number): number | null {
  const at = s * (curve.length - 1);
  const [a, b] = [curve[Math.floor(at)], curve[Math.ceil(at)]];
  if (a == null || b == null) return null;
  return a + (b - a) * (at - Math.floor(at));
}
