import { useMemo } from "react";
import type { Core } from "../../../engine/core";
import type { Lifter, Report, Scene } from "../../../engine/types";
import { extentOf } from "../../../figure/extent";
import { person } from "../../../figure/person";
import { Solids } from "../../../figure/Solids";
import { fit, project } from "../../../figure/view";

export const drawn = { width: 1200, height: 1500, camera: 3.2, rod: 1 };

/** Stickers on the joints: which segment begins at each. */
const stickers = [
  ["shoulder", "upperArm.right"],
  ["elbow", "forearm.right"],
  ["wrist", "hand.right"],
  ["hip", "thigh.right"],
  ["knee", "shank.right"],
] as const;

type Drawn = { report: Report; scene: Scene };

/** A lifter in the middle of a curl, as the picture shows it: nothing of it is known to what measures. */
export function drawnOf(core: Core, lifter: Lifter): Drawn | undefined {
  const begun = core.begin(lifter, "biceps", "dumbbell", "standing").ok;
  if (!begun) return undefined;
  const text = JSON.stringify(begun);
  const report = core.evaluate(text).ok;
  const scene = core.scene(text, 0.4).ok;
  return report && scene && { report, scene };
}

/** How much nearer the arm is than the rod, which stands in the lifter's middle plane. */
export const armNearer = (lifter: Lifter): number => lifter.lengths?.shoulderHalfBreadth ?? 0.1 * lifter.height;

/** The figure as a camera some metres away sees it, beside a rod of a metre; a test picture, of which the truth is known. */
export function DrawnPicture({ drawn: { report, scene }, lifter }: { drawn: Drawn; lifter: Lifter }) {
  const { width, height, camera, rod } = drawn;
  const view = useMemo(
    () => fit("side", scene.headingDeg, { yaw: 0, pitch: 0 }, extentOf(scene, report), width, height),
    [scene, report],
  );
  const who = useMemo(() => person(scene, []), [scene]);
  const larger = camera / (camera - armNearer(lifter));
  const [cx, cy] = [width / 2, height / 2];
  const hip = scene.segments[0]?.origin ?? { x: 0, y: 0.9, z: 0 };
  const foot = project(view, { x: hip.x + 0.62, y: 0, z: hip.z });
  const top = project(view, { x: hip.x + 0.62, y: rod, z: hip.z });
  const part = (top[1] - foot[1]) / 10;
  return (
    <>
      <rect width={width} height={height} fill="var(--vest)" />
      <rect y={foot[1]} width={width} height={height - foot[1]} fill="var(--shorts)" />
      <g transform={`translate(${cx} ${cy}) scale(${larger}) translate(${-cx} ${-cy})`}>
        <Solids view={view} scene={scene} who={who} numbered={false} />
        {stickers.map(([joint, segment]) => {
          const at = scene.segments.find((s) => s.name === segment)?.origin;
          if (!at) return null;
          const [x, y] = project(view, at);
          return (
            <circle
              key={joint}
              data-joint={joint}
              cx={x}
              cy={y}
              r={7}
              fill="#f4f1ea"
              stroke="#20262b"
              strokeWidth={2}
            />
          );
        })}
      </g>
      {Array.from({ length: 10 }, (_, i) => (
        <rect
          key={i}
          data-rod={i === 0 ? "foot" : i === 9 ? "top" : undefined}
          x={foot[0] - 7}
          y={foot[1] + (i + 1) * part}
          width={14}
          height={-part}
          fill={i % 2 ? "#f4f1ea" : "#20262b"}
        />
      ))}
    </>
  );
}
