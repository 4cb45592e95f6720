import { FileDown } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import { EditBar } from "../../editing/EditBar";
import type { Progress, Series, StoredLifter } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { download, fileName } from "../../share/file";
import { toCSV } from "../../share/table";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { dayWords } from "../plan/planEdits";
import { LimitChart, looks } from "./LimitChart";
import { Stronger } from "./Stronger";
import { WeekRibbon } from "./WeekRibbon";

const Sheet = styled.div`
  height: 100%;
  display: grid;
  grid-template-rows: auto minmax(0, 1fr);
  .back { display: none; }
  .parts { display: grid; grid-template-columns: minmax(0, 1fr) 340px; min-height: 0; }
  .main { overflow: auto; padding: 12px 20px 32px; display: grid; gap: 14px; align-content: start; }
  .beside {
    overflow: auto;
    background: var(--sheet);
    border-left: 1px solid var(--line);
    padding: 12px 16px 24px;
    display: grid;
    gap: 16px;
    align-content: start;
  }
  .keys { display: flex; flex-wrap: wrap; gap: 10px 20px; list-style: none; padding: 0; margin: 0; }
  .keys li { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 8px; align-items: center; max-width: 260px; }
  .keys small { color: var(--quiet); display: block; }
  h2 { font-size: 14px; }
  .row { display: flex; flex-wrap: wrap; gap: 8px 16px; align-items: end; }
  .finding {
    display: grid;
    grid-template-columns: 20px minmax(0, 1fr);
    gap: 2px 6px;
    border-top: 1px solid var(--line);
    padding-top: 10px;
  }
  .finding small { color: var(--quiet); grid-column: 2; }
  table { border-collapse: collapse; }
  th { text-align: left; font-weight: 400; padding: 2px 0 2px 12px; }
  td { text-align: right; font-weight: 600; }
  .quiet { color: var(--quiet); font-size: 12px; }
  @media (max-width: 999px) {
    .parts { grid-template-columns: minmax(0, 1fr); overflow: auto; }
    .main, .beside { overflow: visible; }
    .beside { border: 0; border-top: 1px solid var(--line); }
    .back { display: block; }
  }
`;

