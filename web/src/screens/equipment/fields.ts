import type { Room } from "../../engine/types";

/** The lists of a room. */
export type ListName = Exclude<keyof Room, "schema" | "name" | "notes">;

/** Something in a room; what else it has depends on the list. */
export type Item = { key: string; name: string; [field: string]: unknown };

export type Unit = "length" | "mass" | "angle" | "share" | "area" | "plain" | "count";

/** One field of a thing: where it stands in it, what it is called, and when it applies. */
export type Field = { at: string; label: string; optional?: boolean; when?: (item: Item) => boolean } & (
  | { kind: Unit }
  | { kind: "list"; of: Unit }
  | { kind: "choice"; options: { key: string; label: string }[] }
  | { kind: "tick" }
  | { kind: "band" | "cam" }
);

export type Section = {
  list: ListName;
  title: string;
  one: string;
  about: string;
  fields: Field[];
  /** A new one, of common proportions. */
  fresh: () => Item;
};

const pins: Field[] = [
  { at: "lightest", label: "Lightest pin", kind: "mass" },
  { at: "step", label: "From pin to pin", kind: "mass" },
  { at: "heaviest", label: "Heaviest pin", kind: "mass" },
];

const is =
  (field: string, ...values: string[]) =>
  (item: Item) =>
    values.includes(String(item[field]));

const measured = (item: Item) => Array.isArray(item.pull) && item.pull.length > 0;

