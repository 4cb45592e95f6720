import type { SceneLoad, ScenePad } from "../engine/types";
import { add, hull, mul, norm, path, sub, unit, type Vec, type Vec2, vec } from "./vector";
import { ellipse, project, type View } from "./view";

/** A seat or a bench's cushion as a plain box. */
export function Cushion({ view, pad }: { view: View; pad: ScenePad }) {
  const t = pad.turn;
  const axis = (i: number, half: number) => mul(vec(t[i] ?? 0, t[3 + i] ?? 0, t[6 + i] ?? 0), half);
  const [a, b, c] = [axis(0, pad.half.x), axis(1, pad.half.y), axis(2, pad.half.z)];
  const corners: Vec2[] = [];
  for (const x of [-1, 1])
    for (const y of [-1, 1])
      for (const z of [-1, 1]) corners.push(project(view, add(pad.middle, add(mul(a, x), add(mul(b, y), mul(c, z))))));
  const foot = project(view, vec(pad.middle.x, 0, pad.middle.z));
  const middle = project(view, pad.middle);
  return (
    <g strokeLinejoin="round">
      {Math.abs(view.up.y) > 0.4 && (
        <line x1={middle[0]} y1={middle[1]} x2={foot[0]} y2={foot[1]} stroke="var(--metal-line)" strokeWidth={5} />
      )}
      <path d={path(hull(corners))} fill="var(--metal)" stroke="var(--metal-line)" strokeWidth={1.4} />
    </g>
  );
}

/** What a load is made of beside its strand: bars with their plates, levers, a machine's arm, cuffs. */
export function Machine({ view, load }: { view: View; load: SceneLoad }) {
  const cuffed = !load.segment.startsWith("hand.") && !["bodyweight", "bar", "sled", "assist"].includes(load.kind);
  return (
    <g>
      {load.kind === "bar" && load.shape.length === 2 && !load.mirror && (
        <Bar view={view} ends={[load.shape[0] as Vec, load.shape[1] as Vec]} mass={load.mass} />
      )}
      {load.kind === "cable" && load.shape.length === 3 && !load.mirror && (
        <Bar view={view} ends={[load.shape[1] as Vec, load.shape[2] as Vec]} mass={0} />
      )}
      {load.kind === "lever" && load.shape.length === 3 && <Lever view={view} load={load} />}
      {load.kind === "sled" && load.shape.length >= 3 && !load.mirror && <Sled view={view} load={load} />}
      {load.kind === "assist" && load.shape.length === 2 && !load.mirror && <Platform view={view} load={load} />}
      {load.kind === "cam" && load.shape.length === 2 && <PadArm view={view} load={load} />}
      {load.kind === "bodyweight" && load.shape.length > 0 && <Bars view={view} ends={load.shape} />}
      {cuffed && load.kind !== "cam" && <Cuff view={view} at={load.contact} />}
    </g>
  );
}

/** The bar or bars that carry somebody by the hands, on posts: both ends of each. */
function Bars({ view, ends }: { view: View; ends: Vec[] }) {
  return [0, 2].map((i) => {
    const [a, b] = [ends[i], ends[i + 1]];
    if (!a || !b) return null;
    const posts = [a, b].map((p) => path([project(view, p), project(view, vec(p.x, 0, p.z))], false)).join("");
    return (
      <g key={i} fill="none" strokeLinecap="round">
        {Math.abs(view.up.y) > 0.4 && <path d={posts} stroke="var(--metal-line)" strokeWidth={4} />}
        <path d={path([project(view, a), project(view, b)], false)} stroke="var(--ink)" strokeWidth={5} />
      </g>
    );
  });
}

function Bar({ view, ends, mass }: { view: View; ends: [Vec, Vec]; mass: number }) {
  const along = unit(sub(ends[1], ends[0]));
  const d = path([project(view, ends[0]), project(view, ends[1])], false);
  return (
    <g stroke="var(--outline)" strokeLinecap="round">
      <path d={d} fill="none" stroke="var(--ink)" strokeWidth={4} />
      {mass > 0 &&
        ends.map((end, i) => (
          <Disc
            key={i === 0 ? "left" : "right"}
            view={view}
            at={add(end, mul(along, i === 0 ? 0.05 : -0.05))}
            axis={along}
            mass={mass / 2}
          />
        ))}
    </g>
  );
}

/** A plate square to an axis, larger the heavier it is. */
function Disc({ view, at, axis, mass }: { view: View; at: Vec; axis: Vec; mass: number }) {
  const radius = 0.05 + 0.03 * Math.cbrt(mass);
  const other = unit(Math.abs(axis.y) < 0.9 ? vec(axis.z, 0, -axis.x) : vec(1, 0, 0));
  const third = vec(
    axis.y * other.z - axis.z * other.y,
    axis.z * other.x - axis.x * other.z,
    axis.x * other.y - axis.y * other.x,
  );
  const ring = (shift: number) =>
    ellipse(view, add(at, mul(axis, shift)), [mul(axis, 0.006), mul(other, radius), mul(third, radius)]);
  return <path d={path(hull([...ring(-0.018), ...ring(0.018)]))} fill="var(--shoe)" strokeWidth={1.2} />;
}

