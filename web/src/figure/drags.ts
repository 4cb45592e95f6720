import { flushSync } from "react-dom";
import type { Report } from "../engine/types";
import { sweptArm } from "./sweep";
import { dot, type Vec, type Vec2, vec } from "./vector";
import { project, unproject, type View } from "./view";

/**
 * Follows a pointer from its press to its release. At most one move is told per frame; the last one always is.
 */
export function followPointer(
  event: React.PointerEvent<Element>,
  onMove: (clientX: number, clientY: number) => void,
  onEnd: () => void,
): void {
  event.preventDefault();
  event.stopPropagation();
  const target = event.currentTarget;
  target.setPointerCapture(event.pointerId);
  let waiting: [number, number] | null = null;
  let frame = 0;
  const flush = () => {
    frame = 0;
    const now = waiting;
    waiting = null;
    if (now) flushSync(() => onMove(...now)); // drawn in this very frame
  };
  const move = (e: Event) => {
    const p = e as PointerEvent;
    waiting = [p.clientX, p.clientY];
    if (!frame) frame = requestAnimationFrame(flush);
  };
  const end = () => {
    target.removeEventListener("pointermove", move);
    target.removeEventListener("pointerup", end);
    target.removeEventListener("pointercancel", end);
    if (frame) cancelAnimationFrame(frame);
    flush();
    onEnd();
  };
  target.addEventListener("pointermove", move);
  target.addEventListener("pointerup", end);
  target.addEventListener("pointercancel", end);
}

/** The height that a pointer means for something that stands at x and z; null when the view does not show heights. */
export function heightAt(view: View, screen: Vec2, x: number, z: number): number | null {
  if (Math.abs(view.up.y) < 0.2) return null;
  const [, up] = unproject(view, screen);
  return (up - x * view.up.x - z * view.up.z) / view.up.y;
}

/** How far along a room direction the pointer has moved; null when the view looks along that direction. */
export function movedAlong(view: View, from: Vec2, to: Vec2, direction: Vec): number | null {
  const [rx, uy] = [dot(direction, view.right), dot(direction, view.up)];
  const length2 = rx * rx + uy * uy;
  if (length2 < 0.04) return null;
  const [dx, dy] = [(to[0] - from[0]) / view.scale, (from[1] - to[1]) / view.scale];
  return (dx * rx + dy * uy) / length2;
}

/**
 * The elevation, in degrees, that a pointer near the ring means. The ring lies in the plane spanned by the arm hanging
 * and the arm level; both come from two places of the path. Null when the view sees that plane on edge.
 */
export function elevationAt(view: View, report: Report, screen: Vec2): number | null {
  const basis = planeBasis(report);
  if (!basis) return null;
  const [joint, down, level] = basis;
  const origin = project(view, joint);
  const [d, l] = [down, level].map((v) => [dot(v, view.right), dot(v, view.up)] as const);
  if (!d || !l) return null;
  const det = d[0] * l[1] - l[0] * d[1];
  if (Math.abs(det) < 0.12) return null;
  const [px, py] = [screen[0] - origin[0], origin[1] - screen[1]];
  const c = (px * l[1] - l[0] * py) / det;
  const s = (d[0] * py - px * d[1]) / det;
  return (Math.atan2(s, c) * 180) / Math.PI;
}

/** The place along the path whose point on the ring is nearest to the pointer. */
export function placeNear(view: View, report: Report, radius: number, screen: Vec2): number {
  const arm = sweptArm(report);
  let [best, least] = [0, Number.POSITIVE_INFINITY];
  arm.joint.forEach((joint, i) => {
    const d = arm.direction[i];
    if (!d) return;
    const [x, y] = project(view, vec(joint.x + d.x * radius, joint.y + d.y * radius, joint.z + d.z * radius));
    const away = Math.hypot(x - screen[0], y - screen[1]);
    if (away < least) [best, least] = [i, away];
  });
  return best / Math.max(1, arm.joint.length - 1);
}

function planeBasis(report: Report): [Vec, Vec, Vec] | null {
  const arm = sweptArm(report);
  const n = arm.direction.length;
  const [a, b] = [arm.direction[0], arm.direction[n - 1]];
  const [ea, eb] = [report.curves.angleDeg[0], report.curves.angleDeg[n - 1]];
  const joint = arm.joint[0];
  if (!a || !b || ea == null || eb == null || !joint) return null;
  const [ca, sa, cb, sb] = [ea, eb].flatMap((e) => [Math.cos((e * Math.PI) / 180), Math.sin((e * Math.PI) / 180)]) as [
    number,
    number,
    number,
    number,
  ];
  const det = ca * sb - cb * sa;
  if (Math.abs(det) < 1e-6) return null;
  const mix = (ka: number, kb: number) => vec(ka * a.x + kb * b.x, ka * a.y + kb * b.y, ka * a.z + kb * b.z);
  return [joint, mix(sb / det, -sa / det), mix(-cb / det, ca / det)];
}

/** The plane of elevation, in degrees, that a pointer round the shoulder means in the view from above. */
export function planeAt(view: View, joint: Vec, screen: Vec2, lead: string): number {
  const [right, up] = unproject(view, screen);
  const forward = up - dot(joint, view.up);
  const sideways = (right - dot(joint, view.right)) * (lead === "left" ? -1 : 1);
  return (Math.atan2(forward, sideways) * 180) / Math.PI;
}

/** The same point of the pointer in the picture's own pixels. */
export function inPicture(svg: SVGSVGElement, clientX: number, clientY: number): Vec2 {
  const box = svg.getBoundingClientRect();
  return [clientX - box.left, clientY - box.top];
}
