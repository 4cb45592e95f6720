import type { DialName } from "../../engine/bridge.gen";
import type { Report, Scene, Setting } from "../../engine/types";
import { crownOf } from "../extent";
import { sweptArm } from "../sweep";
import { add, cross, dot, mul, norm, sub, unit, type Vec, vec } from "../vector";

/** A setting that follows a straight movement in the room: so much of its value per metre along a direction. */
export type Slide = { setting: Setting; direction: Vec; per: number };

/** A setting that follows a turn about an axis of the room, degrees times a sign. */
export type Swing = { setting: Setting; centre: Vec; axis: Vec; sign: number };

/** Something in the picture that can be taken hold of. */
export type Grip = {
  name: string;
  at: Vec;
  look: "pulley" | "anchor" | "floor" | "edge" | "turn";
  slides?: Slide[];
  swing?: Swing;
  /** Whether the place of the best value is shown even while nothing is dragged. */
  ghost?: boolean;
};

type Found = (key: DialName | `${DialName}/${number}`) => Setting | undefined;

/** Everything that can be dragged in a scene, besides what lies on the ring. */
export function gripsOf(scene: Scene, report: Report, settings: Setting[]): Grip[] {
  const find: Found = (key) => settings.find((s) => s.key === key);
  return [
    ...strandGrips(scene, find),
    ...limbGrips(scene, find),
    ...floorGrips(scene, find),
    ...benchGrips(scene, find),
    ...bodyGrips(scene, find),
    ...guideGrips(scene, report, find),
    ...planeGrip(report, find),
  ];
}

const [X, Y, Z] = [vec(1, 0, 0), vec(0, 1, 0), vec(0, 0, 1)];

function slides(...all: (Slide | null)[]): Slide[] {
  return all.filter((s) => s !== null);
}

function slide(setting: Setting | undefined, direction: Vec, per = 1): Slide | null {
  return setting ? { setting, direction, per } : null;
}

/** Where strands come from: pulleys on columns or free ones, anchors of bands. */
function strandGrips(scene: Scene, find: Found): Grip[] {
  return scene.loads.flatMap((l): Grip[] => {
    if (!l.pulley || l.kind === "cam" || l.kind === "lever") return [];
    const kind = l.kind === "band" ? "band" : "pulley";
    const height = find(`${kind}.height/${l.index}`);
    const column = scene.columns.find((c) => c.index === l.index && c.mirror === l.mirror);
    const apart = find(`${kind === "band" ? "band" : "columns"}.apart/${l.index}`);
    const all = slides(
      slide(height, Y, height?.kind === "hole" && column ? 1 / column.spacing : 1),
      slide(find(`${kind}.out/${l.index}`), X),
      slide(find(`${kind}.aside/${l.index}`), Z, l.mirror ? -1 : 1),
      slide(apart, Z, l.pulley.z < 0 ? -2 : 2),
    );
    const look = kind === "band" ? "anchor" : "pulley";
    return [{ name: named(look, l), at: l.pulley, look, slides: all, ghost: true }];
  });
}

/** A name of its own for each load's grip; the first load's is the plain one. */
const named = (what: string, l: Scene["loads"][number]) =>
  what + (l.index ? `.${l.index}` : "") + (l.mirror ? ".mirror" : "");

const limbs: Record<string, (sizes: Record<string, number>) => number> = {
  upperArm: (s) => s.upperArm ?? 0,
  forearm: (s) => s.forearm ?? 0,
  thigh: (s) => (s.hipHeight ?? 0) - (s.kneeHeight ?? 0),
  shank: (s) => (s.kneeHeight ?? 0) - (s.ankleHeight ?? 0),
};

/** Cuffs along their limb, and the length of handle and strap on the line of force. */
function limbGrips(scene: Scene, find: Found): Grip[] {
  return scene.loads.flatMap((l): Grip[] => {
    if (l.mirror) return [];
    const out: Grip[] = [];
    const cuff = find(`cuff/${l.index}`);
    const length = limbs[l.segment.split(".")[0] ?? ""]?.(scene.sizes) ?? 0;
    const segment = scene.segments.find((s) => s.name === l.segment);
    if (cuff && segment && length > 0) {
      const along = axisOf(segment.turn, 1, -1);
      out.push({ name: named("cuff", l), at: l.contact, look: "edge", slides: slides(slide(cuff, along, 1 / length)) });
    }
    const feet = find(`sled.feet/${l.index}`);
    const [low, high] = l.shape;
    if (feet && low && high) {
      out.push({
        name: named("sled", l),
        at: l.contact,
        look: "edge",
        slides: slides(slide(feet, unit(sub(high, low)))),
      });
    }
    const strap = find(`strap/${l.index}`);
    if (strap && l.tension > 0 && l.pulley && !cuff) {
      const along = unit(l.force);
      const at = add(l.contact, mul(along, strap.value + 0.1));
      out.push({ name: named("strap", l), at, look: "edge", slides: slides(slide(strap, along)) });
    }
    return out;
  });
}

/** Column k of a rotation matrix by rows. */
const axisOf = (t: number[], k: number, times: number): Vec => mul(vec(t[k] ?? 0, t[3 + k] ?? 0, t[6 + k] ?? 0), times);

