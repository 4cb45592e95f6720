import type { Scene, SceneSegment } from "../engine/types";
import { add, dot, mul, norm, sub, type Vec, vec } from "./vector";

/** An ellipsoid with its half axes as vectors. */
export type Blob = { centre: Vec; axes: [Vec, Vec, Vec] };
export type Tint = "skin" | "vest" | "shorts" | "shoe" | "hair";
/** A part is a chain of ellipsoids; neighbours are joined by their common hull. */
export type Part = { tint: Tint; chain: Blob[] };
/** Parts that share one outline and one depth. */
export type Group = { name: string; parts: Part[] };

type Size = number | [number, number, number];

/** Builds blobs in the axes of one segment, sizes in metres at a stature of 1.75 m. */
class Limb {
  private readonly axes: [Vec, Vec, Vec];
  /** With down, heights are counted from that far below the segment's origin. */
  constructor(
    private readonly segment: SceneSegment,
    readonly k: number,
    private readonly down = 0,
  ) {
    const t = segment.turn;
    const at = (i: number) => t[i] ?? 0;
    this.axes = [vec(at(0), at(3), at(6)), vec(at(1), at(4), at(7)), vec(at(2), at(5), at(8))];
  }
  /** A place in the segment's own axes, metres. */
  at(x: number, y: number, z: number): Vec {
    const [a, b, c] = this.axes;
    const up = y - this.down;
    return add(this.segment.origin, {
      x: a.x * x + b.x * up + c.x * z,
      y: a.y * x + b.y * up + c.y * z,
      z: a.z * x + b.z * up + c.z * z,
    });
  }
  blob(x: number, y: number, z: number, size: Size): Blob {
    const [rx, ry, rz] = typeof size === "number" ? [size, size, size] : size;
    const [a, b, c] = this.axes;
    const k = this.k;
    const long = (v: Vec, r: number) => vec(v.x * r * k, v.y * r * k, v.z * r * k);
    return { centre: this.at(x, y, z), axes: [long(a, rx), long(b, ry), long(c, rz)] };
  }
  axis(i: 0 | 1 | 2): Vec {
    return this.axes[i];
  }
}

/** A region with how hard it works, 0 to 1, at one place along the path. */
export type Work = { region: string; target: boolean; activation: number };

/** A hand: where it grips, its axes, and its four fingers as they close round what it holds. */
export type Hand = { side: string; grip: Vec; across: Vec; along: Vec; fingers: Blob[] };

export type Person = {
  groups: Group[];
  /** The regions at work on each side: the group a strip lies on, its chain, the way it faces and how hard it works. */
  strips: { key: string; side: string; group: string; chain: Blob[]; facing: Vec; work: Work }[];
  hands: Hand[];
};

/** The lifter as a person: everything hangs on the segments that the core computes. */
export function person(scene: Scene, works: Work[]): Person {
  const k = (scene.sizes.height ?? 1.75) / 1.75;
  const segmentOf = (name: string): SceneSegment => {
    const segment = scene.segments.find((s) => s.name === name);
    if (!segment) throw new Error(`The scene has no ${name}.`);
    return segment;
  };
  const limb = (name: string): Limb => new Limb(segmentOf(name), k);
  const [pelvis, thorax] = [segmentOf("pelvis"), segmentOf("thorax")];
  const bends = norm(sub(thorax.origin, pelvis.origin));
  const back: Back = { bends, below: new Limb(pelvis, k), above: new Limb(thorax, k, bends) };
  const holding = new Set(scene.loads.filter((l) => l.segment.startsWith("hand.")).map((l) => l.side));
  const out: Person = { groups: [], strips: [], hands: [] };
  out.groups.push(trunk(back, scene, k), head(limb("head"), k));
  for (const side of ["right", "left"]) {
    out.groups.push(leg(side, limb, scene));
    out.groups.push(arm(side, limb, scene, holding.has(side)));
    for (const work of works) {
      const strip = stripOf(side, limb, back, scene, work);
      if (strip) out.strips.push(strip);
    }
    const hand = limb(`hand.${side}`);
    const grip = scene.sizes.grip ?? 0.0875;
    out.hands.push({
      side,
      grip: hand.at(0, -grip, 0),
      across: hand.axis(0),
      along: hand.axis(1),
      fingers: [-0.03, -0.01, 0.01, 0.03].map((x) => hand.blob(x * k, -grip, 0, [0.0095, 0.027, 0.029])),
    });
  }
  return out;
}

