import type { SetupDocument } from "../engine/types";
import type { ViewName } from "./view";

/** The view that shows a movement best: across the plane that it mostly lies in. */
export function firstView({ movement, posture, bench }: SetupDocument): ViewName {
  const flat = posture.kind === "hinged" || (bench && bench.angleDeg < 45 && posture.kind !== "seated");
  const plane =
    movement.hold?.["shoulder.planeOfElevationDeg"] ?? movement.keyframes?.[1]?.pose["shoulder.planeOfElevationDeg"];
  if (movement.primary === "hip.abduction") return posture.kind === "seated" ? "top" : "front";
  const moves = (key: string) => movement.primary === key || movement.keyframes?.some((k) => `${key}Deg` in k.pose);
  if (moves("trunk.flexion")) return "side";
  if (moves("trunk.bend")) return "front";
  if (moves("trunk.rotation")) return "top";
  if (movement.kind === "shoulder-raise") return (plane ?? 0) > 60 ? "side" : "front";
  const heights = (movement.keyframes ?? []).map((k) => k.pose["shoulder.elevationDeg"] ?? 0);
  if (Math.max(...heights, 0) - Math.min(...heights, 180) > 60) return "side";
  const level =
    movement.primary === "shoulder.planeOfElevation" ||
    movement.keyframes?.some((k) => (k.pose["shoulder.planeOfElevationDeg"] ?? plane) !== plane);
  if (level) return flat ? "front" : "top";
  return "side";
}