/** Where the lifter stands and faces. */
function floorGrips(scene: Scene, find: Found): Grip[] {
  const hip = scene.segments[0]?.origin;
  if (!hip) return [];
  const under = vec(hip.x, 0, hip.z);
  const out: Grip[] = [
    {
      name: "stance",
      at: under,
      look: "floor",
      slides: slides(slide(find("stance.out"), X), slide(find("stance.aside"), Z)),
    },
  ];
  const heading = find("heading");
  if (heading) {
    const at = add(under, mul(forwardOf(scene), 0.42));
    out.push({ name: "heading", at, look: "turn", swing: { setting: heading, centre: under, axis: Y, sign: 1 } });
  }
  return out;
}

function forwardOf(scene: Scene): Vec {
  const h = (scene.headingDeg * Math.PI) / 180;
  return vec(Math.cos(h), 0, -Math.sin(h));
}

const rightOf = (scene: Scene): Vec => {
  const f = forwardOf(scene);
  return vec(-f.z, 0, f.x);
};

/** The seat's height, the bench's height and its notch, how far it is from the feet, and what the rear foot lies on. */
function benchGrips(scene: Scene, find: Found): Grip[] {
  const [first, last] = [scene.pads[0], scene.pads.at(-1)];
  const out: Grip[] = [];
  const seat = find("seat.height");
  if (seat && first) {
    const at = add(first.middle, axisOf(first.turn, 0, first.half.x));
    out.push({ name: "seat", at, look: "edge", slides: slides(slide(seat, Y)) });
  }
  if (!last) return out;
  const edge = add(last.middle, vec(0, last.half.y, 0));
  const [away, rear] = [find("feet.out"), find("rear.height")];
  if (away) out.push({ name: "feetOut", at: edge, look: "edge", slides: slides(slide(away, forwardOf(scene), -1)) });
  if (rear) out.push({ name: "rear", at: edge, look: "edge", slides: slides(slide(rear, Y)) });
  const [head, foot] = [1, -1].map((k) => add(last.middle, axisOf(last.turn, 1, k * last.half.y))) as [Vec, Vec];
  const height = find("bench.height");
  if (height) out.push({ name: "bench", at: foot, look: "edge", slides: slides(slide(height, Y)) });
  const angle = find("bench.angle");
  if (angle) {
    const axis = rising(unit(sub(head, foot)), scene);
    out.push({
      name: "notch",
      at: head,
      look: "turn",
      swing: { setting: angle, centre: foot, axis, sign: 1 },
      ghost: true,
    });
  }
  return out;
}

/** The level axis about which a pad turns when its head end rises. */
function rising(along: Vec, scene: Scene): Vec {
  const level = cross(along, Y);
  return norm(level) > 0.05 ? unit(level) : mul(rightOf(scene), Math.sign(dot(cross(rightOf(scene), along), Y)) || 1);
}

/** What is turned on the lifter: the lean of the trunk, and how far out the elbows go. */
function bodyGrips(scene: Scene, find: Found): Grip[] {
  const out: Grip[] = [];
  const of = (name: string) => scene.segments.find((s) => s.name === name)?.origin;
  const [lean, crown, hip] = [find("trunk.lean"), crownOf(scene), scene.segments[0]?.origin];
  if (lean && crown && hip) {
    const swing = { setting: lean, centre: hip, axis: rightOf(scene), sign: -1 };
    out.push({ name: "lean", at: crown, look: "turn", swing });
  }
  const swivel = find("guide.swivel");
  for (const [side, sign] of [
    ["right", -1],
    ["left", 1],
  ] as const) {
    const [shoulder, elbow, hand] = [of(`upperArm.${side}`), of(`forearm.${side}`), of(`hand.${side}`)];
    if (!swivel || !shoulder || !elbow || !hand || out.some((g) => g.name === "swivel")) continue;
    const axis = unit(sub(hand, shoulder));
    const centre = add(shoulder, mul(axis, dot(sub(elbow, shoulder), axis)));
    out.push({ name: "swivel", at: elbow, look: "turn", swing: { setting: swivel, centre, axis, sign } });
  }
  return out;
}

/** The ends of a line, or the start and the centre of an arc, that lead the hand. */
function guideGrips(scene: Scene, report: Report, find: Found): Grip[] {
  const { guide } = scene;
  if (!guide) return [];
  const left = report.lead === "left" ? -1 : 1;
  const [x, y, z] = guide.frame === "room" ? [X, Y, Z] : [forwardOf(scene), Y, mul(rightOf(scene), left)];
  const other = guide.kind === "arc" ? "centre" : "end";
  const grip = (name: "start" | "end" | "centre", at: Vec): Grip => ({
    name: `guide.${name}`,
    at,
    look: "turn",
    slides: slides(
      slide(find(`guide.${name}X`), x),
      slide(find(`guide.${name}Y`), y),
      slide(find(`guide.${name}Z`), z) ?? slide(find("grip.width"), z, 2),
    ),
  });
  return [grip("start", guide.start), grip(other, guide.other)].filter((g) => g.slides?.length);
}

/** The way the arm points at the end of its path, from above. */
function planeGrip(report: Report, find: Found): Grip[] {
  const setting = find("path.plane");
  const [joint, last] = [sweptArm(report).joint.at(-1), sweptArm(report).direction.at(-1)];
  if (!setting || !joint || !last) return [];
  const flat = vec(last.x, 0, last.z);
  if (norm(flat) < 0.05) return [];
  const at = add(joint, mul(unit(flat), 0.42));
  // The plane counts from out to the side towards the front: to the left for the right arm.
  const sign = report.lead === "left" ? -1 : 1;
  return [{ name: "plane", at, look: "turn", swing: { setting, centre: joint, axis: Y, sign } }];
}
