import type { SceneLoad } from "../engine/types";
import type { Units } from "../state/units";
import { add, mul, norm, path, sub, unit, type Vec2 } from "./vector";
import { project, type View } from "./view";

/** Metres on the picture per newton: the largest round scale at which the force stays readable. */
export function forceScale(tension: number): number {
  for (const scale of [0.008, 0.004, 0.002, 0.001]) if (tension * scale <= 0.42) return scale;
  return 0.0005;
}

/** The line of force as an arrow to scale, and the moment arm dashed and square to it. */
export function Forces({ view, load, units, scale }: { view: View; load: SceneLoad; units: Units; scale: number }) {
  if (load.tension <= 0) return null;
  const tip = add(load.contact, mul(load.force, scale));
  const [c, t] = [project(view, load.contact), project(view, tip)];
  return (
    <g>
      <LineOfForce view={view} load={load} />
      <line x1={c[0]} y1={c[1]} x2={t[0]} y2={t[1]} stroke="var(--ember-deep)" strokeWidth={3.6} strokeLinecap="butt" />
      <Head from={c} to={t} />
      {!load.mirror && <MomentArm view={view} load={load} units={units} />}
    </g>
  );
}

function Head({ from, to }: { from: Vec2; to: Vec2 }) {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  if (length < 4) return <circle cx={to[0]} cy={to[1]} r={4} fill="var(--ember-deep)" />;
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const p = (along: number, across: number): Vec2 => [
    to[0] + ux * along - uy * across,
    to[1] + uy * along + ux * across,
  ];
  return <path d={path([p(8, 0), p(-4, 6), p(-4, -6)])} fill="var(--ember-deep)" />;
}

/** The line along which the force acts, drawn on to where the moment arm meets it. */
function LineOfForce({ view, load }: { view: View; load: SceneLoad }) {
  const u = unit(load.force);
  const reach = Math.max(
    0,
    (load.foot.x - load.contact.x) * u.x + (load.foot.y - load.contact.y) * u.y + (load.foot.z - load.contact.z) * u.z,
  );
  const back = Math.min(
    0,
    (load.foot.x - load.contact.x) * u.x + (load.foot.y - load.contact.y) * u.y + (load.foot.z - load.contact.z) * u.z,
  );
  const [a, b] = [
    project(view, add(load.contact, mul(u, back - 0.05))),
    project(view, add(load.contact, mul(u, reach + 0.12))),
  ];
  return (
    <line
      x1={a[0]}
      y1={a[1]}
      x2={b[0]}
      y2={b[1]}
      stroke="var(--ember-deep)"
      strokeWidth={1}
      strokeDasharray="9 3 2 3"
      opacity={0.8}
    />
  );
}

function MomentArm({ view, load, units }: { view: View; load: SceneLoad; units: Units }) {
  const [j, f] = [project(view, load.joint), project(view, load.foot)];
  const arm = sub(load.foot, load.joint);
  if (norm(arm) < 0.005) return null;
  const inPlane = unit(load.force);
  const corner = squareMark(view, load, inPlane);
  const label = units.text(load.momentArm, "length", units.unit("length").name === "cm" ? 1 : 1);
  const [mx, my] = [j[0] + (f[0] - j[0]) * 0.5, j[1] + (f[1] - j[1]) * 0.5];
  const width = label.length * 7.2 + 10;
  return (
    <g>
      <line x1={j[0]} y1={j[1]} x2={f[0]} y2={f[1]} stroke="var(--slate)" strokeWidth={2.2} strokeDasharray="6 4" />
      <path d={corner} fill="none" stroke="var(--slate)" strokeWidth={1.4} />
      <circle cx={f[0]} cy={f[1]} r={3} fill="var(--slate)" />
      <circle cx={j[0]} cy={j[1]} r={4.5} fill="var(--ink)" stroke="var(--sheet)" strokeWidth={1} />
      <rect x={mx - width / 2} y={my - 9} width={width} height={18} rx={3} fill="var(--sheet)" stroke="var(--line)" />
      <text x={mx} y={my + 4} textAnchor="middle" fontSize={12} fontWeight={600} fill="var(--slate)" className="mono">
        {label}
      </text>
    </g>
  );
}

/** The small square of a right angle at the foot of the moment arm. */
function squareMark(view: View, load: SceneLoad, along: ReturnType<typeof unit>): string {
  const back = unit(sub(load.joint, load.foot));
  const side = 10 / view.scale;
  const p = [
    add(load.foot, mul(back, side)),
    add(add(load.foot, mul(back, side)), mul(along, -side)),
    add(load.foot, mul(along, -side)),
  ];
  return path(
    p.map((q) => project(view, q)),
    false,
  );
}
