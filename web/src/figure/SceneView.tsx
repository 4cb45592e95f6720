import { useMemo, useRef, useState } from "react";
import styled from "styled-components";
import type { Sweeps } from "../engine/sweeps";
import type { Report, Scene, Setting, SetupDocument } from "../engine/types";
import { useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { directionAt, RingHandle, ringOf } from "./Arc";
import { Drawing, scaleOf } from "./Drawing";
import { elevationAt, followPointer, inPicture, placeNear } from "./drags";
import { extentOf } from "./extent";
import { Hatch } from "./Hatch";
import type { Turned } from "./handles/follow";
import { Handles, type StartDrag } from "./handles/Handles";
import { PoseHandles } from "./handles/PoseHandles";
import { Scales } from "./Scales";
import { sweptArm } from "./sweep";
import type { Vec } from "./vector";
import { fit, type Turn, type View, type ViewName } from "./view";

const Picture = styled.svg`
  display: block;
  width: 100%;
  height: 100%;
  user-select: none;
  -webkit-user-select: none;
  touch-action: none; /* on the whole: browsers pass over the parts of a drawing */
`;

export type SceneActions = {
  drag(turned: Turned): void;
  dragDone(): void;
  dragCancelled(): void;
  moveTo(s: number): void;
  turnView(turn: Turn): void;
  /** Leads the arm of a pose of the path by hand or elbow to a place in the room. */
  leadArm(pose: number, by: "hand" | "elbow", to: Vec): void;
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
  const fitted = useMemo(() => fit(viewName, scene.headingDeg, viewTurn, extent, size.width, size.height), [framed]);
  const still = useRef<View | null>(null); // the view of the press, for as long as something is dragged
  const view = still.current ?? fitted;
  const ring = ringOf(scene);
  const now = report.hold ? null : directionAt(report, scene.s);
  const setting = (name: string) => settings.find((s) => s.key === name);

  const [held, setHeld] = useState<string | null>(null);
  const [led, lead] = useState<Turned | null>(null); // where the hand leads what it holds, before the rest of the picture follows
  const box = () => svg.current?.getBoundingClientRect() ?? new DOMRect();
  const place = (event: { clientX: number; clientY: number }) => inPicture(box(), event.clientX, event.clientY);
  const start: StartDrag = (event, name, onMove) => {
    still.current = view;
    setHeld(name);
    const kept = box(); // asked once: asking makes the browser lay out the page
    followPointer(
      event,
      (clientX, clientY) => onMove(inPicture(kept, clientX, clientY)),
      (cancelled) => {
        still.current = null;
        setHeld(null);
        lead(null);
        if (cancelled) actions.dragCancelled();
        else actions.dragDone();
      },
    );
  };
  const turn = (turned: Turned) => {
    lead(turned);
    actions.drag(turned);
  };
  const dragEnd = (key: "range.from" | "range.to") => (event: React.PointerEvent<Element>) =>
    start(event, key, (at) => {
      const angle = elevationAt(view, report, at);
      const end = setting(key);
      if (angle !== null && end) actions.drag([{ setting: end, value: Math.round(angle) }]);
    });
  const dragNeedle = (event: React.PointerEvent<Element>) =>
    start(event, "needle", (at) => {
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
        <Picture ref={svg} data-view={viewName} role="img" aria-label={label} onPointerDown={turnScene}>
          <Hatch />
          <Drawing {...{ view, extent, scene, report, units }} target={props.document.target.region} />
          <Handles
            {...{ view, scene, report, settings, units, held, led, start, place }}
            sweeps={props.sweeps}
            turn={turn}
          />
          <PoseHandles
            {...{ view, scene, held, start, place }}
            frames={props.document.movement.keyframes ?? none}
            lead={actions.leadArm}
          />
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
          <Scales view={view} units={units} scale={scaleOf(scene)} height={size.height} width={size.width} />
        </Picture>
      )}
    </Frame>
  );
}

const none: never[] = [];

const Frame = styled.div`
  position: absolute;
  inset: 0;
`;

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
