import { cross, dot, sub, type Vec, type Vec2, vec } from "./vector";

export type ViewName = "side" | "front" | "top" | "free";

/** An orthographic view: unit vectors to the right, up and toward the viewer, and where the picture is centred. */
export type View = {
  name: ViewName;
  right: Vec;
  up: Vec;
  toward: Vec;
  centre: Vec;
  scale: number; // pixels per metre
  middle: Vec2; // where the centre is in the picture, pixels
  size: Vec2; // of the picture, pixels
};

export type Turn = { yaw: number; pitch: number }; // degrees; 0, 0 is the front view

/** The three directions of a view, in room axes; views turn with the lifter's heading. */
function directions(name: ViewName, headingDeg: number, turn: Turn): Pick<View, "right" | "up" | "toward"> {
  const h = (headingDeg * Math.PI) / 180;
  const forward = vec(Math.cos(h), 0, -Math.sin(h));
  const rightHand = vec(Math.sin(h), 0, Math.cos(h));
  const upward = vec(0, 1, 0);
  if (name === "side") return { right: forward, up: upward, toward: rightHand };
  if (name === "top") return { right: rightHand, up: forward, toward: upward };
  const yaw = name === "front" ? 0 : (turn.yaw * Math.PI) / 180;
  const pitch = name === "front" ? 0 : (turn.pitch * Math.PI) / 180;
  const level = vec(
    Math.cos(yaw) * forward.x + Math.sin(yaw) * rightHand.x,
    0,
    Math.cos(yaw) * forward.z + Math.sin(yaw) * rightHand.z,
  );
  const toward = vec(Math.cos(pitch) * level.x, Math.sin(pitch), Math.cos(pitch) * level.z);
  const right = cross(upward, level);
  return { right, up: cross(toward, right), toward };
}

/** What has to fit into the picture, in metres of the room. */
export type Extent = { low: Vec; high: Vec };

const headRoom = 36; // px
const footRoom = 44; // px, for the scale bars below the floor

/** A view that shows the whole extent in a picture of the given size. */
export function fit(
  name: ViewName,
  headingDeg: number,
  turn: Turn,
  extent: Extent,
  width: number,
  height: number,
): View {
  const d = directions(name, headingDeg, turn);
  let [left, rightmost, bottom, top] = [Infinity, -Infinity, Infinity, -Infinity];
  for (let i = 0; i < 8; i++) {
    const corner = vec(
      i & 1 ? extent.high.x : extent.low.x,
      i & 2 ? extent.high.y : extent.low.y,
      i & 4 ? extent.high.z : extent.low.z,
    );
    const [x, y] = [dot(corner, d.right), dot(corner, d.up)];
    left = Math.min(left, x);
    rightmost = Math.max(rightmost, x);
    bottom = Math.min(bottom, y);
    top = Math.max(top, y);
  }
  const scale = Math.min((width - 32) / (rightmost - left), (height - headRoom - footRoom) / (top - bottom));
  const [cx, cy] = [(left + rightmost) / 2, (bottom + top) / 2];
  const centre = vec(d.right.x * cx + d.up.x * cy, d.right.y * cx + d.up.y * cy, d.right.z * cx + d.up.z * cy);
  return {
    name,
    ...d,
    centre,
    scale: Math.max(20, scale),
    middle: [width / 2, (height + headRoom - footRoom) / 2],
    size: [width, height],
  };
}

/** The place of a point on the screen, pixels. */
export function project(view: View, p: Vec): Vec2 {
  const q = sub(p, view.centre);
  return [view.middle[0] + dot(q, view.right) * view.scale, view.middle[1] - dot(q, view.up) * view.scale];
}

/** How near the viewer a point is, metres. */
export const depth = (view: View, p: Vec): number => dot(p, view.toward);

const steps = 24;
const circle = Array.from({ length: steps }, (_, i): Vec2 => {
  const angle = (2 * Math.PI * i) / steps;
  return [Math.cos(angle), Math.sin(angle)];
});

/**
 * The outline of an ellipsoid, whose projection is an ellipse: centre and its three half axes as vectors. Its points are those that lie
 * furthest out in each of the directions of a circle.
 */
export function ellipse(view: View, centre: Vec, axes: [Vec, Vec, Vec]): Vec2[] {
  const k = view.scale;
  const [ax, bx, cx] = axes.map((a) => dot(a, view.right) * k) as [number, number, number];
  const [ay, by, cy] = axes.map((a) => -dot(a, view.up) * k) as [number, number, number];
  const [x0, y0] = project(view, centre);
  return circle.map(([c, s]): Vec2 => {
    const [a, b, d] = [ax * c + ay * s, bx * c + by * s, cx * c + cy * s];
    const n = Math.sqrt(a * a + b * b + d * d) || 1;
    return [x0 + (ax * a + bx * b + cx * d) / n, y0 + (ay * a + by * b + cy * d) / n];
  });
}

/** The common hull of two such outlines: whichever lies further out in each direction. */
export const around = (a: Vec2[], b: Vec2[]): Vec2[] =>
  circle.map(([c, s], i) => {
    const [p, q] = [a[i] as Vec2, b[i] as Vec2];
    return p[0] * c + p[1] * s > q[0] * c + q[1] * s ? p : q;
  });