/** One lifter's progress: limits of the setups for one muscle over the days, its weekly sets, and what to look at. */
export function ProgressSheet({ lifter, progress }: { lifter: StoredLifter; progress: Progress }) {
  const units = useUnits();
  const regions = [...new Map(progress.series.map((s) => [s.region, s.label])).entries()];
  const [region, setRegion] = useState(() => busiest(progress.series));
  const shown = progress.series.filter((s) => s.region === region).slice(0, looks.length);
  const weeks = progress.regions.find((r) => r.region === region);
  const flat = progress.series.filter((s) => s.plateau);
  const keepCSV = () =>
    download(
      fileName(`${lifter.name}, progress`, "csv"),
      new Blob([toCSV(table(progress.series))], { type: "text/csv" }),
    );
  const keepRecord = async () => {
    try {
      const answer = await fetch(`/api/lifters/${lifter.id}/record`);
      if (!answer.ok) throw new Error(answer.statusText);
      download(fileName(`${lifter.name}, record`, "json"), await answer.blob());
    } catch {
      notify("The record could not be made: the server does not answer.");
    }
  };
  const { plan } = progress;
  return (
    <Sheet>
      <EditBar>
        <Link className="back" to="/progress">
          Progress
        </Link>
        <Link to={`/lifters/${lifter.id}`}>{lifter.name}</Link>
        <span className="push" />
        <Button onPress={keepCSV}>
          <FileDown size={15} aria-hidden /> CSV
        </Button>
        <Button onPress={() => void keepRecord()}>
          <FileDown size={15} aria-hidden /> Whole record
        </Button>
      </EditBar>
      <div className="parts">
        <div className="main">
          <div className="row">
            <Select
              label="Muscle"
              options={regions.map(([key, label]) => ({ key, label }))}
              value={region}
              onChange={setRegion}
            />
          </div>
          <ul className="keys">
            {shown.map((s, i) => (
              <li key={s.key}>
                <SetupPicture document={s.document} width={64} height={52} />
                <span>
                  <b>
                    {"ABCDEF"[i]} <Mark index={i} />
                  </b>{" "}
                  {s.name}
                  <small className="mono">{riseWords(s)}</small>
                </span>
              </li>
            ))}
          </ul>
          <section>
            <h2>What the {shown[0]?.joint} can just turn against, by the best set of each day</h2>
            <p className="quiet">
              Torque at each exercise's hardest place, so that pins and dumbbells compare. Band: one repetition either
              way. By Epley, from sets of 20 repetitions or fewer with those in reserve.
            </p>
            <LimitChart series={shown} />
          </section>
          {weeks && <WeekRibbon weeks={weeks} />}
        </div>
        <div className="beside">
          <Stronger lifter={lifter} strength={progress.strength} />
          {flat.map((s) => (
            <div className="finding" key={s.key}>
              <StatusIcon tone="warning" />
              <span>
                <b>{s.name} has stopped rising.</b> {units.text(s.plateau?.limit ?? 0, "torque")} since{" "}
                {dayWords(s.plateau?.from ?? "")}, up by less than one repetition.
              </span>
              <small>{plateauWords(s)}</small>
            </div>
          ))}
          {progress.pain.length > 0 && (
            <section>
              <h2>Pain</h2>
              {progress.pain.slice(0, 5).map((p) => (
                <p key={`${p.date}${p.setup}${p.joint}`}>
                  {dayWords(p.date)}: {p.joint}, {p.level} of 10{p.sharp && ", sharp"}, in {p.setup}
                </p>
              ))}
            </section>
          )}
          <section>
            <h2>Plan against done</h2>
            <table>
              <tbody>
                {(
                  [
                    [`${plan.done} / ${plan.planned}`, "sets done"],
                    [plan.offLoad, "loads off by more than a step"],
                    [plan.thrown, "sets thrown"],
                    [plan.stopped, "sets ended by pain"],
                    [plan.sessions, "sessions"],
                  ] as const
                ).map(([n, what]) => (
                  <tr key={what}>
                    <td className="mono">{n}</td>
                    <th scope="row">{what}</th>
                  </tr>
                ))}
              </tbody>
            </table>
          </section>
        </div>
      </div>
    </Sheet>
  );
}

/** The region that most setups are for. */
function busiest(series: Series[]): string {
  const count = new Map<string, number>();
  for (const s of series) count.set(s.region, (count.get(s.region) ?? 0) + s.points.length);
  return [...count.entries()].sort((a, b) => b[1] - a[1])[0]?.[0] ?? "";
}

const riseWords = (s: Series): string => {
  const rise = s.rise.value;
  if (rise == null) return `${s.points.length} days`;
  const percent = Math.round(100 * rise);
  return `${percent >= 0 ? "up" : "down"} ${Math.abs(percent)}% in ${s.points.length} days`;
};

function plateauWords(s: Series): string {
  const p = s.plateau;
  if (!p) return "";
  const list = (words: string[]) => words.join(", ");
  const same = p.same.length > 0 ? `The same all along: ${list(p.same)}. ` : "";
  const changed = p.changed.length > 0 ? `Changed: ${list(p.changed)}. ` : "";
  const thrown = p.thrown > 0 ? `The best set was thrown on ${p.thrown} of 4 days.` : "";
  return same + changed + thrown;
}

/** The mark of a series as on the chart. */
function Mark({ index }: { index: number }) {
  const look = looks[index];
  if (!look) return null;
  return (
    <svg width="34" height="10" aria-hidden>
      <line x1="0" x2="34" y1="5" y2="5" stroke={look.colour} strokeWidth="2" strokeDasharray={look.dash} />
      {look.mark(17, 5, look.colour)}
    </svg>
  );
}

/** Every best set as a row. */
const table = (series: Series[]) => ({
  columns: [
    "date",
    "setup",
    "for",
    "load (kg)",
    "repetitions",
    "left in reserve",
    "torque (N·m)",
    "limit (N·m)",
    "sets",
  ],
  rows: series.flatMap((s) =>
    s.points.map((p) => [p.date, s.name, s.label, p.load, p.reps, p.rir, p.torque, p.limit.value ?? null, p.sets]),
  ),
});
