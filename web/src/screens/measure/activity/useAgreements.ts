import { useEffect, useState } from "react";
import type { Aside } from "../../../engine/aside";
import type { Agreement, Worked } from "../../../engine/types";

/** How each channel whose muscle is chosen goes together with the model, by the channel's place. */
export function useAgreements(
  core: Aside,
  document: string,
  worked: Worked | null,
  regionOf: (label: string) => string,
  phase: "lifting" | "lowering",
): Record<number, Agreement> {
  const [found, setFound] = useState<Record<number, Agreement>>({});
  const asked = worked?.channels.map((c) => regionOf(c.label)).join("|") ?? "";
  // biome-ignore lint/correctness/useExhaustiveDependencies: what regionOf says is in asked
  useEffect(() => {
    let current = true;
    setFound({});
    for (const c of worked?.channels ?? []) {
      const region = regionOf(c.label);
      if (!worked || !region || !document || c.state === "out") continue;
      const measured = { angleDeg: worked.angleDeg, course: c[phase], percent: c.strongest.value != null };
      void core.call("activityAgainst", document, region, measured).then(({ ok }) => {
        if (current && ok) setFound((all) => ({ ...all, [c.place]: ok }));
      });
    }
    return () => {
      current = false;
    };
  }, [core, document, worked, asked, phase]);
  return found;
}
