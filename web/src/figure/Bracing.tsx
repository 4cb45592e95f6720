import type { Report, Scene } from "../engine/types";
import type { Units } from "../state/units";
import { add, mul, norm, path, type Vec2 } from "./vector";
import { project, type View } from "./view";

const longest = 40; // px: weights are large beside pulls, so contacts have a scale of their own and say their force

/** What floor, seat and pads push with, towards the lifter, and from above the base of support. */
export function Bracing({ view, scene, units }: { view: View; scene: Scene; units: Units }) {
  const above = view.name === "top";
  const scale = longest / view.scale / Math.max(1, ...scene.contacts.map((c) => norm(c.force)));
  return (
    <g pointerEvents="none">
      {above && <Base view={view} scene={scene} />}
      {scene.contacts.map((c) => {
        const tail = add(c.at, mul(c.force, -scale));
        const [from, to] = [project(view, tail), project(view, c.at)];
        const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
        if (length < 3) return null;
        const [ux, uy] = [(to[0] - from[0]) / length, (to[1] - from[1]) / length];
        const p = (along: number, across: number): Vec2 => [
          to[0] + ux * along - uy * across,
          to[1] + uy * along + ux * across,
        ];
        return (
          <g key={c.name} data-contact={c.name}>
            <title>{`${c.name}: ${units.text(norm(c.force), "force")}`}</title>
            <line
              x1={from[0]}
              y1={from[1]}
              x2={to[0]}
              y2={to[1]}
              stroke="var(--slate)"
              strokeWidth={2.4}
              opacity={0.75}
            />
            <path d={path([p(0, 0), p(-8, 4), p(-8, -4)])} fill="var(--slate)" opacity={0.75} />
            {length > 12 && (
              <text
                x={from[0] + (ux > 0.5 ? -4 : ux < -0.5 ? 4 : 6)}
                y={from[1] + (Math.abs(ux) > 0.5 ? 4 : uy > 0 ? 2 : 4)}
                textAnchor={ux > 0.5 ? "end" : "start"}
                fontSize={10}
                className="mono"
                fill="var(--quiet)"
                stroke="var(--paper)"
                strokeWidth={3}
                paintOrder="stroke"
              >
                {units.text(norm(c.force), "force")}
              </text>
            )}
          </g>
        );
      })}
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
      const colour = r.state === "blocked" ? "var(--brick)" : "var(--ochre)";
      return (
        <g key={`${r.index}${r.mirror}`} pointerEvents="none" data-rub={r.state}>
          <title>{`The strand and the ${r.part}`}</title>
          <circle cx={x} cy={y} r={9} fill="none" stroke={colour} strokeWidth={2.4} strokeDasharray="4 3" />
        </g>
      );
    });
}
