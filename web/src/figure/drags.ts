import { flushSync } from "react-dom";
import type { Report } from "../engine/types";
import { sweptArm } from "./sweep";
import { dot, type Vec, type Vec2, vec } from "./vector";
import { project, type View } from "./view";

/**
 * Follows a pointer from its press to its release. At most one move is told per frame; the last one always is. Escape
 * ends it as cancelled, and so does the system when it takes the pointer away.
 */
export function followPointer(
  event: React.PointerEvent<Element>,
  onMove: (clientX: number, clientY: number) => void,
  onEnd: (cancelled: boolean) => void,
): void {
  event.preventDefault();
  event.stopPropagation();
  event.currentTarget.setPointerCapture(event.pointerId);
  let waiting: [number, number] | null = null;
  let frame = 0;
  const flush = () => {
    frame = 0;
    const now = waiting;
    waiting = null;
    if (now) flushSync(() => onMove(...now)); // drawn in this very frame
  };
  // On the window, because what was taken hold of may be drawn anew while it moves.
  const move = (e: Event) => {
    const p = e as PointerEvent;
    if (p.pointerId !== event.pointerId) return;
    waiting = [p.clientX, p.clientY];
    if (!frame) frame = requestAnimationFrame(flush);
  };
  const end = (cancelled: boolean) => {
    const listeners = { pointermove: move, pointerup: done, pointercancel: cancel };
    for (const [name, listener] of Object.entries(listeners)) window.removeEventListener(name, listener);
    window.removeEventListener("keydown", key, true);
    if (frame) cancelAnimationFrame(frame);
    if (!cancelled) flush();
    onEnd(cancelled);
  };
  const done = () => end(false);
  const cancel = () => end(true);
  const key = (e: KeyboardEvent) => {
    if (e.key !== "Escape") return;
    e.preventDefault();
    e.stopPropagation();
    cancel();
  };
  window.addEventListener("pointermove", move);
  window.addEventListener("pointerup", done);
  window.addEventListener("pointercancel", cancel);
  window.addEventListener("keydown", key, true);
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

/** The point of a pointer in pixels of a picture whose place on the page is given. */
export const inPicture = (box: DOMRect, clientX: number, clientY: number): Vec2 => [
  clientX - box.left,
  clientY - box.top,
];
