import styled from "styled-components";
import { eachSide } from "../../engine/sides";
import type { Report } from "../../engine/types";
import { useUnits } from "../../state/units";

const Box = styled.section`
  display: grid;
  gap: 8px;
  padding-bottom: 8px;
  && > h2.first { font-size: 22px; line-height: 26px; letter-spacing: -0.01em; color: var(--ink); margin: 0; }
  > h2 small { display: block; font-size: 12px; line-height: 16px; font-weight: 400; color: var(--quiet); }
  .bar { display: flex; height: 12px; gap: 2px; }
  .bar i { display: block; background: color-mix(in srgb, var(--plum) 30%, var(--sheet)); }
  .bar i[data-target] { background: var(--plum); }
  .bar i[data-rough] { background: var(--line); }
  .bar i[data-target][data-rough] { background: color-mix(in srgb, var(--plum) 60%, var(--line)); }
  .who { display: flex; flex-wrap: wrap; gap: 0 12px; font-size: 12px; color: var(--quiet); }
  .who b { color: var(--ink); }
  .tiles { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 0; margin: 0; }
  .tiles > div { border-left: 2px solid var(--line); padding: 0 6px 0 9px; }
  .tiles dt { font-size: 12px; line-height: 16px; color: var(--quiet); }
  .tiles dd { margin: 0; font-size: 16px; line-height: 20px; font-weight: 600; }
  .tiles > div { display: flex; flex-direction: column-reverse; justify-content: flex-end; }
  .tiles dd small { font-size: 12px; font-weight: 400; color: var(--quiet); }
`;

const told = 4;

/** From what effort on another joint is told of. */
const leastBeside = 0.1;

/** What comes first: where it is hardest, how well it fits, how hard it is, and who does the work. */
export function Headline({ report }: { report: Report }) {
  const { work } = report.muscles;
  return (
    <Box aria-label="At a glance">
      <Hardest report={report} />
      {!report.hold && <Tiles report={report} />}
      {work.length > 0 && (
        <div>
          <div className="bar" aria-hidden>
            {work.map((w) => (
              <i
                key={w.key}
                data-target={w.target || undefined}
                data-rough={w.rough || undefined}
                style={{ flex: w.share }}
              />
            ))}
          </div>
          <div className="who" data-testid="who">
            {work.slice(0, told).map((w) => (
              <span key={w.key}>
                {w.target ? <b>{w.label}</b> : w.label} {Math.round(100 * w.share)}%{w.rough && " roughly"}
              </span>
            ))}
          </div>
        </div>
      )}
      <Beside joints={report.joints} />
    </Box>
  );
}

/** How hard other joints work that share the movement: a press has elbows too. */
function Beside({ joints }: { joints: Report["joints"] }) {
  const hard = joints.filter((j) => j.does && (j.hardest.value ?? 0) >= leastBeside);
  if (hard.length === 0) return null;
  const words = hard.map((j, i) => {
    const most = `${j.joint} ${j.does}, up to ${Math.round(100 * (j.hardest.value ?? 0))}%`;
    return i === 0 ? `${most} of strength` : most;
  });
  return (
    <div className="who" data-testid="beside">
      Also: {words.join("; ")}
    </div>
  );
}

function Hardest({ report }: { report: Report }) {
  const units = useUnits();
  const { total, loads, peakPlace } = report.profile;
  if (report.hold)
    return (
      <h2 className="first">
        Static hold
        <small>
          {units.text(report.curves.size[0] ?? 0, "torque")} at the {report.joint}
          {eachSide(report) && ", each side"}
        </small>
      </h2>
    );
  if (total.peakAngleDeg.value == null || total.peak.value == null) return <h2 className="first">No peak</h2>;
  const parts = [
    `at ${units.text(total.peakAngleDeg.value, "angle")}`,
    loads.phase && `loaded ${loads.phase}`,
    `${units.text(total.peak.value, "torque")}${eachSide(report) ? " each side" : ""}`,
  ];
  return (
    <h2 className="first">
      Hardest {peakPlace}
      <small>{parts.filter(Boolean).join(", ")}</small>
    </h2>
  );
}

/** Fit, effort and repetitions; what is not known is left to the numbers below, which say why. */
function Tiles({ report }: { report: Report }) {
  const units = useUnits();
  const { fit, peakEffort, limitingAngleDeg } = report.profile;
  const { limit } = report;
  const at = limitingAngleDeg.value;
  const tiles = [
    fit.value != null && { name: "fit to target", value: fit.value.toFixed(0), of: " of 100" },
    peakEffort.value != null && {
      name: at == null ? "effort" : `effort at ${units.text(at, "angle")}`,
      value: units.text(100 * peakEffort.value, "percent"),
      of: "",
    },
    limit.light
      ? { name: "over 30 reps", value: "light", of: "" }
      : limit.reps.value != null && { name: "reps, roughly", value: String(Math.floor(limit.reps.value)), of: "" },
  ].filter((t) => t !== false);
  return (
    <dl className="tiles">
      {tiles.map((t) => (
        <div key={t.name}>
          <dt>{t.name}</dt>
          <dd className="mono">
            {t.value}
            <small>{t.of}</small>
          </dd>
        </div>
      ))}
    </dl>
  );
}
