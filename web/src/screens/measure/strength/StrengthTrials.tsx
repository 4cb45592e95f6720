import { useDeferredValue, useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { StoredLifter, StoredSetup, StrengthTest } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { Changes } from "./Changes";
import { StrengthCurve } from "./StrengthCurve";
import { TestSetup } from "./TestSetup";
import { TrialsLive } from "./TrialsLive";
import { useTrials } from "./useTrials";

const Page = styled.div`
  height: 100%;
  display: grid;
  grid-template-columns: 272px minmax(0, 1fr) 316px;
  grid-template-rows: auto minmax(0, 1fr);
  > header {
    grid-column: 1 / -1;
    display: flex;
    gap: 10px;
    align-items: baseline;
    padding: 14px 18px 12px;
    border-bottom: 1px solid var(--line);
    h1 { font-size: 15px; }
    a { color: var(--quiet); }
  }
  > section { overflow: auto; padding: 16px 18px 30px; min-width: 0; display: grid; gap: 14px; align-content: start; }
  > section.set { background: var(--sheet); border-right: 1px solid var(--line); }
  > section.told { background: var(--sheet); border-left: 1px solid var(--line); }
  h2 { font-size: 13px; }
  .quiet, small { color: var(--quiet); font-size: 12px; line-height: 16px; }
  .bad { color: var(--brick); }
  @media (max-width: 1099px) {
    display: block;
    overflow: auto;
    > section { overflow: visible; border: 0 !important; }
  }
`;

type Props = {
  core: Core;
  lifter: StoredLifter;
  setups: StoredSetup[];
  action: StrengthTest["action"];
};

/** How the test is set up, the trials as they come, and what they would change. */
export function StrengthTrials({ core, lifter, setups, action }: Props) {
  const units = useUnits();
  const navigate = useNavigate();
  const trials = useTrials(lifter.id, action);
  const force = units.unit("force");
  const { rows, position, strap } = useDeferredValue(trials.state);
  const { ok: fit, problems = [] } = useMemo(
    () => core.measureStrength(lifter.body, rows, action, position, strap ?? 0, 1 / force.factor),
    [core, lifter.body, rows, action, position, strap, force.factor],
  );
  const [angle, setAngle] = useState(60);
  const before = useMemo(() => lastTests(lifter.body.strength ?? [], action), [lifter.body, action]);
  return (
    <Page>
      <header>
        <Link to={`/measure/${lifter.id}`}>{lifter.name}</Link>
        <span aria-hidden>/</span>
        <h1>Strength over the range</h1>
      </header>
      <section className="set" aria-label="How it is tested">
        <TestSetup
          core={core}
          lifter={lifter}
          action={action}
          setAction={(to) => navigate(`/measure/${lifter.id}/strength/${to}`)}
          trials={trials}
          problems={problems}
          fit={fit}
          angle={angle}
        />
      </section>
      <section aria-label="Trials">
        <TrialsLive core={core} angle={angle} setAngle={setAngle} add={trials.add} />
        <StrengthCurve fit={fit} before={before} />
      </section>
      <section className="told" aria-label="What it comes to">
        <Changes
          core={core}
          lifter={lifter}
          setups={setups}
          action={action}
          strap={strap ?? 0}
          angle={angle}
          fit={fit}
          before={before}
          clear={trials.clear}
        />
      </section>
    </Page>
  );
}

/** The tests of an action that count now: those of its newest day. */
function lastTests(all: StrengthTest[], action: string): StrengthTest[] {
  const of = all.filter((t) => t.action === action);
  const newest = of
    .map((t) => t.date ?? "")
    .sort()
    .at(-1);
  return of.filter((t) => (t.date ?? "") === newest).sort((a, b) => a.angleDeg - b.angleDeg);
}
