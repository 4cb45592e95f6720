import { memo } from "react";
import type { SceneColumn, SceneLoad } from "../engine/types";
import type { Person } from "./person";
import { add, hull, mul, path, type Vec, type Vec2, vec } from "./vector";
import { type Extent, ellipse, project, type View } from "./view";

/** The outline of an upright box. */
function box(view: View, x: number, z: number, half: number, low: number, high: number): string {
  const corners: Vec2[] = [];
  for (const dx of [-half, half])
    for (const dz of [-half, half]) for (const y of [low, high]) corners.push(project(view, vec(x + dx, y, z + dz)));
  return path(hull(corners));
}

type ColumnProps = { view: View; column: SceneColumn; numbered: boolean };

/** A column with its numbered holes, seen where the view shows heights. */
export const Column = memo(function Column({ view, column, numbered }: ColumnProps) {
  const { x, z, halfWidth, height } = column;
  const upright = Math.abs(view.up.y) > 0.4;
  const seen = seenUp(view, x, z, numbered);
  const broken = upright && height > seen;
  const top = broken ? seen : height;
  const holes = [];
  for (let i = 0; upright && i < column.holes; i++) {
    const y = column.lowestHole + i * column.spacing;
    if (y > top - 0.04) break;
    const [px, py] = project(view, vec(x, y, z));
    holes.push(<circle key={i} cx={px} cy={py} r={Math.max(1.2, view.scale * 0.006)} fill="var(--line)" />);
    if (numbered && i % 4 === 0) {
      const outward = view.name === "side" ? -1 : Math.sign(project(view, vec(x, y, z))[0] - view.middle[0]) || 1;
      const shift = outward * (halfWidth * view.scale * 1.45 + 5);
      holes.push(
        <text key={`n${i}`} x={px + shift} y={py + 3.5} fontSize={10} textAnchor={outward > 0 ? "start" : "end"}>
          {i + 1}
        </text>,
      );
    }
  }
  return (
    <g className="mono" fill="var(--quiet)">
      <path d={box(view, x, z, halfWidth * 2.4, 0, 0.05)} fill="var(--metal)" stroke="var(--metal-line)" />
      <path
        d={box(view, x, z, halfWidth, 0.05, top)}
        fill="var(--sheet)"
        stroke="var(--metal-line)"
        strokeWidth={1.2}
      />
      {broken && <Break at={project(view, vec(x, top, z))} half={halfWidth * view.scale} />}
      {upright && <Stack view={view} column={column} seen={top} />}
      {holes}
    </g>
  );
}, sameColumn);

/** How high a column can be seen, m. */
function seenUp(view: View, x: number, z: number, onStage: boolean): number {
  const [, floor] = project(view, vec(x, 0, z));
  return (
    (floor - (onStage && view.size[0] < narrow ? underButtons : belowEdge)) /
    (view.scale * Math.max(0.4, Math.abs(view.up.y)))
  );
}

const belowEdge = 22; // px
const [narrow, underButtons] = [560, 66]; // px: on a phone the views are chosen by buttons on the picture

/** The mark of a drawing that goes on: the column is longer than the picture shows. */
function Break({ at: [x, y], half }: { at: Vec2; half: number }) {
  const w = half + 5;
  return (
    <>
      <rect x={x - half - 1} width={2 * half + 2} y={y - 6} height={8} fill="var(--paper)" />
      <path
        d={`M${x - w} ${y + 3}h${w - 4}l3 -8l3 11l2 -3h${w - 4}`}
        fill="none"
        stroke="var(--metal-line)"
        strokeWidth={1.2}
      />
    </>
  );
}

const stackTop = 0.36;

