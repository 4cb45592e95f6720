import { useDeferredValue, useMemo } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Effect, Lifter, StoredSetup } from "../../engine/types";
import { useUnits } from "../../state/units";

const Box = styled.section`
  table { width: 100%; border-collapse: collapse; }
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 2px 0 2px 8px; }
  td { text-align: right; padding: 6px 0 6px 8px; border-top: 1px solid var(--line); vertical-align: top; }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
  td:last-child { font-weight: 600; }
`;

const mostShown = 6;

type Props = {
  core: Core;
  setups: StoredSetup[];
  before: Lifter;
  after: Lifter /** What is shown of each. */;
  what: "effort" | "peak";
};

/** What a lifter who was measured does to the lifter's setups: those that change, before and after. */
export function EffortChanges({ core, setups, before, after, what }: Props) {
  const units = useUnits();
  const later = useDeferredValue(JSON.stringify(after));
  const rows = useMemo(() => {
    const body = JSON.parse(later) as Lifter;
    const of = (s: StoredSetup, lifter: Lifter): Effect | undefined =>
      core.effect(JSON.stringify({ ...s.document, lifter })).ok;
    return setups
      .map((s) => ({ s, from: of(s, before)?.[what].value, to: of(s, body)?.[what].value }))
      .filter((r) => r.from != null && r.to != null && Math.abs(r.from / r.to - 1) > 0.004);
  }, [core, setups, before, later, what]);
  const first = rows[0]?.s;
  const known = useMemo(() => {
    if (!first || what !== "effort") return null;
    const off = (lifter: Lifter) => core.sources(JSON.stringify({ ...first.document, lifter })).ok?.percent.value;
    return { from: off(before), to: off(JSON.parse(later) as Lifter) };
  }, [core, first, before, later, what]);
  if (setups.length === 0) return null;
  const name = what === "effort" ? "effort" : "torque";
  if (rows.length === 0) return <p className="quiet">No setup's {name} changes by it.</p>;
  const shown = (x: number | null | undefined) =>
    x == null ? "–" : what === "effort" ? `${Math.round(100 * x)}%` : units.text(x, "torque");
  return (
    <Box>
      <h2>Peak {name} of the setups</h2>
      <table>
        <thead>
          <tr>
            <th scope="col">setup</th>
            <th scope="col">now</th>
            <th scope="col">after</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, mostShown).map((r) => (
            <tr key={r.s.id}>
              <td>{r.s.name}</td>
              <td className="mono">{shown(r.from)}</td>
              <td className="mono">{shown(r.to)}</td>
            </tr>
          ))}
          {known?.from != null && known.to != null && (
            <tr>
              <td>{first?.name}, known to</td>
              <td className="mono">±{Math.round(2 * known.from)}%</td>
              <td className="mono">±{Math.round(2 * known.to)}%</td>
            </tr>
          )}
        </tbody>
      </table>
      {rows.length > mostShown && <small>and {rows.length - mostShown} more.</small>}
    </Box>
  );
}
