import styled from "styled-components";
import type { Report, Uncertainty } from "../../engine/types";
import { type Units, useUnits } from "../../state/units";
import { type Explained, How } from "../../ui/How";
import { explain } from "./explained";

const Numbers = styled.dl`
  display: grid;
  grid-template-columns: repeat(3, 1fr);
  gap: 2px 10px;
  margin: 6px 0 2px;
  dt { color: var(--quiet); font-size: 12px; }
  dd { font-weight: 600; margin: 0; }
  dd.spread { font-weight: 400; font-size: 12px; line-height: 14px; color: var(--quiet); }
`;

const Note = styled.p`
  color: var(--quiet);
  font-size: 12px;
`;

const trusts: Record<string, string> = {
  measured: "Strength as measured at several angles.",
  scaled: "Strength: a usual shape through one test.",
  model: "Strength: what the muscles of the model could hold, for want of a shape.",
  unknown: "No strength shape fits this action, so there is no effort to tell.",
  estimate: "Strength is estimated from body mass: test it before you trust the effort.",
};

type Cell = { name: string; value: string | null; spread?: string; why?: string };

/** The few numbers that a coach compares setups by; a missing one says why. */
export function Summary({ report, uncertainty }: { report: Report; uncertainty: Uncertainty | null }) {
  const cells = cellsOf(report, uncertainty, useUnits());
  const how = explain(report);
  const whys = new Set(cells.filter((c) => c.value === null && c.why).map((c) => c.why));
  return (
    <>
      <Numbers>
        {cells.map((c) => (
          <div key={c.name}>
            <dt>
              {c.name}
              {how[c.name] && <How name={c.name} explained={how[c.name] as Explained} />}
            </dt>
            <dd className="mono">{c.value ?? "–"}</dd>
            <dd className="spread mono">{c.spread ?? "\u00a0"}</dd>
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

function cellsOf(report: Report, uncertainty: Uncertainty | null, units: Units): Cell[] {
  const { match, loads, peakEffort, total, reps } = report.profile;
  type Metric = typeof match;
  type Band = Uncertainty["match"];
  const cell = (name: string, m: Metric, text: (v: number) => string, band?: Band, short = text): Cell => ({
    name,
    value: m.value == null ? null : text(m.value),
    spread:
      band?.low.value == null || band.high.value == null
        ? undefined
        : `${short(band.low.value)} to ${short(band.high.value)}`,
    why: m.why,
  });
  const percent = (v: number) => units.text(100 * v, "percent");
  const bare = (v: number) => units.number(v, "torque");
  return [
    cell(
      "Match",
      match,
      (v) => `${v.toFixed(0)} of 100`,
      uncertainty?.match,
      (v) => v.toFixed(0),
    ),
    cell("Load falls", loads.centroid, () => loads.phase),
    cell("Peak effort", peakEffort, percent, uncertainty?.peakEffort),
    cell("Peak torque", total.peak, (v) => units.text(v, "torque"), uncertainty?.peak, bare),
    cell("Left at the end", total.leftEnd, percent, uncertainty?.leftEnd),
    cell("Repetitions", reps, (v) => `about ${Math.floor(v)}`),
  ];
}
