import type { Blob, Group, Hand, Person, Tint } from "./person";
import { dot, path, type Vec2 } from "./vector";
import { around, depth, ellipse, type View } from "./view";

const fills: Record<Tint, string> = {
  skin: "var(--skin)",
  vest: "var(--vest)",
  shorts: "var(--shorts)",
  shoe: "var(--shoe)",
  hair: "var(--hair)",
};

/** The outline of a chain: the hull of every two neighbours, as one path. */
function chainPath(view: View, chain: Blob[]): string {
  const rings: Vec2[][] = chain.map((b) => ellipse(view, b.centre, b.axes));
  if (rings.length === 1) return path(rings[0] as Vec2[]);
  let d = "";
  for (let i = 1; i < rings.length; i++) d += path(around(rings[i - 1] as Vec2[], rings[i] as Vec2[]));
  return d;
}

/**
 * One group of the body. All its parts are drawn once as outline and then once as fill, so that the lines between parts
 * vanish and one outline remains round the group. Neighbours of one colour share a path, which halves the work of a
 * drag.
 */
export function BodyGroup({ view, group, far }: { view: View; group: Group; far: boolean }) {
  const parts = group.parts.map((p) => ({ tint: p.tint, d: chainPath(view, p.chain), near: depthOf(view, p.chain) }));
  if (group.name === "head") parts.sort((a, b) => a.near - b.near);
  const fillOf = (tint: Tint) => (far && tint === "skin" ? "var(--skin-far)" : fills[tint]);
  const layers: { tint: Tint; d: string }[] = [];
  for (const p of parts) {
    const top = layers.at(-1);
    if (top?.tint === p.tint) top.d += p.d;
    else layers.push({ tint: p.tint, d: p.d });
  }
  return (
    <g strokeLinejoin="round">
      <path d={parts.map((p) => p.d).join("")} fill="none" stroke="var(--outline)" strokeWidth={2.4} />
      {layers.map((l, i) => (
        <path key={i} d={l.d} fill={fillOf(l.tint)} stroke={fillOf(l.tint)} strokeWidth={0.5} />
      ))}
    </g>
  );
}

/** The fingers of a hand over what it holds. */
export function Fingers({ view, hand }: { view: View; hand: Hand }) {
  return (
    <g fill="var(--skin)" stroke="var(--outline)" strokeWidth={0.8}>
      {hand.fingers.map((f, i) => (
        <path key={i} d={chainPath(view, [f])} />
      ))}
    </g>
  );
}

function depthOf(view: View, chain: Blob[]): number {
  return chain.reduce((sum, b) => sum + depth(view, b.centre), 0) / chain.length;
}

/** A region at work, darker the harder it works, the target in its own colour; nothing when it faces away. */
export function Strip({ view, strip }: { view: View; strip: Person["strips"][number] }) {
  const facing = dot(strip.facing, view.toward);
  if (facing < -0.35) return null;
  const { target, activation } = strip.work;
  return (
    <path
      d={chainPath(view, strip.chain)}
      fill={target ? "var(--plum)" : "var(--slate)"}
      opacity={(target ? 0.3 : 0.1) + 0.6 * Math.max(0, Math.min(1, activation))}
      stroke="none"
    />
  );
}