/** Everything that a room can hold, in the order in which a setup uses it. */
export const sections: Section[] = [
  {
    list: "stations",
    title: "Cable stations",
    one: "a station",
    about: "Columns with pulleys in numbered holes.",
    fields: [
      {
        at: "columns",
        label: "Columns",
        kind: "choice",
        options: [
          { key: "1", label: "One" },
          { key: "2", label: "Two" },
        ],
      },
      { at: "apart", label: "Distance between columns", kind: "length", when: (x) => x.columns === 2 },
      { at: "column.lowestHole", label: "Hole 1 is up", kind: "length" },
      { at: "column.spacing", label: "From hole to hole", kind: "length" },
      { at: "column.holes", label: "Holes", kind: "count" },
      { at: "column.height", label: "Column height", kind: "length" },
      { at: "column.halfWidth", label: "Half its width", kind: "length" },
      ...pins.map((f) => ({ ...f, at: `column.${f.at}` })),
      { at: "ratio", label: "Of the stack at the handle", kind: "share" },
      { at: "friction", label: "Lost in the pulleys", kind: "share" },
      { at: "parkedGap", label: "Cable out at rest", kind: "length" },
      { at: "travel", label: "Stack can rise", kind: "length" },
    ],
    fresh: () => ({
      key: "",
      name: "Cable station",
      columns: 2,
      apart: 1.1,
      ratio: 0.5,
      friction: 0.07,
      parkedGap: 0.05,
      travel: 1.6,
      column: {
        lowestHole: 0.2,
        spacing: 0.07,
        holes: 25,
        height: 2.05,
        halfWidth: 0.05,
        lightest: 5,
        step: 2.5,
        heaviest: 80,
      },
    }),
  },
  {
    list: "benches",
    title: "Benches",
    one: "a bench",
    about: "Notches are counted from the flattest.",
    fields: [
      { at: "notchesDeg", label: "Notches", kind: "list", of: "angle" },
      { at: "height", label: "Seat height", kind: "length" },
      { at: "backLength", label: "Back rest is long", kind: "length", optional: true },
      { at: "width", label: "Pads are wide", kind: "length", optional: true },
      { at: "mass", label: "Mass", kind: "mass" },
    ],
    fresh: () => ({ key: "", name: "Bench", notchesDeg: [0, 15, 30, 45, 60, 75, 85], height: 0.45, mass: 30 }),
  },
  {
    list: "weights",
    title: "Dumbbells and bars",
    one: "weights",
    about: "What can be loaded is worked out from the plates.",
    fields: [
      {
        at: "kind",
        label: "Kind",
        kind: "choice",
        options: [
          { key: "dumbbells", label: "Dumbbells" },
          { key: "bar", label: "Bar with plates" },
        ],
      },
      { at: "masses", label: "One of each pair", kind: "list", of: "mass", when: is("kind", "dumbbells") },
      { at: "bar", label: "Empty bar", kind: "mass", when: is("kind", "bar") },
      { at: "plates", label: "Plates, one of each pair", kind: "list", of: "mass", when: is("kind", "bar") },
    ],
    fresh: () => ({ key: "", name: "Dumbbells", kind: "dumbbells", masses: [1, 2, 3, 4, 5, 6, 8, 10] }),
  },
  {
    list: "bands",
    title: "Bands",
    one: "a band",
    about: "Measured points win over the law of rubber.",
    fields: [
      { at: "restLength", label: "Length at rest", kind: "length" },
      { at: "strands", label: "Strands", kind: "count" },
      { at: "section", label: "Section of a strand", kind: "area", when: (x) => !measured(x) },
      { at: "hysteresis", label: "Lost on the way back", kind: "share" },
      { at: "worn", label: "It shows wear", kind: "tick" },
      { at: "pull", label: "Pull of one strand", kind: "band" },
    ],
    fresh: () => ({ key: "", name: "Band", restLength: 1, strands: 1, section: 0.0001, hysteresis: 0.1 }),
  },
  {
    list: "anchors",
    title: "Anchors for bands",
    one: "an anchor",
    about: "Doors, racks, rings. The floor under a foot is always there.",
    fields: [
      { at: "from", label: "Lowest", kind: "length" },
      { at: "to", label: "Highest", kind: "length" },
      { at: "loose", label: "It could slip or lift off", kind: "tick" },
    ],
    fresh: () => ({ key: "", name: "Door anchor", from: 0.1, to: 1.95 }),
  },
  {
    list: "holds",
    title: "Handles, ropes, straps and cuffs",
    one: "a handle",
    about: "What is between the cable's end and the lifter.",
    fields: [
      {
        at: "kind",
        label: "Kind",
        kind: "choice",
        options: [
          { key: "handle", label: "Handle" },
          { key: "strap", label: "Strap" },
          { key: "rope", label: "Rope" },
          { key: "bar", label: "Bar for both hands" },
          { key: "cuff", label: "Cuff" },
          { key: "belt", label: "Belt" },
        ],
      },
      { at: "length", label: "Length", kind: "length" },
    ],
    fresh: () => ({ key: "", name: "Handle", kind: "handle", length: 0 }),
  },
  {
    list: "cams",
    title: "Machines with a cam",
    one: "a machine",
    about: "A pad moved about an axis; the cam's moment arm over the angle.",
    fields: [
      {
        at: "coordinate",
        label: "Turns with the",
        kind: "choice",
        options: [
          { key: "knee.flexion", label: "Knee" },
          { key: "hip.flexion", label: "Hip" },
          { key: "hip.abduction", label: "Hip, out and in" },
          { key: "ankle.flexion", label: "Ankle" },
          { key: "elbow.flexion", label: "Elbow" },
          { key: "shoulder.elevation", label: "Arm, raised" },
          { key: "shoulder.planeOfElevation", label: "Arm, forward and back" },
          { key: "shoulder.rotation", label: "Arm, turned in and out" },
        ],
      },
      { at: "padFrom", label: "Pad, nearest", kind: "length" },
      { at: "padTo", label: "Pad, farthest", kind: "length" },
      { at: "ratio", label: "Of the stack on the cam", kind: "share" },
      ...pins,
      { at: "table", label: "Moment arm of the stack", kind: "cam" },
    ],
    fresh: () => ({
      key: "",
      name: "Machine",
      coordinate: "knee.flexion",
      padFrom: 0.28,
      padTo: 0.44,
      ratio: 1,
      lightest: 5,
      step: 5,
      heaviest: 100,
      table: [
        { angleDeg: 0, arm: 0.2 },
        { angleDeg: 110, arm: 0.2 },
      ],
    }),
  },
  {
    list: "levers",
    title: "Machines with a lever",
    one: "a machine",
    about: "A handle about a pivot, against plates.",
    fields: [
      { at: "pivotHeight", label: "Axis is up", kind: "length" },
      { at: "handleRadius", label: "Axis to handle", kind: "length" },
      { at: "plateRadius", label: "Axis to plates", kind: "length" },
      { at: "plateDeg", label: "Plates, from the handle", kind: "angle" },
      { at: "leverMass", label: "Bare lever", kind: "mass" },
      { at: "leverRadius", label: "Axis to its centre of mass", kind: "length" },
      { at: "seatFrom", label: "Lowest seat", kind: "length" },
      { at: "seatTo", label: "Highest seat", kind: "length" },
      { at: "plates", label: "Plates at hand", kind: "list", of: "mass" },
    ],
    fresh: () => ({
      key: "",
      name: "Lever",
      pivotHeight: 1.9,
      handleRadius: 0.95,
      plateRadius: 0.6,
      plateDeg: 180,
      leverMass: 5,
      leverRadius: 0.3,
      seatFrom: 0.4,
      seatTo: 0.6,
      plates: [5, 5, 10, 10],
    }),
  },
  {
    list: "sleds",
    title: "Sleds",
    one: "a sled",
    about: "A plate on rails that the feet push, or a carriage for the back, against plates.",
    fields: [
      { at: "railDeg", label: "Rails rise by", kind: "angle" },
      { at: "plateDeg", label: "Plate leans away by", kind: "angle" },
      { at: "mass", label: "Bare sled", kind: "mass" },
      { at: "rides", label: "It carries the back; the feet stay", kind: "tick" },
      { at: "plates", label: "Pairs of plates at hand", kind: "list", of: "mass" },
    ],
    fresh: () => ({ key: "", name: "Leg press", railDeg: 45, plateDeg: 12, mass: 45, plates: [5, 10, 20, 20, 20] }),
  },
  {
    list: "supports",
    title: "What keeps the lifter in place",
    one: "a support",
    about: "Straps, pads, seats, weights on a bench's foot.",
    fields: [
      {
        at: "kind",
        label: "Kind",
        kind: "choice",
        options: [
          { key: "strap", label: "Strap over the hips" },
          { key: "thighPad", label: "Pad over the thighs" },
          { key: "platform", label: "Platform under the knees, on a stack" },
          { key: "armPad", label: "Sloping pad for the arms" },
          { key: "seat", label: "Seat" },
          { key: "pad", label: "Pad under the back" },
          { key: "weight", label: "Weight on the bench" },
        ],
      },
      { at: "size", label: "Height or thickness", kind: "length", when: is("kind", "seat", "pad") },
      { at: "mass", label: "Mass", kind: "mass", when: is("kind", "weight") },
    ],
    fresh: () => ({ key: "", name: "Chair", kind: "seat", size: 0.45 }),
  },
];

