import type { Report } from "../engine/types";
import { type Vec, vec } from "./vector";

/** The lead arm over the range: one joint and one direction per sample. */
export type SweptArm = { joint: Vec[]; direction: Vec[] };

const known = new WeakMap<Report, SweptArm>();

/** The path of a report as points. */
export function sweptArm(report: Report): SweptArm {
  let arm = known.get(report);
  if (!arm) {
    arm = { joint: points(report.path.joint), direction: points(report.path.direction) };
    known.set(report, arm);
  }
  return arm;
}

function points(triples: (number | null)[]): Vec[] {
  const out: Vec[] = [];
  for (let i = 0; i + 2 < triples.length; i += 3)
    out.push(vec(triples[i] ?? 0, triples[i + 1] ?? 0, triples[i + 2] ?? 0));
  return out;
}
