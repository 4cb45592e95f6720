import styled from "styled-components";
import type { Report } from "../../engine/types";
import { useUnits } from "../../state/units";
import { StatusIcon } from "../../ui/StatusIcon";
import { names } from "./Verdicts";

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
  .who { display: flex; flex-wrap: wrap; gap: 0 12px; font-size: 12px; color: var(--quiet); }
  .who b { color: var(--ink); }
  .strip { display: flex; flex-wrap: wrap; gap: 0 2px; list-style: none; padding: 0; margin: 0; }
  .strip button {
    display: flex;
    gap: 4px;
    align-items: center;
    min-height: 26px;
    padding: 2px 6px 2px 4px;
    border: 1px solid transparent;
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    cursor: pointer;
  }
  .strip button[data-open] { border-color: var(--line); background: var(--paper); color: var(--ink); font-weight: 600; }
  .strip button:focus-visible { outline: 2px solid var(--slate); outline-offset: 1px; }
  .strip svg { width: 15px; height: 15px; }
`;

const told = 4;

/** What comes first: where it is hardest, who does the work, and how every verdict stands. */
export function Headline({ report }: { report: Report }) {
  const { work } = report.muscles;
  return (
    <Box aria-label="At a glance">
      <Hardest report={report} />
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
      <Strip report={report} />
    </Box>
  );
}

function Hardest({ report }: { report: Report }) {
  const units = useUnits();
  const { total, peakEffort, loads } = report.profile;
  if (report.hold || total.peakAngleDeg.value == null || total.peak.value == null)
    return <h2 className="first">{report.hold ? "Static hold" : "No peak"}</h2>;
  const parts = [
    loads.phase && `loaded ${loads.phase}`,
    `${units.text(total.peak.value, "torque")}${report.both ? " each side" : ""}`,
    peakEffort.value != null && `${units.text(100 * peakEffort.value, "percent")} of strength at most`,
  ];
  return (
    <h2 className="first">
      Hardest at {units.text(total.peakAngleDeg.value, "angle")}
      <small>{parts.filter(Boolean).join(", ")}</small>
    </h2>
  );
}

const order = { error: 0, warning: 1, ok: 2 } as const;

/** The seven verdicts by name and shape, the worst first; one press leads to the sentence. */
function Strip({ report }: { report: Report }) {
  const tones = new Map<string, keyof typeof order>();
  for (const v of report.verdicts) {
    const tone = v.tone as keyof typeof order;
    const before = tones.get(v.key);
    if (before === undefined || order[tone] < order[before]) tones.set(v.key, tone);
  }
  const list = [...tones].sort(([, a], [, b]) => order[a] - order[b]);
  const lead = (selector: string) => {
    const to = window.document.querySelector<HTMLElement>(selector);
    to?.scrollIntoView({ block: "center", behavior: "instant" });
    to?.focus({ preventScroll: true });
  };
  const cautions = report.cautions.length;
  return (
    <ul className="strip" aria-label="How the verdicts stand">
      {list.map(([key, tone]) => (
        <li key={key}>
          <button
            type="button"
            data-open={tone === "ok" ? undefined : ""}
            aria-label={`${names[key] ?? key}: ${words[tone]}, go to it`}
            onClick={() => lead(`[data-verdict="${key}"]`)}
          >
            <StatusIcon tone={tone} />
            {names[key] ?? key}
          </button>
        </li>
      ))}
      {cautions > 0 && (
        <li>
          <button
            type="button"
            data-open=""
            aria-label={`${cautions} ${cautions === 1 ? "caution" : "cautions"}, go to them`}
            onClick={() => lead("[data-caution]")}
          >
            <StatusIcon tone="caution" />
            {cautions} {cautions === 1 ? "caution" : "cautions"}
          </button>
        </li>
      )}
    </ul>
  );
}

const words = { error: "a problem", warning: "could be better", ok: "good" };