/** The stack at the foot of a column: what hangs on the pin rises along it, up to the mark where its travel ends. */
function Stack({ view, column, seen }: { view: View; column: SceneColumn; seen: number }) {
  const { x, z, lift, travel, mass } = column;
  const half = column.halfWidth * 0.62;
  const raised = Math.min(stackTop - 0.08, Math.max(0.03, mass * 0.004));
  const low = stackTop - raised + lift;
  const [left, top] = project(view, vec(x, Math.min(column.height, stackTop + travel), z));
  const mark = half * view.scale * 1.2;
  return (
    <g>
      <path d={box(view, x, z, half, 0.07, stackTop - raised)} fill="var(--metal)" stroke="var(--metal-line)" />
      <path d={box(view, x, z, half, low, low + raised)} fill="var(--shoe)" stroke="var(--metal-line)" />
      {stackTop + travel < seen && (
        <line x1={left - mark} x2={left + mark} y1={top} y2={top} stroke="var(--quiet)" strokeDasharray="2 2" />
      )}
    </g>
  );
}

function sameColumn(a: ColumnProps, b: ColumnProps): boolean {
  return a.view === b.view && a.numbered === b.numbered && JSON.stringify(a.column) === JSON.stringify(b.column);
}

/** Where a cable ends: at its contact, or at the middle of a bar or the junction of two strands. */
const endOf = (load: SceneLoad): Vec => load.shape[0] ?? load.contact;

type Piece = { from: number; to: number; middle: Vec };

/** A cable in pieces, each with a depth of its own, so that it can pass behind the body and come out in front. */
export function cablePieces(load: SceneLoad): Piece[] {
  const { pulley } = load;
  if (!pulley || load.kind === "cam" || load.kind === "lever") return [];
  const contact = endOf(load);
  const n = load.state === "slack" ? 1 : 8;
  const at = (t: number) => add(pulley, mul(vec(contact.x - pulley.x, contact.y - pulley.y, contact.z - pulley.z), t));
  return Array.from({ length: n }, (_, i) => ({ from: i / n, to: (i + 1) / n, middle: at((i + 0.5) / n) }));
}

export function Cable({ view, load, piece }: { view: View; load: SceneLoad; piece: Piece }) {
  if (!load.pulley) return null;
  const [p, c] = [project(view, load.pulley), project(view, endOf(load))];
  if (load.state === "slack") {
    const sag: Vec2 = [(p[0] + c[0]) / 2, Math.max(p[1], c[1]) + 18];
    return <path d={`M${p}Q${sag} ${c}`} fill="none" stroke="var(--ink)" strokeWidth={1.6} strokeDasharray="5 4" />;
  }
  const at = (t: number): Vec2 => [p[0] + (c[0] - p[0]) * t, p[1] + (c[1] - p[1]) * t];
  const [from, to] = [at(piece.from), at(piece.to)];
  if (load.kind === "band") return <BandPiece from={from} to={to} stretch={load.stretch} />;
  return <line x1={from[0]} y1={from[1]} x2={to[0]} y2={to[1]} stroke="var(--ink)" strokeWidth={1.7} />;
}

/** A band thins as it stretches: its section shrinks as its length grows. A slack one hangs loose. */
function BandPiece({ from, to, stretch }: { from: Vec2; to: Vec2; stretch: number }) {
  const slack = stretch <= 1;
  const width = 8 / Math.sqrt(Math.max(1, stretch));
  return (
    <line
      x1={from[0]}
      y1={from[1]}
      x2={to[0]}
      y2={to[1]}
      stroke="var(--pine)"
      strokeWidth={width}
      strokeDasharray={slack ? "6 5" : undefined}
      strokeLinecap={slack ? "butt" : "round"}
    />
  );
}

/** What the hand holds: a stirrup handle on a cable, or a dumbbell. */
export function Held({ view, load, hand }: { view: View; load: SceneLoad; hand: Person["hands"][number] }) {
  if (load.kind === "dumbbell") return <Dumbbell view={view} hand={hand} mass={load.mass} />;
  if (!load.pulley || load.kind === "lever" || load.shape.length > 1) return null;
  if (load.kind === "rope") return <Knob view={view} load={load} hand={hand} />;
  const [a, b] = [add(hand.grip, mul(hand.across, 0.065)), add(hand.grip, mul(hand.across, -0.065))];
  const toPulley = vec(load.pulley.x - hand.grip.x, load.pulley.y - hand.grip.y, load.pulley.z - hand.grip.z);
  const length = Math.hypot(toPulley.x, toPulley.y, toPulley.z) || 1;
  const yoke = add(hand.grip, mul(toPulley, 0.1 / length));
  const points = [project(view, a), project(view, yoke), project(view, b)];
  return (
    <g fill="none" stroke="var(--ink)" strokeLinejoin="round" strokeLinecap="round">
      <path d={path(points, false)} strokeWidth={1.8} />
      <path d={path([project(view, a), project(view, b)], false)} strokeWidth={5} />
    </g>
  );
}