/** The value at a path of a thing, like column.holes. */
export function valueAt(item: Item, path: string): unknown {
  return path.split(".").reduce<unknown>((v, k) => (v as Record<string, unknown> | undefined)?.[k], item);
}

/** The thing with another value at a path. */
export function withValue(item: Item, path: string, value: unknown): Item {
  const [first, ...rest] = path.split(".") as [string, ...string[]];
  if (rest.length === 0) return { ...item, [first]: value };
  return { ...item, [first]: withValue(item[first] as Item, rest.join("."), value) };
}

const measurable = ["pull", "hysteresis", "ratio", "friction", "table", "leverRadius", "leverMass"];

/** The thing with a value that was set by hand: what was measured of it is not what it says any more. */
export function byHand(item: Item, path: string, value: unknown): Item {
  const to = withValue(item, path, value);
  return measurable.includes(path) ? { ...to, measured: undefined } : to;
}

/** A key that nothing in the room has yet, made from a name. */
export function freeKey(room: Room, name: string): string {
  const taken = new Set(sections.flatMap((s) => (room[s.list] as unknown as Item[]).map((x) => x.key)));
  const base =
    name
      .toLowerCase()
      .normalize("NFKD")
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-|-$/g, "")
      .slice(0, 40) || "thing";
  let key = base;
  for (let n = 2; taken.has(key); n++) key = `${base}-${n}`;
  return key;
}
