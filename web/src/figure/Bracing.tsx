import type { Report, Scene } from "../engine/types";
import type { Units } from "../state/units";
import { add, mul, norm, path, type Vec2 } from "./vector";
import { project, type View } from "./view";

const longest = 40; // px: weights are large beside pulls, so contacts have a scale of their own and say their force

type Contact = Scene["contacts"][number];
type Arrow = { contact: Contact; from: Vec2; to: Vec2; length: number };

/** What floor, seat and pads push with, towards the lifter, and from above the base of support. */
export function Bracing({ view, scene, units }: { view: View; scene: Scene; units: Units }) {
  const scale = longest / view.scale / Math.max(1, ...scene.contacts.map((c) => norm(c.force)));
  const arrows = scene.contacts.map((contact): Arrow => {
    const [from, to] = [add(contact.at, mul(contact.force, -scale)), contact.at].map((p) => project(view, p)) as [
      Vec2,
      Vec2,
    ];
    return { contact, from, to, length: Math.hypot(to[0] - from[0], to[1] - from[1]) };
  });
  const seen = arrows.filter((a) => a.length >= 3);
  return (
    <g pointerEvents="none">
      {view.name === "top" && <Base view={view} scene={scene} />}
      {seen.map((a) => (
        <Push key={a.contact.name} {...a} units={units} />
      ))}
      {labels(
        seen.filter((a) => a.length > 12),
        view,
        units,
      ).map((l) => (
        <text key={l.x + l.text} x={l.x} y={l.y} textAnchor={l.anchor} {...labelLook}>
          {l.text}
        </text>
      ))}
    </g>
  );
}

const labelLook = {
  fontSize: 10,
  className: "mono",
  fill: "var(--quiet)",
  stroke: "var(--paper)",
  strokeWidth: 3,
  paintOrder: "stroke",
};

type Label = { x: number; y: number; text: string; anchor: "start" | "end" };

/** The forces in numbers, at the tails of their arrows; arrows that are seen in one place share a line. */
function labels(arrows: Arrow[], view: View, units: Units): Label[] {
  const out: (Label & { forces: number[] })[] = [];
  for (const { contact, from, to, length } of arrows) {
    const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
    const x = from[0] + (ux > 0.5 ? -4 : ux < -0.5 ? 4 : 6);
    const y = Math.min(from[1] + (Math.abs(ux) > 0.5 ? 4 : uy > 0 ? 2 : 4), view.size[1] - 4);
    const near = out.find((l) => Math.abs(l.x - x) < 56 && Math.abs(l.y - y) < 13);
    if (near) near.forces.push(norm(contact.force));
    else out.push({ x, y, text: "", anchor: ux > 0.5 ? "end" : "start", forces: [norm(contact.force)] });
  }
  return out.map((l) => {
    const each = l.forces.map((f) => units.text(f, "force"));
    const same = each.every((t) => t === each[0]);
    const text = each.length === 1 || !same ? each.join(", ") : `${each[0]} each`;
    return { ...l, text };
  });
}

function Push({ contact, from, to, length, units }: Arrow & { units: Units }) {
  const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
  const p = (along: number, across: number): Vec2 => [
    to[0] + ux * along - uy * across,
    to[1] + uy * along + ux * across,
  ];
  const [[x1, y1], [x2, y2]] = [from, to];
  return (
    <g data-contact={contact.name}>
      <title>{`${contact.name}: ${units.text(norm(contact.force), "force")}`}</title>
      <line {...{ x1, y1, x2, y2 }} stroke="var(--slate)" strokeWidth={2.4} opacity={0.75} />
      <path d={path([p(0, 0), p(-8, 4), p(-8, -4)])} fill="var(--slate)" opacity={0.75} />
    </g>
  );
}

/** The outline of what stands on the floor, and where the floor has to push. */
function Base({ view, scene }: { view: View; scene: Scene }) {
  if (scene.base.length < 3 || !scene.pressure) return null;
  const [x, y] = project(view, scene.pressure);
  return (
    <g>
      <path
        d={path(scene.base.map((p) => project(view, p)))}
        fill="var(--slate)"
        fillOpacity={0.1}
        stroke="var(--slate)"
        strokeDasharray="5 4"
      />
      <path d={`M${x - 6} ${y}H${x + 6}M${x} ${y - 6}V${y + 6}`} stroke="var(--slate)" strokeWidth={2} />
    </g>
  );
}

/** Where a strand rubs, or would. */
export function Rubs({ view, report }: { view: View; report: Report }) {
  return report.rubs
    .filter((r) => r.state !== "clear")
    .map((r) => {
      const [x, y] = project(view, r.at);
      const colour = r.state === "blocked" || r.state === "bends" ? "var(--brick)" : "var(--ochre)";
      return (
        <g key={`${r.index}${r.mirror}`} pointerEvents="none" data-rub={r.state}>
          <title>{`Cable or band against the ${r.part}`}</title>
          <circle cx={x} cy={y} r={9} fill="none" stroke={colour} strokeWidth={2.4} strokeDasharray="4 3" />
        </g>
      );
    });
}