/** The trunk in two pieces, both with heights from the hips, and how high it bends, m. */
type Back = { bends: number; below: Limb; above: Limb };

function trunk({ below: p, above: t }: Back, scene: Scene, k: number): Group {
  const sh = (scene.sizes.shoulderHeight ?? 1.43) - (scene.sizes.hipHeight ?? 0.93);
  const wide = scene.sizes.shoulderHalf ?? 0.175;
  const chest = wide - 0.008 * k;
  const y = (share: number) => share * sh;
  return {
    name: "trunk",
    parts: [
      {
        tint: "shorts",
        chain: [p.blob(-0.004, y(0.1), 0, [0.108, 0.06, 0.15]), p.blob(-0.012, y(-0.06), 0, [0.118, 0.075, 0.158])],
      },
      {
        tint: "vest",
        chain: [p.blob(0, y(0.14), 0, [0.102, 0.05, 0.148]), t.blob(0.004, y(0.36), 0, [0.095, 0.06, 0.136])],
      },
      {
        tint: "vest",
        chain: [
          t.blob(0.004, y(0.36), 0, [0.095, 0.06, 0.136]),
          t.blob(0.012, y(0.68), 0, [0.12, 0.1, chest / k - 0.004]),
          t.blob(0, y(0.87), 0, [0.104, 0.075, chest / k - 0.012]),
        ],
      },
      {
        tint: "vest",
        chain: [t.blob(0, y(0.87), 0, [0.1, 0.065, 0.15]), t.blob(-0.008, y(1.0), 0, [0.066, 0.05, 0.118])],
      },
      {
        tint: "skin",
        chain: [t.blob(-0.012, y(1.03), 0.075 * k, 0.044), t.blob(-0.008, y(1.1), 0, 0.056)],
      },
      {
        tint: "skin",
        chain: [t.blob(-0.012, y(1.03), -0.075 * k, 0.044), t.blob(-0.008, y(1.1), 0, 0.056)],
      },
      {
        tint: "skin",
        chain: [t.blob(-0.01, y(1.08), 0, 0.055), t.blob(0.008, y(1.26), 0, [0.055, 0.05, 0.052])],
      },
    ],
  };
}

function head(h: Limb, k: number): Group {
  const at = (x: number, y: number, z: number, size: Size) => h.blob(x * k, y * k, z * k, size);
  return {
    name: "head",
    parts: [
      { tint: "hair", chain: [at(-0.012, 0.222, 0, [0.1, 0.104, 0.082])] },
      { tint: "hair", chain: [at(-0.045, 0.19, 0, [0.06, 0.085, 0.07])] },
      {
        tint: "skin",
        chain: [at(0.024, 0.205, 0, [0.076, 0.088, 0.071]), at(0.042, 0.133, 0, [0.042, 0.034, 0.04])],
      },
      { tint: "skin", chain: [at(0.098, 0.188, 0, [0.016, 0.01, 0.012]), at(0.085, 0.215, 0, [0.012, 0.012, 0.009])] },
      { tint: "skin", chain: [at(-0.006, 0.187, 0.079, [0.018, 0.03, 0.007])] },
      { tint: "skin", chain: [at(-0.006, 0.187, -0.079, [0.018, 0.03, 0.007])] },
    ],
  };
}

