import styled from "styled-components";
import type { Limit, Painting, Report, Uncertainty } from "../../engine/types";
import { type Units, useUnits } from "../../state/units";
import { type Explained, Explanation } from "../../ui/Explanation";
import { inSentence } from "../../ui/inSentence";
import { dayWords } from "../plan/planEdits";
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

type Cell = { name: string; value: string | null; spread?: string; why?: string };

type SummaryProps = { report: Report; uncertainty: Uncertainty | null; score: Painting | null };

/** The few numbers that a coach compares setups by; a missing one says why. */
export function Summary({ report, uncertainty, score }: SummaryProps) {
  const cells = cellsOf(report, uncertainty, score, useUnits());
  const how = explain(report, score);
  const whys = new Set(cells.filter((c) => c.value === null && c.why).map((c) => c.why));
  return (
    <>
      <Numbers>
        {cells.map((c) => (
          <div key={c.name}>
            <dt>
              {c.name}
              {how[c.name] && <Explanation name={c.name} explained={how[c.name] as Explained} />}
            </dt>
            <dd className="mono">{c.value ?? "–"}</dd>
            <dd className="spread mono">{c.spread ?? "\u00a0"}</dd>
          </div>
        ))}
      </Numbers>
      {[...whys].map((why) => (
        <Note key={why}>{why}</Note>
      ))}
      <Note>Strength: {inSentence(report.trustText)}</Note>
      {report.measured.map((m) => (
        <Note key={m.what + m.day}>
          {measuredWords[m.what]} measured on {dayWords(m.day)}
          {m.off > 0 ? `, to within ${Math.max(1, Math.round(100 * m.off))}%.` : "."}
        </Note>
      ))}
    </>
  );
}

const measuredWords: Record<Report["measured"][number]["what"], string> = {
  band: "The band's pull was",
  cable: "The cable's ratio and friction were",
  machine: "The machine was",
};

/** Between what the repetitions lie, by how far strength is known. */
function spreadOf(limit: Limit): string | undefined {
  if (limit.light) return "over 30";
  const { repsLow: low, repsHigh: high } = limit;
  if (low.value == null && high.value == null) return undefined;
  return `${low.value == null ? "few" : Math.floor(low.value)} to ${high.value == null ? "30+" : Math.floor(high.value)}`;
}

function cellsOf(report: Report, uncertainty: Uncertainty | null, score: Painting | null, units: Units): Cell[] {
  const { fit, loads, peakEffort, total } = report.profile;
  const { limit } = report;
  type Metric = typeof fit;
  type Band = Uncertainty["fit"];
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
    {
      name: "Score",
      value: score?.score.value == null ? null : score.score.value.toFixed(0),
      why: score?.score.why,
    },
    cell(
      "Fit",
      fit,
      (v) => `${v.toFixed(0)} of 100`,
      uncertainty?.fit,
      (v) => v.toFixed(0),
    ),
    cell("Target does", report.muscles.targetShare, percent),
    cell("Loaded", loads.centroid, () => loads.phase),
    cell("Peak effort", peakEffort, percent, uncertainty?.peakEffort),
    cell("Peak torque", total.peak, (v) => units.text(v, "torque"), uncertainty?.peak, bare),
    cell("End torque", total.endShare, percent, uncertainty?.endShare),
    {
      name: "Repetitions",
      value: limit.light ? "light" : limit.reps.value == null ? null : `about ${Math.floor(limit.reps.value)}`,
      spread: spreadOf(limit),
      why: limit.light ? undefined : limit.reps.why,
    },
  ];
}
