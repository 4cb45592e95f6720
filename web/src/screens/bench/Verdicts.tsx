import styled from "styled-components";
import type { Mend, Painting, Report, Setting, SetupDocument } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Mark } from "../../ui/Mark";

const List = styled.ul`
  list-style: none;
  padding: 0;
  li {
    display: grid;
    grid-template-columns: 20px 58px 1fr;
    gap: 6px;
    padding: 7px 0;
    border-top: 1px solid var(--line);
  }
  li:first-child { border: 0; }
  b { font-weight: 600; }
`;

const names: Record<string, string> = {
  lineUp: "Line-up",
  profile: "Profile",
  start: "Start",
  brace: "Brace",
  clear: "Clear",
  joints: "Joints",
  work: "Work",
};

/** One short sentence each, with the smallest change that would mend the profile. */
export function Verdicts({
  report,
  mend,
  settings,
  apply,
  steady,
  take,
}: {
  report: Report;
  mend: Mend | null;
  settings: Setting[];
  apply: (m: Mend) => void;
  steady: Painting["steady"] | null;
  take: (d: SetupDocument) => void;
}) {
  const units = useUnits();
  return (
    <List aria-label="Verdicts">
      {report.verdicts.map((v, i) => (
        <li key={`${v.key}${i}`} data-verdict={v.key}>
          <Mark tone={v.tone} />
          <b>{names[v.key] ?? v.key}</b>
          <span>
            {units.sentence(v.text, v.values)}
            {v.key === "brace" && v.tone === "stop" && steady && (
              <>
                {" "}
                <Button look="link" onPress={() => take(steady.document)}>
                  {steady.label}
                </Button>
              </>
            )}
            {v.key === "profile" && mend && (
              <>
                {" "}
                <Button look="link" onPress={() => apply(mend)}>
                  {mendText(mend, settings, units)}
                </Button>
              </>
            )}
          </span>
        </li>
      ))}
    </List>
  );
}

function mendText(mend: Mend, settings: Setting[], units: ReturnType<typeof useUnits>): string {
  const up = mend.to > mend.from;
  if (mend.kind === "hole") {
    const n = Math.round(Math.abs(mend.to - mend.from));
    return `Pulley ${n || "to the next"} ${n === 1 || !n ? "hole" : "holes"} ${up ? "higher" : "lower"}`;
  }
  const by = units.text(Math.abs(mend.to - mend.from), mend.kind);
  if (mend.key === "stance.out") return `Step ${up ? "out" : "in"} ${by}`;
  if (mend.key === "path.plane") return `Turn the path ${by} ${up ? "forward" : "outward"}`;
  const label = settings.find((s) => s.key === mend.key)?.label ?? mend.label;
  return `${label} ${units.text(mend.to, mend.kind)}`;
}
