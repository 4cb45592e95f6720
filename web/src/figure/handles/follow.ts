import type { Setting } from "../../engine/types";
import { nearestStop } from "../../state/steps";
import { cross, dot, mul, norm, sub, unit, type Vec, type Vec2 } from "../vector";
import { project, type View } from "../view";
import type { Grip, Slide, Swing } from "./grips";

/** Values of settings that a place of the pointer means. */
export type Turned = { setting: Setting; value: number }[];

/** What a grip's settings become as the pointer moves; null where this view cannot show the movement. */
export type Follow = (to: Vec2) => Turned;

/** How to follow a pointer that took hold of a grip at a place of the picture. */
export function follow(view: View, grip: Grip, from: Vec2): Follow | null {
  if (grip.swing) return followSwing(view, grip.swing, grip.at, from);
  const seen = (grip.slides ?? []).filter((s) => shown(view, s) > 0.45).slice(0, 2);
  return seen.length > 0 ? followSlides(view, seen, from) : null;
}

/** How long a metre along a slide appears in the view, metres. */
const shown = (view: View, s: Slide) => Math.hypot(dot(s.direction, view.right), dot(s.direction, view.up));

function followSlides(view: View, seen: Slide[], from: Vec2): Follow {
  const [a, b] = seen.map((s): Vec2 => [dot(s.direction, view.right), dot(s.direction, view.up)]);
  return (to) => {
    const [dx, dy] = [(to[0] - from[0]) / view.scale, (from[1] - to[1]) / view.scale];
    if (!a) return [];
    const det = b ? a[0] * b[1] - a[1] * b[0] : 0;
    const moved =
      b && Math.abs(det) > 0.3
        ? [(dx * b[1] - dy * b[0]) / det, (a[0] * dy - a[1] * dx) / det]
        : [(dx * a[0] + dy * a[1]) / (a[0] * a[0] + a[1] * a[1])];
    return moved.map((m, i) => {
      const { setting, per } = seen[i] as Slide;
      const meant = i === 0 ? m : beyond(m, still / view.scale);
      return { setting, value: meant === 0 ? setting.value : snapped(setting, setting.value + meant * per) };
    });
  };
}

const still = 12; // px that a hand strays from the first direction without meaning the second

const beyond = (moved: number, dead: number) => Math.sign(moved) * Math.max(0, Math.abs(moved) - dead);

function followSwing(view: View, swing: Swing, at: Vec, from: Vec2): Follow | null {
  const basis = plane(view, swing, at);
  if (!basis) return null;
  const { setting, sign } = swing;
  const start = basis(from);
  return (to) => {
    const turned = ((basis(to) - start + 540) % 360) - 180;
    return [{ setting, value: snapped(setting, setting.value + sign * turned) }];
  };
}

/** The angle about the axis, degrees, that a place of the picture has; null when the view sees the turn on edge. */
function plane(view: View, { centre, axis }: Swing, at: Vec): ((place: Vec2) => number) | null {
  const arm = sub(at, centre);
  const flat = sub(arm, mul(axis, dot(arm, axis)));
  if (norm(flat) < 0.02) return null;
  const one = unit(flat);
  const two = cross(axis, one);
  const [o, t] = [one, two].map((v): Vec2 => [dot(v, view.right), dot(v, view.up)]) as [Vec2, Vec2];
  const det = o[0] * t[1] - t[0] * o[1];
  if (Math.abs(det) < 0.2) return null;
  const [cx, cy] = project(view, centre);
  return ([x, y]) => {
    const [px, py] = [x - cx, cy - y];
    return (Math.atan2((o[0] * py - px * o[1]) / det, (px * t[1] - t[0] * py) / det) * 180) / Math.PI;
  };
}

const grain: Record<string, number> = { hole: 1, length: 0.01, angle: 1, share: 0.01 };

/** A value on the grain of its kind and between the ends of its dial. */
function snapped(setting: Setting, value: number): number {
  if (setting.stops?.length) return setting.stops[nearestStop(setting.stops, value)] as number;
  const g = setting.key === "bench.angle" ? setting.step : (grain[setting.kind] ?? setting.step);
  return Math.max(setting.from, Math.min(setting.to, Number((Math.round(value / g) * g).toFixed(6))));
}

/** Where a grip is when one of its settings has another value. */
export function placeFor(grip: Grip, setting: Setting, value: number): Vec {
  const by = value - setting.value;
  const s = grip.slides?.find((x) => x.setting.key === setting.key);
  if (s) return { ...addScaled(grip.at, s.direction, by / s.per) };
  if (!grip.swing) return grip.at;
  const { centre, axis, sign } = grip.swing;
  return addScaled(centre, rotated(sub(grip.at, centre), axis, (sign * by * Math.PI) / 180), 1);
}

/** Where a grip is when several of its settings have other values. */
export function ledTo(grip: Grip, led: Turned): Vec {
  const { setting, value } = led[0] ?? {};
  if (grip.swing) return setting && value !== undefined ? placeFor(grip, grip.swing.setting, value) : grip.at;
  return (grip.slides ?? []).reduce((at, { setting: own, direction, per }) => {
    const to = led.find((t) => t.setting.key === own.key);
    return to ? addScaled(at, direction, (to.value - own.value) / per) : at;
  }, grip.at);
}

const addScaled = (a: Vec, b: Vec, k: number): Vec => ({ x: a.x + b.x * k, y: a.y + b.y * k, z: a.z + b.z * k });

/** A vector turned about a unit axis (Rodrigues). */
function rotated(v: Vec, axis: Vec, angle: number): Vec {
  const [c, s] = [Math.cos(angle), Math.sin(angle)];
  const along = dot(axis, v) * (1 - c);
  return addScaled(addScaled(mul(v, c), cross(axis, v), s), axis, along);
}
