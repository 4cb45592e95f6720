import { valueAt } from "../chart/along";
import type { Report } from "../engine/types";
import type { Work } from "./person";

/** The regions that work at a place along the path; the target is always among them. */
export function activationAt(report: Report, s: number, target: string): Work[] {
  const out = report.muscles.regions
    .map((r) => ({ region: r.key, target: r.target, activation: valueAt(r.activation, s) ?? 0 }))
    .filter((w) => w.target || w.activation > 0.05);
  return out.some((w) => w.target) ? out : [...out, { region: target, target: true, activation: 0 }];
}
