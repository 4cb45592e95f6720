import { memo, useMemo } from "react";
import type { Report, Scene } from "../engine/types";
import type { Units } from "../state/units";
import { Ribbon, ringOf } from "./Arc";
import { Bracing, Rubs } from "./Bracing";
import { Forces, forceScale } from "./Forces";
import { Floor } from "./Kit";
import { person } from "./person";
import { activationAt } from "./regionActivation";
import { Solids } from "./Solids";
import type { Extent, View } from "./view";

type Props = {
  view: View;
  extent: Extent;
  scene: Scene;
  report: Report;
  target: string;
  units: Units;
  /** A small picture without grid, contact forces and numbers. */
  small?: boolean;
};

/** How long a newton is drawn in a scene, metres. */
export const scaleOf = (scene: Scene): number => forceScale(Math.max(...scene.loads.map((l) => l.tension), 1));

/** Everything that is drawn and nothing that is dragged: floor, kit, lifter, arc and forces. */
export const Drawing = memo(function Drawing({ view, extent, scene, report, target, units, small }: Props) {
  const who = useMemo(() => person(scene, activationAt(report, scene.s, target)), [scene, report, target]);
  const scale = scaleOf(scene);
  return (
    <>
      {!small && <Floor view={view} extent={extent} />}
      <Solids view={view} scene={scene} who={who} numbered={!small} />
      {!small && <Bracing view={view} scene={scene} units={units} />}
      {!small && <Rubs view={view} report={report} />}
      {!report.hold && <Ribbon view={view} report={report} ring={ringOf(scene)} />}
      {!small &&
        scene.loads.map((l) => (
          <Forces key={`${l.index}${l.mirror}`} view={view} load={l} units={units} scale={scale} />
        ))}
    </>
  );
});
