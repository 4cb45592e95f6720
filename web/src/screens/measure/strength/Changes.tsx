import { useQueryClient } from "@tanstack/react-query";
import { useDeferredValue, useMemo, useState } from "react";
import styled from "styled-components";
import { client, Refused, settled } from "../../../api/client";
import type { Core } from "../../../engine/core";
import type {
  AngleFit,
  Lifter,
  SetupDocument,
  StoredLifter,
  StoredSetup,
  StrengthFit,
  StrengthTest,
} from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { notify } from "../../../ui/Notices";
import { StatusIcon } from "../../../ui/StatusIcon";
import { dayWords, today } from "../../plan/planEdits";

const Box = styled.div`
  display: grid;
  gap: 16px;
  h1 { font-size: 20px; line-height: 26px; }
  dl { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 5px 12px; margin: 4px 0; }
  dd { margin: 0; text-align: right; }
  .limb { color: var(--plum); }
  .sum { font-weight: 600; }
  table { width: 100%; border-collapse: collapse; }
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 2px 0 2px 8px; }
  td { text-align: right; padding: 6px 0 6px 8px; border-top: 1px solid var(--line); vertical-align: top; }
  th:first-child, td:first-child { text-align: left; padding-left: 0; }
  td:last-child { font-weight: 600; }
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
  const put = (version: number, to: Lifter) =>
    settled(
      client.PUT("/api/lifters/{id}", {
        params: { path: { id: lifter.id } },
        body: { version, name: lifter.name, notes: lifter.notes, body: to },
      }),
    );
  const save = async () => {
    setSaving(true);
    try {
      const row = await put(lifter.version, body);
      clear();
      await cache.invalidateQueries();
      notify(`${first}'s strength is as tested today.`, {
        label: "Undo",
        run: () => void put(row.version, lifter.body).then(() => cache.invalidateQueries(), failed),
      });
    } catch (error) {
      failed(error);
      await cache.invalidateQueries({ queryKey: ["lifter", lifter.id] });
    } finally {
      setSaving(false);
    }
  };
  return (
    <Box>
      <div>
        <h1>{headline(latest, before)}</h1>
        <p className="quiet">{beside(latest, before)}</p>
      </div>
      <WhereFrom a={latest} strap={strap} />
      <Affected core={core} setups={setups} before={lifter.body} after={body} />
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

const failed = (error: unknown) =>
  notify(
    error instanceof Refused && error.failure.status === 409
      ? "The lifter was changed elsewhere meanwhile. It was loaded anew: look, and update again."
      : error instanceof Refused
        ? `${error.message} Nothing was changed.`
        : "The server does not answer; nothing was changed. The trials are kept.",
  );

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

const mostShown = 6;

/** What the tests do to the effort of the lifter's setups. */
function Affected({
  core,
  setups,
  before,
  after,
}: {
  core: Core;
  setups: StoredSetup[];
  before: Lifter;
  after: Lifter;
}) {
  const later = useDeferredValue(JSON.stringify(after));
  const rows = useMemo(() => {
    const body = JSON.parse(later) as Lifter;
    const effort = (d: SetupDocument, lifter: Lifter) => core.effect(JSON.stringify({ ...d, lifter })).ok?.effort.value;
    return setups
      .filter((s) => !s.unreadable)
      .map((s) => ({
        name: s.name,
        id: s.id,
        from: effort(s.document, before),
        to: effort(s.document, body),
        document: s.document,
      }))
      .filter((r) => r.from != null && r.to != null && Math.abs(r.from - r.to) > 0.004);
  }, [core, setups, before, later]);
  const known = useMemo(() => {
    const d = rows[0]?.document;
    if (!d) return null;
    const off = (lifter: Lifter) => core.sources(JSON.stringify({ ...d, lifter })).ok?.percent.value;
    return { from: off(before), to: off(JSON.parse(later) as Lifter) };
  }, [core, rows, before, later]);
  if (setups.length === 0) return null;
  if (rows.length === 0) return <p className="quiet">No setup's effort changes by it.</p>;
  const percent = (x: number | null | undefined) => (x == null ? "–" : `${Math.round(100 * x)}%`);
  return (
    <section>
      <h2>Peak effort of the setups</h2>
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
            <tr key={r.id}>
              <td>{r.name}</td>
              <td className="mono">{percent(r.from)}</td>
              <td className="mono">{percent(r.to)}</td>
            </tr>
          ))}
          {known?.from != null && known.to != null && (
            <tr>
              <td>{rows[0]?.name}, known to</td>
              <td className="mono">±{Math.round(2 * known.from)}%</td>
              <td className="mono">±{Math.round(2 * known.to)}%</td>
            </tr>
          )}
        </tbody>
      </table>
      {rows.length > mostShown && <small>and {rows.length - mostShown} more.</small>}
    </section>
  );
}