function arm(side: string, limb: (name: string) => Limb, scene: Scene, holds: boolean): Group {
  const u = limb(`upperArm.${side}`);
  const f = limb(`forearm.${side}`);
  const h = limb(`hand.${side}`);
  const [upper, fore, grip] = [scene.sizes.upperArm ?? 0.33, scene.sizes.forearm ?? 0.26, scene.sizes.grip ?? 0.09];
  const tip = scene.sizes.hand ?? 0.19;
  const out = side === "right" ? 1 : -1;
  const thumb = h.blob(0.026, -grip * 0.8, -out * 0.018, 0.014);
  const flat = h.at(0, -tip, 0).y < underFloor;
  const fingers: Part[] = flat
    ? [{ tint: "skin", chain: onFloor(f, fore, tip) }]
    : holds
      ? [
          {
            tint: "skin",
            chain: [h.blob(0, -0.012, 0, [0.03, 0.02, 0.022]), h.blob(0, -grip, 0, [0.04, 0.036, 0.03])],
          },
          { tint: "skin", chain: [h.blob(0.03, -grip * 0.7, 0, 0.014), thumb] },
        ]
      : [
          {
            tint: "skin",
            chain: [
              h.blob(0, -0.012, 0, [0.028, 0.02, 0.02]),
              h.blob(0, -grip * 0.9, 0, [0.04, 0.03, 0.018]),
              h.blob(0.004, -tip * 0.93, -out * 0.008, [0.026, 0.014, 0.012]),
            ],
          },
          { tint: "skin", chain: [h.blob(0.028, -grip * 0.55, 0, 0.016), h.blob(0.042, -grip * 0.95, 0, 0.012)] },
        ];
  return {
    name: `arm.${side}`,
    parts: [
      {
        tint: "skin",
        chain: [
          u.blob(0, 0.006, 0, [0.062, 0.058, 0.058]),
          u.blob(0.004, -0.34 * upper, out * 0.006, [0.053, 0.06, 0.05]),
          u.blob(0.002, -0.7 * upper, 0, [0.046, 0.05, 0.042]),
          u.blob(0, -upper, 0, 0.038),
        ],
      },
      {
        tint: "skin",
        chain: [
          f.blob(0, 0, 0, 0.038),
          f.blob(0.004, -0.25 * fore, 0, [0.044, 0.05, 0.042]),
          f.blob(0, -0.7 * fore, 0, [0.033, 0.04, 0.029]),
          f.blob(0, -fore, 0, [0.029, 0.02, 0.022]),
        ],
      },
      ...fingers,
    ],
  };
}

/** The model's foot is stiff: on tiptoe its toes bend and stay on the floor. */
const above =
  (floor: number) =>
  (b: Blob): Blob => ({ ...b, centre: { ...b.centre, y: Math.max(b.centre.y, floor + 0.024) } });

/** A hand that the model has straight on, with its tip so far under the floor, m, is one that leans on the floor. */
const underFloor = -0.03;

/** The hand of a forearm laid flat on the floor, its fingers to the front. */
function onFloor(forearm: Limb, fore: number, tip: number): Blob[] {
  const wrist = forearm.at(0, -fore, 0);
  const front = forearm.axis(0);
  const size = Math.hypot(front.x, front.z) || 1;
  const ahead = vec(front.x / size, 0, front.z / size);
  const blob = (share: number, along: number, up: number, across: number): Blob => ({
    centre: vec(wrist.x + ahead.x * tip * share, up, wrist.z + ahead.z * tip * share),
    axes: [vec(ahead.x * along, 0, ahead.z * along), vec(0, up, 0), vec(-ahead.z * across, 0, ahead.x * across)],
  });
  return [
    forearm.blob(0, -fore, 0, [0.029, 0.02, 0.022]),
    blob(0.3, 0.04, 0.02, 0.038),
    blob(0.75, 0.035, 0.013, 0.03),
  ];
}