/** The end of a strand of rope in the hand. */
function Knob({ view, load, hand }: { view: View; load: SceneLoad; hand: Person["hands"][number] }) {
  const [knot, grip] = [project(view, endOf(load)), project(view, hand.grip)];
  return (
    <g stroke="var(--ink)" strokeLinecap="round">
      <path d={path([knot, grip], false)} fill="none" strokeWidth={3} />
      <circle cx={grip[0]} cy={grip[1]} r={Math.max(3, view.scale * 0.022)} fill="var(--ink)" />
    </g>
  );
}

function Dumbbell({ view, hand, mass }: { view: View; hand: Person["hands"][number]; mass: number }) {
  const radius = 0.03 + 0.017 * Math.cbrt(mass);
  const thick = 0.018 + 0.006 * Math.cbrt(mass);
  const axes = discAxes(hand, radius, 0.008);
  const disc = (centre: number): string => {
    const near = ellipse(view, add(hand.grip, mul(hand.across, centre - thick)), axes);
    const far = ellipse(view, add(hand.grip, mul(hand.across, centre + thick)), axes);
    return path(hull([...near, ...far]));
  };
  const bar = [
    project(view, add(hand.grip, mul(hand.across, 0.1))),
    project(view, add(hand.grip, mul(hand.across, -0.1))),
  ];
  return (
    <g stroke="var(--outline)" strokeLinejoin="round">
      <path d={path(bar, false)} stroke="var(--metal-line)" strokeWidth={6} />
      {[-0.085, 0.085].map((c) => (
        <path key={c} d={disc(c)} fill="var(--shoe)" strokeWidth={1.2} />
      ))}
    </g>
  );
}

function discAxes(hand: Person["hands"][number], radius: number, thin: number): [Vec, Vec, Vec] {
  const third = vec(
    hand.across.y * hand.along.z - hand.across.z * hand.along.y,
    hand.across.z * hand.along.x - hand.across.x * hand.along.z,
    hand.across.x * hand.along.y - hand.across.y * hand.along.x,
  );
  return [mul(hand.across, thin), mul(hand.along, radius), mul(third, radius)];
}

/** The floor: a grid of 10 cm seen from above or at an angle, a line from the side. */
export function Floor({ view, extent }: { view: View; extent: Extent }) {
  const { low, high } = extent;
  if (Math.abs(view.toward.y) < 0.05) {
    const y = project(view, vec(0, 0, 0))[1];
    return <line x1={0} x2={view.middle[0] * 2} y1={y} y2={y} stroke="var(--line)" strokeWidth={1.4} />;
  }
  const tenths = (from: number, to: number) =>
    Array.from({ length: Math.round((to - from) * 10) + 1 }, (_, i) => Math.round(from * 10) + i);
  const line = (a: Vec, b: Vec) => path([project(view, a), project(view, b)], false);
  const lines = [
    ...tenths(low.x, high.x).map((n) => ({ n, d: line(vec(n / 10, 0, low.z), vec(n / 10, 0, high.z)) })),
    ...tenths(low.z, high.z).map((n) => ({ n, d: line(vec(low.x, 0, n / 10), vec(high.x, 0, n / 10)) })),
  ];
  const joined = (strong: boolean) =>
    lines
      .filter((l) => (l.n % 5 === 0) === strong)
      .map((l) => l.d)
      .join("");
  return (
    <g stroke="var(--line)" fill="none">
      <path d={joined(false)} strokeWidth={0.5} />
      <path d={joined(true)} strokeWidth={1.1} />
    </g>
  );
}
