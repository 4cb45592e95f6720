import { useMemo } from "react";
import type { Core } from "../engine/core";
import type { Connection } from "./connection";

/** How much of a kind's SI unit a device's unit is; null where it measures something else, 1 before it has said. */
export function useFactor(core: Core, c: Connection | undefined, kind: string): number | null {
  const unit = c?.channels[0]?.unit;
  return useMemo(() => (unit ? (core.quantity(`1 ${unit}`, kind, 1).ok?.value ?? null) : 1), [core, unit, kind]);
}

/** What the core takes of a device's first channel, in SI. */
export function traceOf(c: Connection, factor: number): { t: number[]; v: number[] } {
  const trace = c.trace();
  return { t: Array.from(trace?.times() ?? []), v: Array.from(trace?.values() ?? [], (x) => x * factor) };
}

/** Says that a device measures something else. */
export const wrongUnit = (c: Connection, what: string, units: string): string =>
  `${c.name} measures in ${c.channels[0]?.unit}, which is no unit of a ${what}. Set it to ${units}.`;
