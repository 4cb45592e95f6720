import type { Point } from "../engine/types";

export type Vec = Point;
export type Vec2 = [number, number];

export const add = (a: Vec, b: Vec): Vec => ({ x: a.x + b.x, y: a.y + b.y, z: a.z + b.z });
export const sub = (a: Vec, b: Vec): Vec => ({ x: a.x - b.x, y: a.y - b.y, z: a.z - b.z });
export const mul = (a: Vec, k: number): Vec => ({ x: a.x * k, y: a.y * k, z: a.z * k });
export const dot = (a: Vec, b: Vec): number => a.x * b.x + a.y * b.y + a.z * b.z;
export const norm = (a: Vec): number => Math.hypot(a.x, a.y, a.z);
export const unit = (a: Vec): Vec => mul(a, 1 / (norm(a) || 1));
export const cross = (a: Vec, b: Vec): Vec => ({
  x: a.y * b.z - a.z * b.y,
  y: a.z * b.x - a.x * b.z,
  z: a.x * b.y - a.y * b.x,
});
export const vec = (x: number, y: number, z: number): Vec => ({ x, y, z });

/** The convex hull of points on the screen, counter-clockwise (Andrew's monotone chain). */
export function hull(points: Vec2[]): Vec2[] {
  const sorted = points.slice().sort((a, b) => a[0] - b[0] || a[1] - b[1]);
  const turn = (o: Vec2, a: Vec2, b: Vec2) => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);
  const half = (list: Vec2[]): Vec2[] => {
    const out: Vec2[] = [];
    for (const p of list) {
      while (out.length > 1 && turn(out[out.length - 2] as Vec2, out[out.length - 1] as Vec2, p) <= 0) out.pop();
      out.push(p);
    }
    out.pop();
    return out;
  };
  return [...half(sorted), ...half(sorted.reverse())];
}

/** Tenths of a pixel; toFixed would take most of the time of drawing a figure. */
const tenth = (v: number): number => Math.round(v * 10) / 10;

export function path(points: Vec2[], close = true): string {
  let d = "";
  for (let i = 0; i < points.length; i++) {
    const p = points[i] as Vec2;
    d += `${i ? "L" : "M"}${tenth(p[0])} ${tenth(p[1])}`;
  }
  return close && d ? `${d}Z` : d;
}
