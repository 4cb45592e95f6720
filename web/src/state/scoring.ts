import type { Points } from "../engine/types";

/** The parts of a score in the order in which they are told. */
const parts: [keyof Points, string][] = [
  ["fit", "fit"],
  ["muscles", "muscles"],
  ["lengths", "muscle length"],
  ["outOfPlane", "out of plane"],
  ["start", "start tension"],
  ["clearance", "clearance"],
  ["jointLoad", "joint load"],
  ["aims", "aims"],
];

/** Points with their sign. */
export const signed = (v: number, digits = 0): string => {
  const text = Math.abs(v).toFixed(digits);
  return Number(text) === 0 ? "0" : `${v < 0 ? "−" : "+"}${text}`;
};

/** In which parts a score differs from another: "fit −2, muscles +6". */
export function partsOf(now: Points, before: Points | null, digits = 0): string {
  const least = 0.5 * 10 ** -digits;
  return parts
    .map(([key, label]) => ({ label, by: now[key] - (before?.[key] ?? 0) }))
    .filter(({ by }) => Math.abs(by) >= least)
    .map(({ label, by }) => `${label} ${signed(by, digits)}`)
    .join(", ");
}
