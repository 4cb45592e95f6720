import type { Report, Scene } from "../engine/types";
import { ringOf } from "./Arc";
import { sweptArm } from "./sweep";
import { add, mul, unit, type Vec, vec } from "./vector";
import type { Extent } from "./view";

/** How far a sled's plates reach beyond the feet, m. */
const plates = 0.4;

/**
 * What has to be in the picture; columns are broken off above it. It grows in steps, so that the picture stands still during
 * most of a drag.
 */
export function extentOf(scene: Scene, report: Report): Extent {
  const out = (x: number) => Math.ceil(x / 0.1 - 1e-9) * 0.1;
  const hip = scene.segments[0]?.origin ?? vec(0, 0.93, 0);
  const reach = ringOf(scene).handle + 0.11;
  const arm = sweptArm(report);
  const rim = report.hold ? [] : arm.direction.map((d, i) => add(arm.joint[i] ?? hip, mul(d, reach)));
  const body = scene.segments.filter((s) => !s.name.startsWith("thigh.")).map((s) => s.origin);
  const toes = scene.segments
    .filter((s) => s.name.startsWith("foot."))
    .map((s) =>
      add(s.origin, mul(vec(s.turn[0] ?? 0, s.turn[3] ?? 0, s.turn[6] ?? 0), 0.75 * (scene.sizes.footLength ?? 0.27))),
    );
  const kit = scene.loads.flatMap((l) => [...(l.pulley ? [l.pulley] : []), ...l.shape]);
  for (const l of scene.loads.filter((x) => x.kind === "sled")) kit.push(add(l.contact, mul(unit(l.force), -plates)));
  const points = [...rim, ...body, ...toes, ...kit, ...scene.columns.map((c) => vec(c.x, 0, c.z))];
  const crown = crownOf(scene);
  if (crown) points.push(crown);
  const upright = scene.posture === "standing" && scene.joint === "shoulder";
  let [back, front, left, right, under, top] = [
    0.35,
    0.45,
    0.55,
    0.55,
    0.02,
    upright ? 1.06 * (scene.sizes.height ?? 1.75) : 0.8,
  ];
  for (const p of points) {
    back = Math.max(back, hip.x - p.x + 0.12);
    front = Math.max(front, p.x - hip.x);
    left = Math.max(left, hip.z - p.z + 0.04);
    right = Math.max(right, p.z - hip.z + 0.04);
    under = Math.max(under, -p.y);
    top = Math.max(top, p.y + 0.05);
  }
  return {
    low: vec(hip.x - out(back), -under, hip.z - out(left)),
    high: vec(hip.x + out(front), out(top), hip.z + out(right)),
  };
}

/** The top of the head. */
export function crownOf(scene: Scene): Vec | null {
  const head = scene.segments.find((s) => s.name === "head");
  if (!head) return null;
  const up = vec(head.turn[1] ?? 0, head.turn[4] ?? 0, head.turn[7] ?? 0);
  return add(head.origin, mul(up, 0.2 * (scene.sizes.height ?? 1.75)));
}
