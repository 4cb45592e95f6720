import type { StoredSetup } from "../../engine/types";
import type { Units } from "../../state/units";

/** A setup in a line: its loads, its range and its version. */
export function describe(s: StoredSetup, units: Units): string {
  const { loads, movement } = s.document;
  const swept = movement.kind === "sweep" || movement.kind === "shoulder-raise";
  const range = { hold: "held", guided: "guided", keyframes: "in poses" }[movement.kind as string] ?? "";
  return [
    (loads ?? []).map((l) => describeLoad(l, units)).join(" and "),
    swept ? `${movement.fromDeg ?? 0} to ${movement.toDeg ?? 0}°` : range,
    `version ${s.version}`,
  ].join(" · ");
}

function describeLoad(load: StoredSetup["document"]["loads"][number], units: Units): string {
  const mass = (kg?: number) => units.text(kg ?? 0, "mass");
  switch (load.kind) {
    case "dumbbell":
      return `dumbbell ${mass(load.mass)}`;
    case "bar":
      return load.contact.segment === "hand" ? `${mass(load.mass)} in both hands` : `bar ${mass(load.mass)}`;
    case "band":
      return `band ${units.text(load.restLength ?? 0, "length")}`;
    case "rope":
      return `rope ${mass(load.stackMass)}`;
    case "cam":
      return `machine ${mass(load.stackMass)}`;
    case "lever":
      return `lever ${mass(load.plateMass)}`;
    case "sled":
      return `sled ${mass(load.plateMass)}`;
    case "assist":
      return `${mass(load.stackMass)} taken off`;
    case "bodyweight":
      return "own body";
  }
  return `cable ${mass(load.stackMass)}${load.kit?.hole ? `, hole ${load.kit.hole}` : ""}`;
}