function leg(side: string, limb: (name: string) => Limb, scene: Scene): Group {
  const t = limb(`thigh.${side}`);
  const s = limb(`shank.${side}`);
  const f = limb(`foot.${side}`);
  const thigh = (scene.sizes.hipHeight ?? 0.93) - (scene.sizes.kneeHeight ?? 0.5);
  const shank = (scene.sizes.kneeHeight ?? 0.5) - (scene.sizes.ankleHeight ?? 0.07);
  const foot = scene.sizes.footLength ?? 0.266;
  const ankle = scene.sizes.ankleHeight ?? 0.068;
  const out = side === "right" ? 1 : -1;
  return {
    name: `leg.${side}`,
    parts: [
      {
        tint: "skin",
        chain: [
          t.blob(0, -0.45 * thigh, 0, [0.08, 0.08, 0.074]),
          t.blob(0.006, -0.78 * thigh, 0, [0.064, 0.06, 0.058]),
          t.blob(0.01, -thigh, 0, [0.057, 0.058, 0.052]),
        ],
      },
      {
        tint: "skin",
        chain: [
          s.blob(0.008, -0.02, 0, [0.054, 0.05, 0.05]),
          s.blob(-0.014, -0.3 * shank, out * 0.006, [0.057, 0.08, 0.053]),
          s.blob(-0.006, -0.68 * shank, 0, [0.04, 0.06, 0.037]),
          s.blob(-0.004, -0.97 * shank, 0, [0.034, 0.03, 0.031]),
        ],
      },
      {
        tint: "shorts",
        chain: [
          t.blob(-0.008, 0.01, out * 0.012, [0.108, 0.08, 0.086]),
          t.blob(0.002, -0.24 * thigh, 0, [0.096, 0.08, 0.084]),
          t.blob(0.004, -0.5 * thigh, 0, [0.088, 0.028, 0.081]),
        ],
      },
      {
        tint: "shoe",
        chain: [
          above(0)(f.blob(-0.08 * foot, 0.38 * ankle - ankle + 0.014, 0, [0.05, 0.04, 0.036])),
          above(0)(f.blob(0.32 * foot, -ankle + 0.036, out * 0.006, [0.07, 0.034, 0.045])),
          above(scene.sizes.block ?? 0)(f.blob(0.58 * foot, -ankle + 0.026, out * 0.008, [0.05, 0.024, 0.04])),
        ],
      },
      { tint: "shoe", chain: [f.blob(0, 0, 0, [0.038, 0.03, 0.034]), f.blob(-0.02, -ankle + 0.04, 0, 0.036)] },
    ],
  };
}

/** Where a region lies: the segment it is drawn on, the group it belongs to, which way it faces there, and how far along. */
type Lie = {
  on: "upperArm" | "thigh" | "shank" | "trunk";
  facing: "front" | "back" | "side" | "inner";
  from: number;
  to: number;
  out?: number;
};

const lies: [string, Lie][] = [
  ["deltoid.middle", { on: "upperArm", facing: "side", from: -0.08, to: 0.46 }],
  ["deltoid.anterior", { on: "upperArm", facing: "front", from: -0.08, to: 0.46 }],
  ["deltoid.posterior", { on: "upperArm", facing: "back", from: -0.08, to: 0.42 }],
  ["biceps", { on: "upperArm", facing: "front", from: 0.25, to: 0.92 }],
  ["brachialis", { on: "upperArm", facing: "front", from: 0.5, to: 0.95 }],
  ["triceps", { on: "upperArm", facing: "back", from: 0.2, to: 0.9 }],
  ["quadriceps", { on: "thigh", facing: "front", from: 0.2, to: 0.95 }],
  ["hamstrings", { on: "thigh", facing: "back", from: 0.2, to: 0.9 }],
  ["gluteus.medius", { on: "thigh", facing: "side", from: -0.25, to: 0.02 }],
  ["tensor", { on: "thigh", facing: "side", from: -0.1, to: 0.35 }],
  ["adductor", { on: "thigh", facing: "inner", from: 0.1, to: 0.7 }],
  ["calf.soleus", { on: "shank", facing: "back", from: 0.3, to: 0.8 }],
  ["tibialis", { on: "shank", facing: "front", from: 0.08, to: 0.65 }],
  ["calf", { on: "shank", facing: "back", from: 0.02, to: 0.55 }],
  ["gluteus", { on: "thigh", facing: "back", from: -0.15, to: 0.15 }],
  ["pectoralis.clavicular", { on: "trunk", facing: "front", from: 0.9, to: 0.84, out: 0.55 }],
  ["pectoralis.sternal", { on: "trunk", facing: "front", from: 0.84, to: 0.72, out: 0.5 }],
  ["pectoralis.costal", { on: "trunk", facing: "front", from: 0.72, to: 0.62, out: 0.5 }],
  ["latissimus", { on: "trunk", facing: "back", from: 0.78, to: 0.3, out: 0.55 }],
  ["cuff", { on: "trunk", facing: "back", from: 0.98, to: 0.86, out: 0.8 }],
  ["teres", { on: "trunk", facing: "back", from: 0.86, to: 0.74, out: 0.78 }],
  ["trapezius", { on: "trunk", facing: "back", from: 1.02, to: 0.8, out: 0.3 }],
  ["abdominals", { on: "trunk", facing: "front", from: 0.55, to: 0.15, out: 0.22 }],
  ["obliques", { on: "trunk", facing: "front", from: 0.5, to: 0.2, out: 0.6 }],
  ["erectors", { on: "trunk", facing: "back", from: 0.6, to: 0.08, out: 0.22 }],
  ["quadratus", { on: "trunk", facing: "back", from: 0.35, to: 0.15, out: 0.4 }],
];

