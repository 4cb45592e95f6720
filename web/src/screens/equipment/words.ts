import type { Room } from "../../engine/types";
import type { Units } from "../../state/units";
import { dayWords } from "../plan/planEdits";
import { type Item, type ListName, sections } from "./fields";

/** How much there is in a room. */
export function inRoom(room: Room): string {
  const n = sections.reduce((sum, s) => sum + (room[s.list]?.length ?? 0), 0);
  return n === 0 ? "empty" : n === 1 ? "one thing" : `${n} things`;
}

/** A thing in a line: what tells it from others of its kind. */
export function inWords(list: ListName, item: Item, units: Units): string {
  const n = (field: string) => Number(item[field] ?? 0);
  const length = (v: number) => units.text(v, "length");
  const mass = (v: number) => units.text(v, "mass");
  const many = (field: string) => ((item[field] ?? []) as number[]).length;
  switch (list) {
    case "stations": {
      const c = item.column as Record<string, number>;
      const top = (c.lowestHole ?? 0) + ((c.holes ?? 1) - 1) * (c.spacing ?? 0);
      const two = n("columns") === 2 ? `two columns ${length(n("apart"))} apart, ` : "";
      return `${two}${c.holes} holes from ${length(c.lowestHole ?? 0)} to ${length(top)}, pins ${mass(c.lightest ?? 0)} to ${mass(c.heaviest ?? 0)}, ${Math.round(100 * n("ratio"))} % at the handle`;
    }
    case "benches":
      return `${many("notchesDeg")} ${many("notchesDeg") === 1 ? "notch" : "notches"}, seat ${length(n("height"))} up`;
    case "weights": {
      if (item.kind === "bar") return `${mass(n("bar"))} and ${many("plates")} pairs of plates`;
      const all = (item.masses ?? []) as number[];
      return `${all.length} pairs, ${mass(all[0] ?? 0)} to ${mass(all.at(-1) ?? 0)}`;
    }
    case "bands":
      return `${length(n("restLength"))} at rest, ${many("pull") > 0 ? `measured at ${many("pull")} lengths` : "by the law of rubber"}${item.worn ? ", worn" : ""}`;
    case "anchors":
      return n("from") === n("to") ? `${length(n("from"))} up` : `${length(n("from"))} to ${length(n("to"))} up`;
    case "holds":
      return `${String(item.kind)}, ${length(n("length"))}`;
    case "cams":
      return `cam at ${many("table")} angles, pins ${mass(n("lightest"))} to ${mass(n("heaviest"))}`;
    case "levers":
      return `handle ${length(n("handleRadius"))} and plates ${length(n("plateRadius"))} from the axis`;
    case "sleds":
      return `rails at ${units.text(n("railDeg"), "angle")}, ${mass(n("mass"))} without plates`;
    case "supports":
      return item.kind === "weight" ? mass(n("mass")) : n("size") > 0 ? length(n("size")) : "";
  }
}

/** When a thing was measured, and how well. */
export function measuredWords(item: Item, units: Units): string {
  const m = item.measured as { day: string; spread?: number } | undefined;
  if (!m) return "Not measured yet: the numbers are typed or usual ones.";
  return `Measured ${dayWords(m.day)} ${m.day.slice(0, 4)}${m.spread ? `, to ± ${units.text(100 * m.spread, "percent")}` : ""}.`;
}
