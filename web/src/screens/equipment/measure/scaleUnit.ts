import type { Units } from "../../../state/units";

/** What hanging scales show: kilograms or pounds, and how many newtons one is. */
export function scaleUnit(units: Units): { name: string; newtons: number } {
  const mass = units.unit("mass");
  return { name: mass.name, newtons: gravity / mass.factor };
}

const gravity = 9.80665; // m/s², the standard one that scales are set to

/** What would have to hang on a scale for so many newtons, kg. */
export const hung = (newtons: number): number => newtons / gravity;

/** The same in words, to the tenth that scales show; what is less, to the hundredth. */
export const hungText = (newtons: number, units: Units): string => {
  const { factor, name } = units.unit("mass");
  const shown = hung(newtons) * factor;
  return `${shown.toFixed(shown < 0.1 ? 2 : 1)} ${name}`;
};
