import type { Report, Scene, SetupDocument } from "../engine/types";
import type { Units } from "../state/units";
import { Drawing, scaleOf } from "./Drawing";
import { extentOf } from "./extent";
import { Hatch } from "./Hatch";
import { Scales } from "./Scales";
import { fit, type Turn, type ViewName } from "./view";

type Props = {
  document: SetupDocument;
  report: Report;
  scene: Scene;
  viewName: ViewName;
  viewTurn?: Turn;
  units: Units;
  width: number;
  height: number;
  small?: boolean;
};

/** The picture by itself: for lists, for saved states and for files. */
export function Still({ document, report, scene, viewName, viewTurn, units, width, height, small }: Props) {
  const extent = extentOf(scene, report);
  const view = fit(viewName, scene.headingDeg, viewTurn ?? { yaw: 35, pitch: 12 }, extent, width, height);
  return (
    <svg
      xmlns="http://www.w3.org/2000/svg"
      viewBox={`0 0 ${width} ${height}`}
      width={width}
      height={height}
      role="img"
      aria-label={`${document.name}: ${viewName} view at ${units.text(scene.angleDeg, "angle")}`}
    >
      <Hatch />
      <Drawing {...{ view, extent, scene, report, units, small }} target={document.target.region} />
      {!small && <Scales view={view} units={units} scale={scaleOf(scene)} width={width} height={height} />}
    </svg>
  );
}