function Lever({ view, load }: { view: View; load: SceneLoad }) {
  const [pivot, plates, handle] = load.shape as [Vec, Vec, Vec];
  const [p, w, h] = [project(view, pivot), project(view, plates), project(view, handle)];
  const foot = project(view, vec(pivot.x, 0, pivot.z));
  const arm = sub(handle, pivot);
  const aside = unit(norm(vec(arm.x, 0, arm.z)) > 0.05 ? vec(-arm.z, 0, arm.x) : vec(0, 0, 1));
  return (
    <g stroke="var(--metal-line)" strokeLinecap="round">
      {Math.abs(view.up.y) > 0.4 && <path d={path([p, foot], false)} strokeWidth={7} opacity={0.6} fill="none" />}
      <path d={path([w, p, h], false)} fill="none" stroke="var(--ink)" strokeWidth={4.5} />
      <Disc view={view} at={plates} axis={aside} mass={load.mass} />
      <circle cx={p[0]} cy={p[1]} r={7} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
    </g>
  );
}

/** A platform under the knees. */
function Platform({ view, load }: { view: View; load: SceneLoad }) {
  const [back, front] = load.shape as [Vec, Vec];
  const along = unit(sub(front, back));
  const aside = mul(vec(-along.z, 0, along.x), 0.28);
  const middle = mul(add(back, front), 0.5);
  const inward = mul(vec(-along.z, 0, along.x), load.side === "right" ? -0.09 : 0.09); // the knee is beside the middle
  const corners = [back, front].flatMap((p) =>
    [-1, 1].flatMap((o) => [0, -0.05].map((y) => add(add(p, add(mul(aside, o), inward)), vec(0, y, 0)))),
  );
  const foot = project(view, vec(middle.x, 0, middle.z));
  const under = project(view, middle);
  return (
    <g stroke="var(--metal-line)" strokeLinejoin="round">
      {Math.abs(view.up.y) > 0.4 && <line x1={under[0]} y1={under[1]} x2={foot[0]} y2={foot[1]} strokeWidth={5} />}
      <path d={path(hull(corners.map((p) => project(view, p))))} fill="var(--metal)" strokeWidth={1.4} />
    </g>
  );
}

/** How far a sled's rails are drawn behind and ahead of its plate, and half its breadth, m. */
const [railBack, railAhead, sledHalf] = [0.55, 0.6, 0.3];
/** How far the rails of a carriage go up from the plate of the feet, m. */
const carriageWay = 1.9;

/** A plate on two rails, with what is loaded behind it. */
function Sled({ view, load }: { view: View; load: SceneLoad }) {
  const [low, high, , carriage] = load.shape as [Vec, Vec, Vec, Vec?];
  const along = unit(mul(load.force, -1));
  const across = unit(vec(-along.z, 0, along.x));
  const aside = norm(vec(along.x, 0, along.z)) > 0.05 ? across : vec(0, 0, 1);
  const corner = (p: Vec, out: number, back: number) => project(view, add(add(p, mul(aside, out)), mul(along, back)));
  const plate = hull(
    [low, high].flatMap((p) => [-1, 1].flatMap((o) => [0, 0.03].map((b) => corner(p, o * sledHalf, b)))),
  );
  const rails = [-1, 1].map((o) => {
    const at = (by: number) => corner(low, o * (sledHalf + 0.04), by);
    return path([at(carriage ? -carriageWay : -railBack), at(carriage ? 0 : railAhead)], false);
  });
  // plates hang below the feet, or behind the shoulders of somebody who rides
  const middle = carriage ?? add(add(low, mul(unit(sub(low, high)), 0.1)), mul(along, 0.1));
  return (
    <g stroke="var(--metal-line)" strokeLinejoin="round" strokeLinecap="round">
      <path d={rails.join("")} fill="none" strokeWidth={4} />
      {[-1, 1].map((o) => (
        <Disc
          key={o}
          view={view}
          at={add(middle, mul(aside, o * (sledHalf + 0.1)))}
          axis={aside}
          mass={load.mass / 2}
        />
      ))}
      <path d={path(plate)} fill="var(--metal)" strokeWidth={1.6} />
    </g>
  );
}

function PadArm({ view, load }: { view: View; load: SceneLoad }) {
  const [axis, touch] = load.shape as [Vec, Vec];
  const [a, t] = [project(view, axis), project(view, touch)];
  return (
    <g stroke="var(--ink)" strokeLinecap="round">
      <path d={path([a, t], false)} fill="none" strokeWidth={4.5} />
      <circle
        cx={t[0]}
        cy={t[1]}
        r={view.scale * 0.05}
        fill="var(--metal)"
        stroke="var(--metal-line)"
        strokeWidth={1.6}
      />
      <circle cx={a[0]} cy={a[1]} r={7} fill="var(--sheet)" strokeWidth={2} />
    </g>
  );
}

function Cuff({ view, at }: { view: View; at: Vec }) {
  const [x, y] = project(view, at);
  return (
    <circle
      cx={x}
      cy={y}
      r={Math.max(5, view.scale * 0.045)}
      fill="none"
      stroke="var(--ink)"
      strokeWidth={3}
      opacity={0.85}
    />
  );
}
