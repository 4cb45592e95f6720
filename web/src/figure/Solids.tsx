import type { Scene } from "../engine/types";
import { BodyGroup, Fingers, Strip } from "./Body";
import { Cable, Column, cablePieces, Held } from "./Kit";
import { Cushion, Machine } from "./Machines";
import { joined, middleDepth, type Person } from "./person";
import { vec } from "./vector";
import { depth, type View } from "./view";

/** The muscles round the waist, which work on the side that has no load as well. */
const round = ["abdominals", "obliques", "erectors", "quadratus"];

/** Whether a side has a load of its own, or one that both share. */
function works(scene: Scene, side: string): boolean {
  return scene.loads.some(
    (l) => l.side === side || ["pelvis", "thorax"].includes(l.segment) || l.kind === "bodyweight",
  );
}

/** Everything with a body, sorted from far to near. */
export function Solids(props: { view: View; scene: Scene; who: Person; numbered: boolean }) {
  const { view, scene, who } = props;
  const trunkDepth = middleDepth(who.groups[0] as Person["groups"][number], view.toward);
  const items: { depth: number; key: string; node: React.ReactNode }[] = [];
  for (const c of scene.columns) {
    const key = `column${c.index}${c.mirror}`;
    items.push({
      depth: depth(view, vec(c.x, c.height / 2, c.z)),
      key,
      node: <Column view={view} column={c} numbered={props.numbered && (!c.mirror || view.name === "side")} />,
    });
  }
  for (const [i, pad] of scene.pads.entries())
    items.push({ depth: depth(view, pad.middle) - 0.02, key: `pad${i}`, node: <Cushion view={view} pad={pad} /> });
  for (const l of scene.loads) {
    items.push({
      depth: depth(view, l.contact) + 0.1,
      key: `kit${l.index}${l.mirror}`,
      node: <Machine view={view} load={l} />,
    });
    if (!l.pulley) continue;
    for (const piece of cablePieces(l)) {
      const key = `cable${l.index}${l.mirror}${piece.from}`;
      items.push({ depth: depth(view, piece.middle), key, node: <Cable view={view} load={l} piece={piece} /> });
    }
  }
  const groups = joined(who.groups, view.toward);
  for (const group of groups) {
    const near = middleDepth(group, view.toward);
    items.push({
      depth: near,
      key: group.name,
      node: <BodyGroup view={view} group={group} far={near < trunkDepth - 0.08} />,
    });
    if (!group.name.startsWith("arm.")) continue;
    const side = group.name.slice(4);
    const hand = who.hands.find((h) => h.side === side);
    if (!hand) continue;
    const held = scene.loads.filter((l) => l.segment === `hand.${side}`);
    for (const load of held) {
      items.push({
        depth: near + 0.001,
        key: `held.${side}${load.index}`,
        node: <Held view={view} load={load} hand={hand} />,
      });
    }
    if (held.length > 0 && props.numbered)
      items.push({
        depth: near + 0.0015,
        key: `fingers.${side}`,
        node: <Fingers view={view} hand={hand} />,
      });
  }
  for (const strip of who.strips) {
    const group = groups.find((g) => g.name === strip.group) ?? groups[0]; // a leg that is drawn as one with the trunk
    if (!group || (!works(scene, strip.side) && !round.includes(strip.key))) continue;
    items.push({
      depth: middleDepth(group, view.toward) + 0.002,
      key: `strip.${strip.side}.${strip.key}`,
      node: <Strip view={view} strip={strip} />,
    });
  }
  items.sort((a, b) => a.depth - b.depth);
  return (
    <g pointerEvents="none">
      {items.map((i) => (
        <g key={i.key}>{i.node}</g>
      ))}
    </g>
  );
}
