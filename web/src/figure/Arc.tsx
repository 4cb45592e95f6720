import { painfulOf } from "../chart/along";
import type { Report, Scene } from "../engine/types";
import { sweptArm } from "./sweep";
import { add, mul, path, unit, type Vec, type Vec2 } from "./vector";
import { project, type View } from "./view";

const widest = 0.16; // of the ribbon at the largest torque, m

/** Where the ribbon lies: outside the finger tips, so that the hand stays free. */
export type Ring = { inner: number; handle: number };

export function ringOf(scene: Scene): Ring {
  const s = scene.sizes;
  const hand = (s.forearm ?? 0.26) + (s.hand ?? 0.19);
  const shank = (s.kneeHeight ?? 0.5) + 0.02;
  const inner =
    {
      shoulder: (s.upperArm ?? 0.33) + hand,
      elbow: hand,
      girdle: 0.3,
      knee: shank,
      ankle: 0.8 * (s.footLength ?? 0.27),
      hip: Math.max(shank, (s.shoulderHeight ?? 1.43) - (s.hipHeight ?? 0.93) + 0.1),
    }[scene.joint] ?? hand;
  return { inner: inner + 0.03, handle: inner + widest + 0.065 };
}

/** The colour of an effort: pale, ember, deep. */
export function effortColour(effort: number): string {
  const share = Math.max(0, Math.min(1, effort));
  if (share < 0.5) return `color-mix(in oklab, var(--ember) ${Math.round(share * 200)}%, var(--ember-pale))`;
  return `color-mix(in oklab, var(--ember-deep) ${Math.round((share - 0.5) * 200)}%, var(--ember))`;
}

/** Where the joint is at a place along the path, and where its segment points, between the report's samples. */
export function directionAt(report: Report, s: number): { joint: Vec; direction: Vec } | null {
  const arm = sweptArm(report);
  const at = s * (arm.joint.length - 1);
  const [i, j] = [Math.floor(at), Math.ceil(at)];
  const [p, q, d, e] = [arm.joint[i], arm.joint[j], arm.direction[i], arm.direction[j]];
  if (!p || !q || !d || !e) return null;
  const between = (a: Vec, b: Vec) => add(mul(a, 1 - (at - i)), mul(b, at - i));
  return { joint: between(p, q), direction: unit(between(d, e)) };
}

/** The ribbon round the working joint: as wide at each angle as the torque there, darker the harder it is. */
export function Ribbon({ view, report, ring }: { view: View; report: Report; ring: Ring }) {
  const { joint, direction } = sweptArm(report);
  const { torque, effort, angleDeg } = report.curves;
  const most = Math.max(...torque.map((t) => t ?? 0), 1e-9);
  const at = (i: number, r: number): Vec2 => project(view, add(joint[i] as Vec, mul(direction[i] as Vec, r)));
  const pieces = [];
  const step = Math.max(1, Math.round((joint.length - 1) / 33)); // pieces of about 3 degrees
  for (let i = 0; i + 1 < joint.length; i += step) {
    const j = Math.min(joint.length - 1, i + step);
    const [a, b] = [torque[i], torque[j]];
    if (a == null || b == null) {
      const d = path([at(i, ring.inner), at(j, ring.inner), at(j, ring.inner + 0.04), at(i, ring.inner + 0.04)]);
      pieces.push(<path key={i} d={d} fill="url(#hatch)" />);
      continue;
    }
    const [wa, wb] = [(Math.max(0, a) / most) * widest, (Math.max(0, b) / most) * widest];
    const fill = effortColour(((effort[i] ?? 0) + (effort[j] ?? 0)) / 2);
    pieces.push(
      <path
        key={i}
        d={path([at(i, ring.inner), at(j, ring.inner), at(j, ring.inner + wb), at(i, ring.inner + wa)])}
        fill={fill}
        stroke={fill}
        strokeWidth={0.6}
      />,
    );
  }
  const ticks = [];
  for (let i = 0; i < joint.length; i++) {
    const before = angleDeg[i - 1] ?? Number.NaN;
    const here = angleDeg[i] ?? 0;
    if (Math.floor(before / 15) !== Math.floor(here / 15) && i > 0) {
      const [p, q] = [at(i, ring.inner - 0.015), at(i, ring.inner)];
      ticks.push(<line key={i} x1={p[0]} y1={p[1]} x2={q[0]} y2={q[1]} />);
    }
  }
  const base = joint.map((_, i) => at(i, ring.inner));
  const last = joint.length - 1;
  const painful = painfulOf(report).map((p) => {
    const [from, to] = [Math.floor(p.fromS * last), Math.max(Math.floor(p.fromS * last) + 1, Math.ceil(p.toS * last))];
    const along = Array.from({ length: Math.min(to, last) - from + 1 }, (_, i) => from + i);
    const edge = (r: number) => along.map((i) => at(i, r));
    return (
      <path
        key={`${p.key}${p.fromS}`}
        d={path([...edge(ring.inner), ...edge(ring.inner + widest * 0.6).reverse()])}
        fill="url(#painful)"
      >
        <title>{p.label}</title>
      </path>
    );
  });
  return (
    <g>
      {pieces}
      {painful}
      <g stroke="var(--quiet)">
        <path d={path(base, false)} fill="none" strokeWidth={0.8} />
        {ticks}
      </g>
    </g>
  );
}

/** A handle on the ring: the ends of the range and the needle. */
export function RingHandle(props: {
  view: View;
  joint: Vec;
  direction: Vec;
  ring: Ring;
  label: string;
  needle?: boolean;
  onPointerDown?: (event: React.PointerEvent<SVGElement>) => void;
}) {
  const { view, joint, direction, ring, label, needle } = props;
  const at = (r: number) => project(view, add(joint, mul(direction, r)));
  const [inner, outer, knob] = [at(ring.inner - 0.03), at(ring.handle - 0.035), at(ring.handle)];
  const length = Math.hypot(knob[0] - inner[0], knob[1] - inner[1]) || 1;
  const beyond = (i: 0 | 1) => knob[i] + ((knob[i] - inner[i]) / length) * 23;
  const text = [beyond(0), beyond(1)] as const;
  return (
    <g onPointerDown={props.onPointerDown} style={{ cursor: "grab" }} data-handle={label}>
      <line
        x1={inner[0]}
        y1={inner[1]}
        x2={outer[0]}
        y2={outer[1]}
        stroke="var(--ink)"
        strokeWidth={needle ? 3 : 1.4}
        strokeLinecap="round"
      />
      <circle cx={knob[0]} cy={knob[1]} r={18} fill="transparent" />
      {needle ? (
        <circle cx={knob[0]} cy={knob[1]} r={6} fill="var(--ink)" />
      ) : (
        <circle cx={knob[0]} cy={knob[1]} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />
      )}
      {!needle && (
        <text x={text[0]} y={text[1] + 4} textAnchor="middle" fontSize={11} fill="var(--quiet)" className="mono">
          {label}
        </text>
      )}
    </g>
  );
}
