import styled from "styled-components";
import type { Report } from "../../engine/types";
import { type Units, useUnits } from "../../state/units";

const Numbers = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 2px 10px;
  margin: 6px 0 2px;
  dt { color: var(--quiet); font-size: 12px; }
  dd { font-weight: 600; margin: 0 0 4px; }
`;

const Note = styled.p`
  color: var(--quiet);
  font-size: 12px;
`;

const trusts: Record<string, string> = {
  measured: "Strength as measured at several angles.",
  scaled: "Strength: a usual shape through one test.",
  estimate: "Strength is estimated from body mass: test it before you trust the effort.",
};

type Cell = { name: string; value: string | null; why?: string };

/** The few numbers that a coach compares setups by; a missing one says why. */
export function Summary({ report }: { report: Report }) {
  const cells = cellsOf(report, useUnits());
  const whys = new Set(cells.filter((c) => c.value === null && c.why).map((c) => c.why));
  return (
    <>
      <Numbers>
        {cells.map((c) => (
          <div key={c.name}>
            <dt>{c.name}</dt>
            <dd className="mono">{c.value ?? "–"}</dd>
          </div>
        ))}
      </Numbers>
      {[...whys].map((why) => (
        <Note key={why}>{why}</Note>
      ))}
      <Note>{trusts[report.trust]}</Note>
    </>
  );
}

function cellsOf(report: Report, units: Units): Cell[] {
  const { match, loads, peakEffort, total, reps } = report.profile;
  type Metric = typeof match;
  const cell = (name: string, m: Metric, text: (v: number) => string): Cell => ({
    name,
    value: m.value == null ? null : text(m.value),
    why: m.why,
  });
  const percent = (v: number) => units.text(100 * v, "percent");
  return [
    cell("Match", match, (v) => `${v.toFixed(0)} of 100`),
    cell("Load falls", loads.centroid, () => loads.phase),
    cell("Peak effort", peakEffort, percent),
    cell("Peak torque", total.peak, (v) => units.text(v, "torque")),
    cell("Left at the end", total.leftEnd, percent),
    cell("Repetitions", reps, (v) => `about ${Math.floor(v)}`),
  ];
}
