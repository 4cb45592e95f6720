import type { Scene, SetupDocument } from "../../engine/types";
import { add, mul, type Vec } from "../vector";
import { project, type View } from "../view";
import type { StartDrag } from "./Handles";

type By = "hand" | "elbow";

type Props = {
  view: View;
  scene: Scene;
  frames: NonNullable<SetupDocument["movement"]["keyframes"]>;
  held: string | null;
  start: StartDrag;
  place: (event: React.PointerEvent<Element>) => readonly [number, number];
  lead: (pose: number, by: By, to: Vec) => void;
};

/** Hand and elbow of a pose of the path, while the picture stands at one: led in the plane of the view. */
export function PoseHandles({ view, scene, frames, held, start, place, lead }: Props) {
  const pose = frames.findIndex((f) => Math.abs(f.s - scene.s) < 0.004);
  if (pose < 0) return null;
  return (scene.arm ?? []).map(({ by, at }) => {
    const [x, y] = project(view, at);
    const name = `pose.${by}`;
    const onPointerDown = (event: React.PointerEvent<Element>) => {
      const from = place(event);
      start(event, name, (to) => {
        const [right, up] = [(to[0] - from[0]) / view.scale, (from[1] - to[1]) / view.scale];
        lead(pose, by as By, add(at, add(mul(view.right, right), mul(view.up, up))));
      });
    };
    return (
      <g key={by} data-handle={name} onPointerDown={onPointerDown} style={grab}>
        <circle cx={x} cy={y} r={16} fill="transparent" />
        <circle
          cx={x}
          cy={y}
          r={held === name ? 7 : 5.5}
          fill="var(--sheet)"
          stroke="var(--pine)"
          strokeWidth={2.2}
          pointerEvents="none"
        />
      </g>
    );
  });
}

const grab = { cursor: "grab" } as const;
