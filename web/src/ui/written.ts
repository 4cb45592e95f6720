import type { Units } from "../state/units";

/** A value of a setting in words: a hole by its number, anything else with its unit. */
export const written = (v: number, kind: string, units: Units) =>
  kind === "hole" ? `hole ${Math.round(v * 100) / 100}` : units.text(v, kind);
