import type { Digest, SetupDocument } from "../../engine/types";
import type { Units } from "../../state/units";

/** What a lifter sets before the first set, each with what it is set to: pulley, pin, notch, seat, where to stand. */
export function toSet(d: SetupDocument, digest: Digest | undefined, load: number, units: Units): [string, string][] {
  const rows: [string, string][] = [];
  const holes = digest?.spot.pulleys ?? [];
  if (holes.length > 0 && d.loads.some((l) => l.kit?.hole)) {
    const apart = new Set(holes).size > 1 ? holes.join(" and ") : holes[0];
    rows.push([holes.length > 1 ? "Pulleys" : "Pulley", `hole ${apart}`]);
  }
  if (load > 0) rows.push([digest?.counted === "the pin" ? "Pin" : "Load", units.text(load, "mass")]);
  if (d.bench) {
    const notch = d.bench.kit?.notchesDeg.indexOf(d.bench.angleDeg) ?? -1;
    rows.push([
      "Bench",
      notch >= 0
        ? `notch ${notch + 1}, ${units.text(d.bench.angleDeg, "angle")}`
        : units.text(d.bench.angleDeg, "angle"),
    ]);
  }
  if (d.posture.seatHeight) rows.push(["Seat", units.text(d.posture.seatHeight, "length")]);
  if (d.loads.some((l) => l.pulley) && d.posture.kind !== "supine") rows.push(["Stand", standing(d, units)]);
  return rows;
}

/** How far out to stand, in the lifter's own foot lengths to a quarter, and by the tape. */
function standing(d: SetupDocument, units: Units): string {
  const foot = d.lifter.lengths?.footLength ?? 0.152 * d.lifter.height;
  const feet = Math.round((4 * Math.abs(d.posture.x)) / foot) / 4;
  const whole = Math.floor(feet);
  const part = ["", "¼", "½", "¾"][Math.round(4 * (feet - whole))] ?? "";
  const words = feet === 0 ? "level with it" : `${whole || ""}${part} ${feet > 1 ? "feet" : "foot"} out`;
  return `${words} (${units.text(Math.abs(d.posture.x), "length")})`;
}
