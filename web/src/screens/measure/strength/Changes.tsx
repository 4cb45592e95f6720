import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { AngleFit, Lifter, StoredLifter, StoredSetup, StrengthFit, StrengthTest } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { StatusIcon } from "../../../ui/StatusIcon";
import { dayWords, today } from "../../plan/planEdits";
import { EffortChanges } from "../EffortChanges";
import { saveLifter } from "../saveLifter";

const Box = styled.div`
  display: grid;
  gap: 16px;
  h1 { font-size: 20px; line-height: 26px; }
  dl { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 5px 12px; margin: 4px 0; }
  dd { margin: 0; text-align: right; }
  .limb { color: var(--plum); }
  .sum { font-weight: 600; }
  .say { display: grid; grid-template-columns: 18px minmax(0, 1fr); gap: 8px; align-items: start; }
  .actions { display: flex; gap: 8px; flex-wrap: wrap; }
`;

type Props = {
  core: Core;
  lifter: StoredLifter;
  setups: StoredSetup[];
  action: StrengthTest["action"];
  strap: number;
  /** The angle that is tested now. */
  angle: number;
  fit: StrengthFit | undefined;
  before: StrengthTest[];
  clear: () => void;
};

/** What the trials come to, what they do to the lifter's setups, and what becomes of them. */
export function Changes({ core, lifter, setups, action, strap, angle, fit, before, clear }: Props) {
  const units = useUnits();
  const cache = useQueryClient();
  const [saving, setSaving] = useState(false);
  const angles = fit?.angles ?? [];
  const first = lifter.name.split(" ")[0] ?? lifter.name;
  const latest = angles.find((a) => Math.abs(a.angleDeg - angle) < 3) ?? angles.at(-1);
  if (!latest) return <p className="quiet">What the trials come to, and what they change, stands here.</p>;
  const body = withTests(lifter.body, action, angles);
  const save = async () => {
    setSaving(true);
    if (await saveLifter(cache, lifter, body, `${first}'s strength is as tested today.`)) clear();
    setSaving(false);
  };
  return (
    <Box>
      <div>
        <h1>{headline(latest, before)}</h1>
        <p className="quiet">{beside(latest, before)}</p>
      </div>
      <WhereFrom a={latest} strap={strap} />
      <EffortChanges core={core} setups={setups} before={lifter.body} after={body} what="effort" />
      <Agreement angles={angles} />
      {angles.length < 2 && (
        <p className="say">
          <StatusIcon tone="caution" />
          <span>One angle scales the usual shape. Test two more, early and late in the range.</span>
        </p>
      )}
      <div className="actions">
        <Button look="strong" isDisabled={saving} onPress={() => void save()}>
          Update {first}'s strength
        </Button>
        <Button look="quiet" onPress={clear}>
          Discard
        </Button>
      </div>
      <small>
        The trials stay in this browser until you update or discard. {units.unit("torque").name} about the joint;
        spreads are 95%.
      </small>
    </Box>
  );
}

/** The lifter with today's tests of an action in place of what else was tested today. */
function withTests(body: Lifter, action: StrengthTest["action"], angles: AngleFit[]): Lifter {
  const date = today();
  const others = (body.strength ?? []).filter((t) => t.action !== action || t.date !== date);
  const tests = angles.map((a) => ({
    action,
    angleDeg: Math.round(a.angleDeg),
    torque: Math.round(100 * a.torque) / 100,
    date,
    ...(a.off.value != null && { spread: Math.round((1e4 * a.off.value) / a.torque) / 1e4 }),
  }));
  return { ...body, strength: [...others, ...tests] };
}

/** What was known of an angle before: what lies between the tests beside it. */
function knownAt(deg: number, before: StrengthTest[]): number | undefined {
  for (const [i, t] of before.entries()) {
    if (Math.abs(t.angleDeg - deg) < 3) return t.torque;
    const next = before[i + 1];
    if (next && t.angleDeg < deg && deg < next.angleDeg)
      return t.torque + ((next.torque - t.torque) * (deg - t.angleDeg)) / (next.angleDeg - t.angleDeg);
  }
  return undefined;
}

function headline(a: AngleFit, before: StrengthTest[]): string {
  const was = knownAt(a.angleDeg, before);
  const at = `at ${Math.round(a.angleDeg)}°`;
  if (was === undefined) return `Tested ${at}`;
  const by = Math.round(100 * (a.torque / was - 1));
  return by === 0 ? `As strong as before ${at}` : `${Math.abs(by)}% ${by > 0 ? "stronger" : "weaker"} ${at}`;
}

function beside(a: AngleFit, before: StrengthTest[]): string {
  const was = knownAt(a.angleDeg, before);
  if (was === undefined) return "There is no earlier test to hold it against.";
  const day = before[0]?.date ? `on ${dayWords(before[0].date)}` : "before";
  const off = a.off.value;
  if (off == null) return `than ${day}; one trial does not tell how sure that is.`;
  return Math.abs(a.torque - was) > off ? `than ${day}: more than the spread.` : `than ${day}: within the spread.`;
}

/** How the torque of an angle comes about. */
function WhereFrom({ a, strap }: { a: AngleFit; strap: number }) {
  const units = useUnits();
  const torque = (x: number) => units.text(x, "torque");
  const off = a.off.value;
  return (
    <section>
      <h2>Where {torque(a.torque)} comes from</h2>
      <dl>
        <dt>Pull at the strap{a.trials.length > 1 ? `, mean of ${a.trials.length}` : ""}</dt>
        <dd className="mono">{units.text(a.force, "force", 1)}</dd>
        <dt>times distance to the joint</dt>
        <dd className="mono">× {units.text(strap, "length", 1)}</dd>
        <dt>at the strap alone</dt>
        <dd className="mono">{torque(a.atStrap)}</dd>
        <dt className="limb">weight of the limb at {Math.round(a.angleDeg)}°</dt>
        <dd className="mono limb">
          {a.limb < 0 ? "− " : "+ "}
          {torque(Math.abs(a.limb))}
        </dd>
        <dt className="sum">what the joint held</dt>
        <dd className="mono sum">
          {torque(a.torque)}
          {off != null && ` ± ${units.number(off, "torque")}`}
        </dd>
      </dl>
      <small>
        {a.limb >= 0
          ? "The joint holds the limb as well, and the strap does not see that."
          : "The limb's weight pulls the same way as the muscle, so that much of the pull is not the muscle's."}
        {off == null && ` ${a.off.why}`}
      </small>
    </section>
  );
}

/** Whether the trials at each angle agree. */
function Agreement({ angles }: { angles: AngleFit[] }) {
  const apart = angles.filter((a) => a.another);
  if (!angles.some((a) => a.trials.length > 1)) return null;
  if (apart.length === 0) {
    return (
      <p className="say">
        <StatusIcon tone="ok" />
        <span>The trials agree within 10% at every angle.</span>
      </p>
    );
  }
  return apart.map((a) => (
    <p className="say" key={a.angleDeg}>
      <StatusIcon tone="warning" />
      <span>
        At {Math.round(a.angleDeg)}° the trials are {Math.round(100 * a.apart)}% apart: take another, or strike out the
        one that slipped.
      </span>
    </p>
  ));
}
