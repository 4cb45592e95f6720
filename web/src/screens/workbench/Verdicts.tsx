import { memo } from "react";
import styled from "styled-components";
import type { Report, Setting, Suggestion } from "../../engine/types";
import { isDial } from "../../state/dials";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { StatusIcon } from "../../ui/StatusIcon";

const List = styled.ul`
  list-style: none;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 20px 70px 1fr;
    gap: 6px;
    padding: 7px 0;
    border-top: 1px solid var(--line);
  }
  li:first-child { border: 0; }
  b { font-weight: 600; }
  small { color: var(--quiet); font-size: 12px; }
`;

const Steps = styled.details`
  summary { cursor: pointer; color: var(--slate); font-weight: 600; padding-top: 2px; }
  ol { padding-left: 18px; margin: 4px 0; }
  ol li { display: list-item; padding: 1px 0; border: 0; }
  p { color: var(--quiet); }
`;

/** What the verdicts are called. */
export const names: Record<string, string> = {
  alignment: "Line of pull",
  profile: "Profile",
  start: "Start tension",
  stability: "Stability",
  clearance: "Clearance",
  jointLoad: "Joint load",
  muscles: "Muscles",
};

type Props = {
  report: Report;
  suggestions: Suggestion[];
  settings: Setting[];
  apply: (m: Suggestion) => void;
};

type Verdict = Report["verdicts"][number];

const order = { error: 0, warning: 1, ok: 2 };

/** How a tone is told. */
export const toneWords = { error: "a problem", warning: "could be better", ok: "good" };

/** The sentence of each verdict that counts, the worst of several, and the verdicts in that order. */
export function worstOf(report: Report): Verdict[] {
  const worst = new Map<string, Verdict>();
  for (const v of report.verdicts) {
    const before = worst.get(v.key);
    if (!before || order[v.tone] < order[before.tone]) worst.set(v.key, v);
  }
  return [...worst.values()].sort((a, b) => order[a.tone] - order[b.tone]);
}

/** One short sentence each, with the smallest change that would mend it. */
export const Verdicts = memo(function Verdicts(props: Props) {
  return (
    <List aria-label="Verdicts">
      {props.report.verdicts.map((v, i) => (
        <li key={`${v.key}${i}`} data-verdict={v.key}>
          <StatusIcon tone={v.tone} />
          <b>{names[v.key] ?? v.key}</b>
          <VerdictText {...props} verdict={v} />
        </li>
      ))}
    </List>
  );
});

/** A verdict's sentence, what would mend it, and what belongs to it. */
export function VerdictText({ report, suggestions, settings, apply, verdict: v }: Props & { verdict: Verdict }) {
  const units = useUnits();
  const speaks = worstOf(report).find((w) => w.key === v.key) === v;
  const mend = speaks ? suggestions.find((m) => m.verdict === v.key) : undefined;
  return (
    <span>
      {units.sentence(v.text, v.values)}
      {v.doubt && <small> Shares are rough here. {v.doubt}</small>}
      {mend && (
        <>
          {" "}
          <Button look="link" onPress={() => apply(mend)}>
            {mendText(mend, settings, units)}
          </Button>
        </>
      )}
      {v.key === "start" && speaks && report.pickup && <PickingUp entry={report.pickup} />}
    </span>
  );
}

/** The order in which two handles are picked up and put back. */
function PickingUp({ entry }: { entry: NonNullable<Report["pickup"]> }) {
  const units = useUnits();
  return (
    <Steps>
      <summary>Picking up and returning the handles</summary>
      <ol>
        {entry.steps.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <p>
        One alone pulls with {units.text(entry.pull, "force")}
        {entry.holds ? ": it holds." : ": the lifter does not stand with it."}
      </p>
    </Steps>
  );
}

function mendText(mend: Suggestion, settings: Setting[], units: ReturnType<typeof useUnits>): string {
  if (!mend.key) return mend.label;
  const up = mend.to > mend.from;
  if (mend.kind === "hole") {
    const n = Math.round(Math.abs(mend.to - mend.from));
    return `Pulley ${n || "to the next"} ${n === 1 || !n ? "hole" : "holes"} ${up ? "higher" : "lower"}`;
  }
  const kind = mend.kind ?? "count";
  const by = units.text(Math.abs(mend.to - mend.from), kind);
  if (isDial(mend, "stance.out")) return `Step ${up ? "out" : "in"} ${by}`;
  if (isDial(mend, "stance.aside")) return `Step ${by} to the ${up ? "right" : "left"}`;
  if (isDial(mend, "heading")) return `Turn ${by} to the ${up ? "left" : "right"}`;
  if (isDial(mend, "path.plane")) return `Turn the path ${by} ${up ? "forward" : "outward"}`;
  const label = settings.find((s) => s.key === mend.key)?.label ?? mend.label;
  return `${label} ${units.text(mend.to, kind)}`;
}
