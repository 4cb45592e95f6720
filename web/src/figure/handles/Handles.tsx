import { type Sweeps, useSweep } from "../../engine/sweeps";
import type { Report, Scene, Setting } from "../../engine/types";
import { isDial } from "../../state/dials";
import { formatSetting } from "../../state/formatSetting";
import type { Units } from "../../state/units";
import type { Vec2 } from "../vector";
import { vec } from "../vector";
import { project, type View } from "../view";
import { follow, ledTo, placeFor, type Turned } from "./follow";
import { type Grip, gripsOf } from "./grips";

/** Starts a drag: follows the pointer until it is let go and tells where it is in the picture. */
export type StartDrag = (event: React.PointerEvent<Element>, name: string, onMove: (at: Vec2) => void) => void;

type Props = {
  view: View;
  scene: Scene;
  report: Report;
  settings: Setting[];
  sweeps: Sweeps;
  units: Units;
  held: string | null;
  /** Where the hand leads what is held. */
  led: Turned | null;
  start: StartDrag;
  place: (event: React.PointerEvent<Element>) => Vec2;
  turn: (turned: Turned) => void;
};

/** What can be taken hold of in this view, with the best place of what is dragged and its value while it moves. */
export function Handles(props: Props) {
  const { view, scene, report, settings, units, held } = props;
  return gripsOf(scene, report, settings).map((grip) => {
    const led = held === grip.name ? props.led : null;
    const at = project(view, led ? ledTo(grip, led) : grip.at);
    if (!follow(view, grip, [at[0] + 1, at[1] + 1])) return null;
    const onPointerDown = (event: React.PointerEvent<Element>) => {
      const moved = follow(view, grip, props.place(event));
      if (moved) props.start(event, grip.name, (to) => props.turn(moved(to)));
    };
    return (
      <g key={grip.name} data-handle={grip.name} onPointerDown={onPointerDown} style={grab}>
        {(grip.ghost || held === grip.name) && <Ghost view={view} grip={grip} sweeps={props.sweeps} />}
        {grip.look === "floor" && <Distance view={view} grip={grip} units={units} />}
        <circle cx={at[0]} cy={at[1]} r={small(grip) ? 14 : 19} fill="transparent" />
        <Glyph look={grip.look} at={at} />
        {held === grip.name && <Reading at={at} grip={grip} led={led} units={units} />}
      </g>
    );
  });
}

const grab = { cursor: "grab" } as const;
const small = (grip: Grip) => grip.look === "edge" || grip.look === "turn";

function Glyph({ look, at: [x, y] }: { look: Grip["look"]; at: Vec2 }) {
  const line = { fill: "var(--sheet)", stroke: "var(--ink)", strokeWidth: 1.6 };
  switch (look) {
    case "anchor":
      return <rect x={x - 6} y={y - 6} width={12} height={12} {...line} stroke="var(--pine)" strokeWidth={2.4} />;
    case "floor":
      return <circle cx={x} cy={y} r={6} {...line} />;
    case "edge":
      return <rect x={x - 4.5} y={y - 4.5} width={9} height={9} {...line} strokeWidth={1.3} />;
    case "turn":
      return (
        <rect
          x={x - 5}
          y={y - 5}
          width={10}
          height={10}
          transform={`rotate(45 ${x} ${y})`}
          {...line}
          strokeWidth={1.3}
        />
      );
    case "pulley":
      return (
        <g>
          <circle cx={x} cy={y} r={9} {...line} strokeWidth={2} />
          <circle cx={x} cy={y} r={2.5} fill="var(--ink)" />
        </g>
      );
  }
}

/** The first setting that a grip turns. */
const mainSetting = (grip: Grip): Setting | undefined => grip.swing?.setting ?? grip.slides?.[0]?.setting;

/** A dashed ring where the best value would put it. */
function Ghost({ view, grip, sweeps }: { view: View; grip: Grip; sweeps: Sweeps }) {
  const setting = mainSetting(grip);
  const sweep = useSweep(sweeps, setting?.key);
  const best = sweep && sweep.best >= 0 ? sweep.values[sweep.best] : null;
  if (!setting || best == null || Math.abs(best - setting.value) < 1e-6) return null;
  const [x, y] = project(view, placeFor(grip, setting, best));
  const [hx, hy] = project(view, grip.at);
  if (Math.hypot(x - hx, y - hy) < 4) return null;
  return (
    <g pointerEvents="none" data-ghost={setting.key}>
      <circle cx={x} cy={y} r={small(grip) ? 6 : 9} {...ghostLine} />
    </g>
  );
}

const ghostLine = { fill: "none", stroke: "var(--ember-deep)", strokeWidth: 1.4, strokeDasharray: "3 3" };

/** The value while it is dragged. */
function Reading(props: { at: Vec2; grip: Grip; led: Turned | null; units: Units }) {
  const { grip, led, units } = props;
  const [x, y] = props.at;
  const turned = grip.swing ? [grip.swing.setting] : (grip.slides ?? []).map((s) => s.setting);
  const now = (s: Setting) => led?.find((t) => t.setting.key === s.key)?.value ?? s.value;
  const lines = turned.slice(0, 2).map((s) => formatSetting({ ...s, value: now(s) }, units));
  const width = Math.max(...lines.map((l) => l.length)) * 6.4 + 14;
  const top = y - 24 - lines.length * 16;
  return (
    <g pointerEvents="none" data-reading={grip.name}>
      <rect x={x - width / 2} y={top} width={width} height={lines.length * 16 + 8} rx={4} fill="var(--ink)" />
      {lines.map((l, i) => (
        <text key={l} x={x} y={top + 16 + i * 16} textAnchor="middle" fontSize={12} fill="var(--sheet)">
          {l}
        </text>
      ))}
    </g>
  );
}

/** From the columns to where the lifter stands. */
function Distance({ view, grip, units }: { view: View; grip: Grip; units: Units }) {
  const out = grip.slides?.find((s) => isDial(s.setting, "stance.out"));
  if (!out || Math.hypot(view.right.x, view.up.x) < 0.45) return null;
  const [hx, hy] = project(view, grip.at);
  const [wx, wy] = project(view, vec(0, 0, grip.at.z));
  const along = Math.abs(hx - wx) > Math.abs(hy - wy);
  const beyond = hx >= wx ? 1 : -1; // on the side away from the line
  const anchor: "start" | "end" = along && beyond < 0 ? "end" : "start";
  const label = along ? { x: hx + 12 * beyond, y: hy + 4 } : { x: wx + 8, y: wy + (view.name === "top" ? 16 : 4) };
  return (
    <g pointerEvents="none">
      <line x1={wx} y1={wy} x2={hx} y2={hy} stroke="var(--quiet)" strokeWidth={1} />
      <line x1={wx} y1={wy - 5} x2={wx} y2={wy + 5} stroke="var(--quiet)" />
      <text {...label} textAnchor={anchor} fontSize={11} fill="var(--quiet)" className="mono">
        {units.text(out.setting.value, "length")}
      </text>
    </g>
  );
}
