import type { Quantity, Setting } from "../engine/types";
import { type Preferences, usePreferences } from "./preferences";

type Unit = { name: string; factor: number; digits: number };

/** Units of display for values that are SI inside. */
const units: Record<"metric" | "imperial", Record<string, Unit>> = {
  metric: {
    length: { name: "cm", factor: 100, digits: 0 },
    mass: { name: "kg", factor: 1, digits: 2 },
    torque: { name: "N·m", factor: 1, digits: 1 },
    force: { name: "N", factor: 1, digits: 0 },
  },
  imperial: {
    length: { name: "in", factor: 1 / 0.0254, digits: 1 },
    mass: { name: "lb", factor: 1 / 0.45359237, digits: 1 },
    torque: { name: "lbf·ft", factor: 1 / (0.3048 * 4.4482216152605), digits: 1 },
    force: { name: "lbf", factor: 1 / 4.4482216152605, digits: 1 },
  },
};

const unitless: Record<string, Unit> = {
  angle: { name: "°", factor: 1, digits: 0 },
  percent: { name: "%", factor: 1, digits: 0 },
  share: { name: "%", factor: 100, digits: 0 },
  count: { name: "", factor: 1, digits: 0 },
  time: { name: "s", factor: 1, digits: 2 },
  hole: { name: "", factor: 1, digits: 0 },
};

export type Units = {
  unit(kind: string): Unit;
  /** The number alone, in the coach's unit. */
  number(value: number, kind: string, digits?: number): string;
  /** Number and unit. */
  text(value: number, kind: string, digits?: number): string;
  /** The sentence with its values filled in. */
  sentence(text: string, values: Record<string, Quantity>): string;
  /** One step of a dial in SI. */
  step(setting: Setting): number;
};

function made(system: keyof typeof units): Units {
  const unit = (kind: string): Unit => units[system][kind] ?? unitless[kind] ?? { name: kind, factor: 1, digits: 1 };
  const number = (value: number, kind: string, digits = unit(kind).digits): string => {
    const rounded = (value * unit(kind).factor).toFixed(digits);
    const short = digits > 0 && kind === "mass" ? rounded.replace(/\.?0+$/, "") : rounded;
    return short.replace(/^-(0(\.0*)?)$/, "$1").replace("-", "−");
  };
  const text = (value: number, kind: string, digits?: number): string => {
    const name = unit(kind).name;
    const gap = name === "" || name === "°" || name === "%" ? "" : " ";
    return number(value, kind, digits) + gap + name;
  };
  return {
    unit,
    number,
    text,
    sentence: (sentence, values) =>
      sentence.replace(/\{(\w+)\}/g, (whole, name: string) => {
        const q = values[name];
        return q ? text(q.value, q.kind) : whole;
      }),
    step: (setting) => {
      if (system === "imperial" && setting.kind === "force") return 4.4482216152605;
      if (system === "imperial" && setting.kind === "length") return 0.0254;
      if (system === "imperial" && setting.kind === "mass") return 2.5 * 0.45359237;
      return setting.step;
    },
  };
}

const both = { metric: made("metric"), imperial: made("imperial") };

/** The units of a coach: the same object as long as they are the same, so that what hangs on them need not be drawn again. */
export const unitsOf = (preferences: Preferences): Units => both[preferences.units];

export function useUnits(): Units {
  return unitsOf(usePreferences());
}
