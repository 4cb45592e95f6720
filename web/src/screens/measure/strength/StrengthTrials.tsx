import { useDeferredValue, useMemo, useState } from "react";
import { Link, useNavigate } from "react-router";
import type { Core } from "../../../engine/core";
import type { StoredLifter, StoredSetup, StrengthTest } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { ThreeParts } from "../ThreeParts";
import { Changes } from "./Changes";
import { StrengthCurve } from "./StrengthCurve";
import { TestSetup } from "./TestSetup";
import { TrialsLive } from "./TrialsLive";
import { useTrials } from "./useTrials";

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
    <ThreeParts>
      <header>
        <Link to={`/measure/${lifter.id}`}>{lifter.name}</Link>
        <span aria-hidden>/</span>
        <h1>Strength over the range</h1>
      </header>
      <section aria-label="How it is tested">
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
      <section aria-label="What it comes to">
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
    </ThreeParts>
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