/** The strip of the region that the setup is for, lying on the skin. */
function stripOf(side: string, limb: (name: string) => Limb, back: Back, scene: Scene, work: Work) {
  const lie = lies.find(([key]) => work.region.startsWith(key))?.[1];
  if (!lie) return null;
  const out = side === "right" ? 1 : -1;
  const size = scene.sizes;
  const u = lie.on === "trunk" ? back.above : limb(`${lie.on}.${side}`);
  const way = lie.facing === "back" ? -1 : 1;
  const length = {
    upperArm: size.upperArm ?? 0.33,
    thigh: (size.hipHeight ?? 0.93) - (size.kneeHeight ?? 0.5),
    shank: (size.kneeHeight ?? 0.5) - (size.ankleHeight ?? 0.07),
    trunk: (size.shoulderHeight ?? 1.43) - (size.hipHeight ?? 0.93),
  }[lie.on];
  const thick = {
    upperArm: [0.036, 0.052, 0.046, 0.03],
    thigh: [0.075, 0.07, 0.06, 0.045],
    shank: [0.05, 0.062, 0.056, 0.034],
    trunk: [0.09, 0.095, 0.09, 0.085],
  }[lie.on];
  // A region that works harder is drawn broader.
  const broad =
    { upperArm: 0.021, thigh: 0.036, shank: 0.03, trunk: 0.032 }[lie.on] * (0.55 + 0.6 * Math.min(1, work.activation));
  const sideways = (lie.out ?? 0) * (size.shoulderHalf ?? 0.175) * out;
  const chain = thick.map((away, i): Blob => {
    const along = (lie.from + ((lie.to - lie.from) * i) / 3) * length * (lie.on === "trunk" ? 1 : -1);
    const on = lie.on === "trunk" && along < back.bends ? back.below : u;
    return lie.facing === "side" || lie.facing === "inner"
      ? on.blob(0, along, out * away * (lie.facing === "inner" ? -1 : 1), [broad, 0.03, 0.012])
      : on.blob(way * away, along, sideways, [0.012, 0.03, broad]);
  });
  const z = u.axis(2);
  const x = u.axis(0);
  return {
    key: work.region,
    side,
    work,
    group: lie.on === "trunk" ? "trunk" : `${lie.on === "upperArm" ? "arm" : "leg"}.${side}`,
    chain,
    facing:
      lie.facing === "side" || lie.facing === "inner"
        ? mul(z, lie.facing === "inner" ? -out : out)
        : vec(way * x.x, way * x.y, way * x.z),
  };
}

/**
 * The groups of the body with those as one between which there is no line: the trunk and the leg in front, whose thigh goes on from it, and
 * the other leg where it is beside that one. What stands far before or behind the trunk stays by itself.
 */
export function joined(groups: Group[], toward: Vec): Group[] {
  const trunk = groups.find((g) => g.name === "trunk");
  const legs = groups.filter((g) => g.name.startsWith("leg."));
  legs.sort((a, b) => middleDepth(a, toward) - middleDepth(b, toward));
  const [far, near] = legs;
  if (!trunk || !far || !near) return groups;
  const away = (a: Group, b: Group) => Math.abs(middleDepth(a, toward) - middleDepth(b, toward));
  if (away(near, trunk) > reach) return groups;
  const one = away(far, near) < beside ? [far, trunk, near] : [trunk, near];
  const parts = one.flatMap((g) => g.parts);
  return [{ name: "trunk", parts }, ...groups.filter((g) => !one.includes(g))];
}

const beside = 0.12; // m
const reach = 0.28; // m

/** The middle of a group, for sorting by depth. */
export function middleDepth(group: Group, toward: Vec): number {
  let sum = 0;
  let n = 0;
  for (const part of group.parts) {
    for (const blob of part.chain) {
      sum += dot(blob.centre, toward);
      n++;
    }
  }
  return sum / n;
}
