import type { ActivitySettings, Agreement, StoredLifter, StoredSetup, Worked } from "../../../engine/types";
import type { Capture } from "../../../measuring/captures";
import { today } from "../../plan/planEdits";

/** A measurement as it is kept. */
export function captureOf(
  lifter: StoredLifter,
  setup: StoredSetup | undefined,
  settings: ActivitySettings,
  worked: Worked,
  agreements: Record<number, Agreement>,
  regionOf: (label: string) => string,
  nameOf: (label: string) => string,
): Capture {
  const chosen = worked.channels.map((c) => [c.label, regionOf(c.label)]).filter(([, region]) => region !== "");
  return {
    schema: "dialarc.capture/1",
    title: setup ? setup.name : "Muscle activity",
    day: today(),
    lifterId: lifter.id,
    ...(setup && { setupId: setup.id, setup: setup.name }),
    settings,
    muscles: Object.fromEntries(chosen),
    lines: worked.channels.map((c) => ({
      label: c.label,
      muscle: nameOf(c.label),
      state: c.state,
      percent: c.strongest.value != null,
      mean: c.mean.value,
      peak: c.peak.value,
      reps: c.lifting.reps,
      correlation: agreements[c.place]?.correlation.value ?? null,
    })),
  };
}
