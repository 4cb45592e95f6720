import styled from "styled-components";
import { ProfileChart } from "../../chart/ProfileChart";
import { eachSide } from "../../engine/sides";
import type { Report, Scene, Setting, SetupDocument } from "../../engine/types";
import { firstView } from "../../figure/firstView";
import { Still } from "../../figure/Still";
import { formatSettingValue } from "../../state/formatSetting";
import { type Units, useUnits } from "../../state/units";
import { LoadTable } from "../workbench/Equal";
import { tempoLine } from "../workbench/Rig";
import { names, worstOf } from "../workbench/Verdicts";

/** One page, within what A4 and Letter both hold: 180 mm by 250 mm. */
const Paper = styled.article`
  width: 100%;
  max-width: 180mm;
  margin: 0 auto;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 4mm 8mm;
  align-content: start;
  font-size: 12px;
  line-height: 16px;
  color: var(--ink);
  > header, .wide { grid-column: 1 / -1; }
  > header { border-bottom: 1.5px solid var(--ink); padding-bottom: 2mm; }
  h1 { font-size: 20px; line-height: 26px; overflow-wrap: anywhere; }
  h2 { font-size: 12px; line-height: 18px; color: var(--quiet); margin: 0; }
  .drawing svg { display: block; width: 100%; height: auto; }
  table { width: 100%; border-collapse: collapse; }
  th { text-align: left; font-weight: 400; color: var(--quiet); padding: 1.5px 6px 1.5px 0; }
  td { text-align: right; padding: 1.5px 0; font-weight: 600; }
  ol, ul { padding-left: 16px; }
  footer { grid-column: 1 / -1; border-top: 1px solid var(--line); padding-top: 2mm; color: var(--quiet); font-size: 11px; }
`;

export type CardProps = {
  document: SetupDocument;
  report: Report;
  scene: Scene;
  settings: Setting[];
  lifter: string;
  gym: string;
  link: string;
};

/** What has to be set: the dials that matter most, and whatever else is not left as it comes. */
export function toSet(settings: Setting[], units: Units): [string, string][] {
  return settings
    .filter(
      (s) =>
        s.group !== "tempo" &&
        (s.main || (s.kind === "angle" && Math.abs(s.value) > 0.5) || (s.stops && s.value !== 0)),
    )
    .map((s) => [s.label, formatSettingValue(s, units)]);
}

/** What stands in the way or asks for care, in a sentence each. */
function careOf(report: Report, units: Units): [string, string][] {
  const open = worstOf(report).filter((v) => v.tone !== "ok" && v.key !== "profile");
  return [
    ...open.map((v): [string, string] => [names[v.key] ?? v.key, units.sentence(v.text, v.values)]),
    ...report.cautions.map((c): [string, string] => ["Caution", `${units.sentence(c.text, c.values)} ${c.way}`]),
  ];
}

const most = 5; // of what asks for care, so that the sheet keeps to a page

/** The setup on one sheet of paper: picture, settings, loads, cues and what to look out for. */
export function CardSheet({ document: d, report, scene, settings, lifter, gym, link }: CardProps) {
  const units = useUnits();
  const care = careOf(report, units);
  const { work } = report.muscles;
  const { peakAngleDeg, peak } = report.profile.total;
  return (
    <Paper className="card-sheet" aria-label={`Setup card: ${d.name}`}>
      <header>
        <h1>{d.name}</h1>
        {[lifter, gym, tempoLine(d.tempo)].filter(Boolean).join(" · ")}
      </header>
      <div className="drawing">
        <Still
          document={d}
          report={report}
          scene={scene}
          viewName={firstView(d)}
          units={units}
          width={460}
          height={440}
        />
      </div>
      <section>
        <h2>Settings</h2>
        <table>
          <tbody>
            {toSet(settings, units).map(([label, value], i) => (
              <tr key={`${label}${i}`}>
                <th scope="row">{label}</th>
                <td>{value}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </section>
      <section>
        <h2>Profile of the {report.joint}</h2>
        {report.hold ? (
          <p>Static hold.</p>
        ) : (
          <>
            <p>
              {peakAngleDeg.value != null &&
                peak.value != null &&
                `Hardest ${report.profile.peakPlace}, at ${units.text(peakAngleDeg.value, "angle")}: ${units.text(peak.value, "torque")}${eachSide(report) ? " each side" : ""}.`}
            </p>
            <ProfileChart report={report} uncertainty={null} s={0} moveTo={() => {}} still />
          </>
        )}
      </section>
      <section>
        {!report.hold && (
          <>
            <h2>Load and reps</h2>
            <LoadTable report={report} document={d} />
          </>
        )}
        <h2>Muscles</h2>
        <p>{work.map((w) => `${w.label} ${Math.round(100 * w.share)}%${w.rough ? " roughly" : ""}`).join(", ")}</p>
      </section>
      {(d.cues?.length ?? 0) > 0 && (
        <section>
          <h2>Cues</h2>
          <ol>
            {d.cues?.map((c) => (
              <li key={c}>{c}</li>
            ))}
          </ol>
        </section>
      )}
      {(d.safely || d.notes) && (
        <section>
          <h2>{d.safely ? "If a rep fails" : "Notes"}</h2>
          <p>{d.safely || d.notes}</p>
        </section>
      )}
      {care.length > 0 && (
        <section className="wide">
          <h2>Look out for</h2>
          <ul>
            {care.slice(0, most).map(([what, text], i) => (
              <li key={i}>
                <b>{what}.</b> {text}
              </li>
            ))}
            {care.length > most && <li>{care.length - most} more on the screen.</li>}
          </ul>
        </section>
      )}
      <footer>{link} · Gym rules and the maker's instructions come first. Sharp pain or joint pain: stop.</footer>
    </Paper>
  );
}
