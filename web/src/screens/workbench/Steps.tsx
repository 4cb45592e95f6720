import { memo, useState } from "react";
import styled from "styled-components";
import type { Step } from "../../engine/types";
import { partsOf, signed } from "../../state/scoring";
import { type Units, useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { written } from "../../ui/written";

const List = styled.ul`
  list-style: none;
  padding: 0;
  li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 2px 8px; padding: 4px 0; border-top: 1px solid var(--line); }
  li:first-child { border: 0; }
  small { grid-column: 1 / -1; color: var(--quiet); font-size: 12px; line-height: 16px; }
`;

const shownAtFirst = 5;

type Props = { steps: Step[] | null; turn: (key: string, value: number, drag: boolean) => void };

/** What one hole, notch or step of each setting does, what matters most first. A step can be taken. */
export const Steps = memo(function Steps({ steps, turn }: Props) {
  const units = useUnits();
  const [all, setAll] = useState(false);
  if (steps === null) return <small>Calculating …</small>;
  const known = steps.filter((s) => s.score != null);
  const list = all ? steps : known.slice(0, shownAtFirst);
  return (
    <>
      <List aria-label="Effect of one step">
        {list.map((s) => (
          <li key={`${s.key} ${s.to}`} data-step={s.key}>
            <Button look="link" onPress={() => turn(s.key, s.to, false)}>
              {s.label}: {written(s.to, s.kind, units)}
            </Button>
            <span className="mono">{s.score == null ? "–" : signed(s.score, 1)}</span>
            <small>{does(s, units)}</small>
          </li>
        ))}
      </List>
      {steps.length > shownAtFirst && (
        <Button look="link" onPress={() => setAll(!all)}>
          {all ? "Only what matters most" : `All ${steps.length} steps`}
        </Button>
      )}
    </>
  );
});

/** What else a step changes, in words. */
function does(s: Step, units: Units): string {
  if (s.score == null) return s.why ?? "";
  const parts = [];
  const points = s.points && partsOf(s.points, null, 1);
  if (points) parts.push(points);
  if (s.loses) parts.push("gives the target or the range away");
  if (s.peak != null && Math.abs(s.peak) >= 0.05)
    parts.push(`${units.text(Math.abs(s.peak), "torque")} ${s.peak > 0 ? "more" : "less"} at the peak`);
  if (s.peakDeg != null && Math.abs(s.peakDeg) >= 0.5)
    parts.push(`hardest ${units.text(Math.abs(s.peakDeg), "angle")} ${s.peakDeg > 0 ? "later" : "earlier"}`);
  return parts.join(", ") || "hardly any change in torque";
}
