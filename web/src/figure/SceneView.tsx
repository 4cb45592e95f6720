import { useMemo, useRef } from "react";
import styled from "styled-components";
import { valueAt } from "../chart/ProfileChart";
import { type Sweeps, useSweep } from "../engine/sweeps";
import type { Report, Scene, Setting, SetupDocument } from "../engine/types";
import { useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { directionAt, Ribbon, RingHandle, ringOf } from "./Arc";
import { BodyGroup, Strip } from "./Body";
import { Bracing, Rubs } from "./Bracing";
import { elevationAt, followPointer, heightAt, inPicture, movedAlong, placeNear, planeAt } from "./drags";
import { Forces, forceScale } from "./Forces";
import { Cable, Column, cablePieces, Floor, Held } from "./Kit";
import { Cushion, Machine } from "./Machines";
import { middleDepth, type Person, person, type Work } from "./person";
import { sweptArm } from "./sweep";
import { add, mul, norm, type Vec, type Vec2, vec } from "./vector";
import { depth, type Extent, fit, project, type Turn, type View, type ViewName } from "./view";

const Picture = styled.svg`
  display: block;
  width: 100%;
  height: 100%;
  user-select: none;
  -webkit-user-select: none;
`;

export type SceneActions = {
  turn(key: string, value: number, drag: boolean): void;
  dragDone(): void;
  moveTo(s: number): void;
  turnView(turn: Turn): void;
};

type Props = {
  document: SetupDocument;
  report: Report;
  scene: Scene;
  settings: Setting[];
  sweeps: Sweeps;
  viewName: ViewName;
  viewTurn: Turn;
  actions: SceneActions;
};

/** The picture: floor, kit, lifter, arc and forces, with everything in it that can be dragged. */
export function SceneView(props: Props) {
  const { scene, report, viewName, viewTurn, settings, actions } = props;
  const units = useUnits();
  const svg = useRef<SVGSVGElement>(null);
  const [frame, size] = useSize<HTMLDivElement>();
  const extent = useMemo(() => extentOf(scene, report), [scene, report]);
  const framed = JSON.stringify([viewName, scene.headingDeg, viewTurn, extent, size]);
  // The view stays the same object while nothing in it changes, so that what hangs on it need not be drawn again.
  // biome-ignore lint/correctness/useExhaustiveDependencies: framed holds them all
  const view = useMemo(() => fit(viewName, scene.headingDeg, viewTurn, extent, size.width, size.height), [framed]);
  const who = useMemo(
    () => person(scene, worksAt(report, scene.s, props.document.target.region)),
    [scene, report, props.document.target.region],
  );
  const ring = ringOf(scene);
  const now = report.hold ? null : directionAt(report, scene.s);
  const scale = forceScale(Math.max(...scene.loads.map((l) => l.tension), 1));
  const setting = (name: string) => settings.find((s) => s.key === name);

  const drag = (event: React.PointerEvent<Element>, onMove: (at: Vec2) => void) => {
    followPointer(
      event,
      (x, y) => {
        if (svg.current) onMove(inPicture(svg.current, x, y));
      },
      actions.dragDone,
    );
  };
  const dragEnd = (key: "range.from" | "range.to") => (event: React.PointerEvent<Element>) =>
    drag(event, (at) => {
      const angle = elevationAt(view, report, at);
      if (angle !== null) actions.turn(key, Math.round(angle), true);
    });
  const dragNeedle = (event: React.PointerEvent<Element>) =>
    drag(event, (at) => {
      const angle = setting("range.to") ? elevationAt(view, report, at) : null;
      const [first, last] = [report.curves.angleDeg.at(0), report.curves.angleDeg.at(-1)];
      if (angle === null || first == null || last == null || first === last)
        actions.moveTo(placeNear(view, report, ring.handle, at));
      else actions.moveTo(Math.max(0, Math.min(1, (angle - first) / (last - first))));
    });
  const turnScene = (event: React.PointerEvent<Element>) => {
    if (viewName !== "free") return;
    const [x0, y0] = [event.clientX, event.clientY];
    followPointer(
      event,
      (x, y) =>
        actions.turnView({
          yaw: viewTurn.yaw - (x - x0) * 0.5,
          pitch: Math.max(-10, Math.min(85, viewTurn.pitch + (y - y0) * 0.4)),
        }),
      () => {},
    );
  };
  const label = `${props.document.name}: ${viewName} view at ${units.text(scene.angleDeg, "angle")}`;
  return (
    <Frame ref={frame}>
      {size.width > 0 && (
        <Picture ref={svg} role="img" aria-label={label} onPointerDown={turnScene}>
          <defs>
            <pattern id="hatch" width="6" height="6" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
              <line x1="0" y1="0" x2="0" y2="6" stroke="var(--quiet)" strokeWidth="1.4" />
            </pattern>
          </defs>
          <Floor view={view} extent={extent} />
          <Solids view={view} scene={scene} who={who} lead={report.lead} />
          <Bracing view={view} scene={scene} units={units} />
          <Rubs view={view} report={report} />
          {!report.hold && <Ribbon view={view} report={report} ring={ring} />}
          {scene.loads.map((l) => (
            <Forces key={`${l.index}${l.mirror}`} view={view} load={l} units={units} scale={scale} />
          ))}
          <Pulleys view={view} scene={scene} sweeps={props.sweeps} settings={settings} drag={drag} actions={actions} />
          <Stance view={view} scene={scene} setting={setting("stance.out")} drag={drag} actions={actions} />
          {now && <PlaneHandle {...{ view, report, ring, now, drag, actions }} setting={setting("path.plane")} />}
          {setting("range.to") && <Ends view={view} report={report} ring={ring} drag={dragEnd} />}
          {now && (
            <RingHandle
              view={view}
              joint={now.joint}
              direction={now.direction}
              ring={ring}
              label="needle"
              needle
              onPointerDown={dragNeedle}
            />
          )}
          <Scales view={view} scale={scale} height={size.height} width={size.width} />
        </Picture>
      )}
    </Frame>
  );
}

const Frame = styled.div`
  position: absolute;
  inset: 0;
`;

/** What has to be in the picture. It grows in steps, so that the picture stands still during most of a drag. */
function extentOf(scene: Scene, report: Report): Extent {
  const out = (x: number) => Math.ceil(x / 0.2 - 1e-9) * 0.2;
  const hip = scene.segments[0]?.origin ?? vec(0, 0.93, 0);
  const reach = ringOf(scene).handle + 0.11;
  const arm = sweptArm(report);
  const rim = report.hold ? [] : arm.direction.map((d, i) => add(arm.joint[i] ?? hip, mul(d, reach)));
  const body = scene.segments.filter((s) => !s.name.startsWith("thigh.")).map((s) => s.origin);
  const kit = scene.loads.flatMap((l) => [...(l.pulley ? [l.pulley] : []), ...l.shape]);
  const points = [...rim, ...body, ...kit, ...scene.columns.map((c) => vec(c.x, c.height, c.z))];
  const head = scene.segments.find((s) => s.name === "head");
  if (head) {
    const crown = 0.2 * (scene.sizes.stature ?? 1.75);
    points.push(add(head.origin, mul(vec(head.turn[1] ?? 0, head.turn[4] ?? 0, head.turn[7] ?? 0), crown)));
  }
  const upright = scene.posture === "standing" && scene.joint === "shoulder";
  let [back, front, side, top] = [0.35, 0.45, 0.55, upright ? 1.06 * (scene.sizes.stature ?? 1.75) : 0.8];
  for (const p of points) {
    back = Math.max(back, hip.x - p.x + 0.12);
    front = Math.max(front, p.x - hip.x);
    side = Math.max(side, Math.abs(p.z - hip.z) + 0.04);
    top = Math.max(top, p.y + 0.05);
  }
  return {
    low: vec(hip.x - out(back), -0.02, hip.z - out(side)),
    high: vec(hip.x + out(front), out(top), hip.z + out(side)),
  };
}

/** The regions that work at a place along the path; the target is always among them. */
function worksAt(report: Report, s: number, target: string): Work[] {
  const out = report.muscles.regions
    .map((r) => ({ region: r.key, target: r.target, activation: valueAt(r.activation, s) ?? 0 }))
    .filter((w) => w.target || w.activation > 0.05);
  return out.some((w) => w.target) ? out : [...out, { region: target, target: true, activation: 0 }];
}

/** Whether a side has a load of its own, or one that both share. */
function works(scene: Scene, side: string): boolean {
  return scene.loads.some((l) => l.side === side || l.segment === "trunk" || l.kind === "ownBody");
}

/** Everything with a body, sorted from far to near. */
function Solids(props: { view: View; scene: Scene; who: Person; lead: string }) {
  const { view, scene, who } = props;
  const trunkDepth = middleDepth(who.groups[0] as Person["groups"][number], view.toward);
  const items: { depth: number; key: string; node: React.ReactNode }[] = [];
  for (const c of scene.columns) {
    const key = `column${c.index}${c.mirror}`;
    items.push({
      depth: depth(view, vec(c.x, c.height / 2, c.z)),
      key,
      node: <Column view={view} column={c} numbered={!c.mirror || view.name === "side"} />,
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
  for (const group of who.groups) {
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
    for (const load of scene.loads.filter((l) => l.segment === `hand.${side}`)) {
      items.push({
        depth: near + 0.001,
        key: `held.${side}${load.index}`,
        node: <Held view={view} load={load} hand={hand} />,
      });
    }
  }
  for (const strip of who.strips) {
    const group = who.groups.find((g) => g.name === strip.group);
    if (!group || !works(scene, strip.side)) continue;
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

type Drag = (event: React.PointerEvent<Element>, onMove: (at: Vec2) => void) => void;

function Pulleys(props: {
  view: View;
  scene: Scene;
  sweeps: Sweeps;
  settings: Setting[];
  drag: Drag;
  actions: SceneActions;
}) {
  const { view, scene, settings, drag, actions } = props;
  return scene.loads.map((l) => {
    const pulley = l.pulley;
    if (!pulley || l.kind === "cam" || l.kind === "lever") return null;
    const band = l.kind === "band";
    const height = settings.find((s) => s.key === `${band ? "band" : "pulley"}.height/${l.index}`);
    const apart = settings.find((s) => s.key === `${band ? "band" : "columns"}.apart/${l.index}`);
    const column = scene.columns.find((c) => c.index === l.index && c.mirror === l.mirror);
    const [x, y] = project(view, pulley);
    const onPointerDown = (event: React.PointerEvent<Element>) =>
      drag(event, (at) => {
        const up = heightAt(view, at, pulley.x, pulley.z);
        if (up !== null && height) {
          const value =
            height.kind === "hole" && column
              ? Math.round(1 + (up - column.lowestHole) / column.spacing)
              : Math.round(up * 100) / 100;
          actions.turn(height.key, Math.max(height.from, Math.min(height.to, value)), true);
        } else if (up === null && apart) {
          const side = movedAlong(view, project(view, vec(0, 0, 0)), at, vec(0, 0, 1));
          if (side !== null)
            actions.turn(
              apart.key,
              Math.max(apart.from, Math.min(apart.to, Math.round(Math.abs(side) * 40) / 20)),
              true,
            );
        }
      });
    return (
      <g
        key={`${l.index}${l.mirror}`}
        onPointerDown={onPointerDown}
        style={{ cursor: "grab", touchAction: "none" }}
        data-handle={`${band ? "anchor" : "pulley"}${l.mirror ? ".mirror" : ""}`}
      >
        <BestHole view={view} load={l} column={column} sweeps={props.sweeps} setting={height} />
        <circle cx={x} cy={y} r={20} fill="transparent" />
        {band ? (
          <rect x={x - 6} y={y - 6} width={12} height={12} fill="var(--sheet)" stroke="var(--pine)" strokeWidth={2.4} />
        ) : (
          <g>
            <circle cx={x} cy={y} r={9} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
            <circle cx={x} cy={y} r={2.5} fill="var(--ink)" />
          </g>
        )}
      </g>
    );
  });
}

/** A dashed ring where the best hole would be. */
function BestHole(props: {
  view: View;
  load: Scene["loads"][number];
  column?: Scene["columns"][number];
  sweeps: Sweeps;
  setting?: Setting;
}) {
  const { load, column, setting, view } = props;
  const sweep = useSweep(props.sweeps, setting?.key);
  const best = sweep && sweep.best >= 0 ? sweep.values[sweep.best] : null;
  if (!load.pulley || !column || !setting || best == null || best === setting.value || Math.abs(view.up.y) < 0.4)
    return null;
  const [x, y] = project(view, { ...load.pulley, y: column.lowestHole + (best - 1) * column.spacing });
  return <circle cx={x} cy={y} r={9} fill="none" stroke="var(--ember-deep)" strokeWidth={1.4} strokeDasharray="3 3" />;
}

/** The handle of the stance: a mark on the floor under the lifter, with the distance to the columns. */
function Stance(props: { view: View; scene: Scene; setting?: Setting; drag: Drag; actions: SceneActions }) {
  const { view, scene, setting, drag, actions } = props;
  const units = useUnits();
  const hip = scene.segments[0]?.origin;
  if (!setting || !hip) return null;
  const out = vec(1, 0, 0);
  const here = project(view, vec(hip.x, 0, hip.z));
  if (movedAlong(view, [0, 0], [1, 1], out) === null) return null;
  const wall = project(view, vec(0, 0, hip.z));
  const onPointerDown = (event: React.PointerEvent<Element>) => {
    let start: Vec2 | null = null;
    drag(event, (at) => {
      start ??= at;
      const moved = movedAlong(view, start, at, out);
      if (moved !== null)
        actions.turn(
          setting.key,
          Math.max(setting.from, Math.min(setting.to, Math.round((setting.value + moved) * 100) / 100)),
          true,
        );
    });
  };
  const level = view.name === "side" ? 16 : 0;
  const label =
    view.name === "side"
      ? { x: here[0] + 12, y: here[1] + level + 4 }
      : { x: wall[0] + 8, y: wall[1] + (view.name === "top" ? 16 : 4) };
  return (
    <g onPointerDown={onPointerDown} style={{ cursor: "grab", touchAction: "none" }} data-handle="stance">
      <line x1={wall[0]} y1={wall[1] + level} x2={here[0]} y2={here[1] + level} stroke="var(--quiet)" strokeWidth={1} />
      <line x1={wall[0]} y1={wall[1] + level - 5} x2={wall[0]} y2={wall[1] + level + 5} stroke="var(--quiet)" />
      <circle cx={here[0]} cy={here[1] + level} r={18} fill="transparent" />
      <circle cx={here[0]} cy={here[1] + level} r={6} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />
      <text {...label} fontSize={11} fill="var(--quiet)" className="mono">
        {units.text(setting.value, "length")}
      </text>
    </g>
  );
}

/** From above, the way the arm points can be turned. */
function PlaneHandle(props: {
  view: View;
  report: Report;
  ring: { inner: number; handle: number };
  now: { joint: Vec; direction: Vec };
  setting?: Setting;
  drag: Drag;
  actions: SceneActions;
}) {
  const { view, setting, now } = props;
  if (view.name !== "top" || !setting) return null;
  const last = sweptArm(props.report).direction.at(-1);
  if (!last) return null;
  const flat = vec(last.x, 0, last.z);
  if (norm(flat) < 0.05) return null;
  const place = add(now.joint, mul(flat, (props.ring.inner * 0.5) / norm(flat)));
  const [x, y] = project(view, place);
  const [jx, jy] = project(view, now.joint);
  const onPointerDown = (event: React.PointerEvent<Element>) =>
    props.drag(event, (at) => {
      const p = planeAt(view, now.joint, at, props.report.lead);
      props.actions.turn(setting.key, Math.max(setting.from, Math.min(setting.to, Math.round(p))), true);
    });
  return (
    <g onPointerDown={onPointerDown} style={{ cursor: "grab", touchAction: "none" }} data-handle="plane">
      <line x1={jx} y1={jy} x2={x} y2={y} stroke="var(--ink)" strokeWidth={0.8} strokeDasharray="2 4" />
      <circle cx={x} cy={y} r={18} fill="transparent" />
      <rect
        x={x - 6}
        y={y - 6}
        width={12}
        height={12}
        transform={`rotate(45 ${x} ${y})`}
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth={1.6}
      />
    </g>
  );
}

function Ends(props: {
  view: View;
  report: Report;
  ring: { inner: number; handle: number };
  drag: (key: "range.from" | "range.to") => (event: React.PointerEvent<Element>) => void;
}) {
  const { report } = props;
  return (["range.from", "range.to"] as const).map((key, i) => {
    const at = i === 0 ? 0 : -1;
    const [joint, direction] = [sweptArm(report).joint.at(at), sweptArm(report).direction.at(at)];
    if (!joint || !direction) return null;
    const angle = Math.round(report.curves.angleDeg.at(at) ?? 0);
    return (
      <RingHandle
        key={key}
        view={props.view}
        joint={joint}
        direction={direction}
        ring={props.ring}
        label={`${angle}°`}
        onPointerDown={props.drag(key)}
      />
    );
  });
}

/** Scale bars: lengths and forces. */
function Scales({ view, scale, height, width }: { view: View; scale: number; height: number; width: number }) {
  const units = useUnits();
  const length = units.unit("length").name === "cm" ? 0.5 : 0.3048 * 2;
  const force = units.unit("force").name === "N" ? 50 : 20 * 4.4482216152605;
  const bars = [
    { size: length * view.scale, label: units.text(length, "length", 0), colour: "var(--ink)" },
    { size: force * scale * view.scale, label: units.text(force, "force", 0), colour: "var(--ember-deep)" },
  ];
  return (
    <g className="mono" fontSize={10} fill="var(--quiet)">
      {bars.map((b, i) => {
        const y = height - 26 + i * 17;
        return (
          <g key={b.label}>
            <line x1={16} x2={16 + b.size} y1={y} y2={y} stroke={b.colour} strokeWidth={2} />
            <text x={22 + b.size} y={y + 3.5}>
              {b.label}
            </text>
          </g>
        );
      })}
      <text x={width - 16} y={height - 6} textAnchor="end">
        {view.name === "top" || view.name === "free" ? `grid ${units.text(0.1, "length")}` : ""}
      </text>
    </g>
  );
}
