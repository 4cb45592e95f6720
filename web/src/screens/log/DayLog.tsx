import { CloudOff } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Digest, PlannedEntry, Session, SessionSet } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { Loading } from "../../ui/States";
import { StatusIcon } from "../../ui/StatusIcon";
import { AddEntry } from "../plan/AddEntry";
import { newEntry } from "../plan/planEdits";
import { plannedNow } from "./days";
import { PainCaution } from "./PainCaution";
import { beginRest, RestTimer } from "./RestTimer";
import { SetForm } from "./SetForm";
import { SetMarks } from "./SetMarks";
import { SwapDialog } from "./SwapDialog";
import { toSet } from "./toSet";
import { type Day, lastTime, useSession } from "./useSession";

const Page = styled.div`
  height: 100%;
  overflow: auto;
  > div { max-width: 430px; margin: 0 auto; padding: 10px 14px 24px; display: grid; gap: 10px; }
  .head { display: flex; justify-content: space-between; gap: 10px; }
  .head h1 { font-size: 16px; line-height: 20px; }
  .head small, .state { color: var(--quiet); font-size: 12px; line-height: 16px; }
  .state { display: flex; gap: 6px; text-align: right; }
  .now { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 12px; }
  .now h2 { font-size: 15px; line-height: 19px; }
  .now dl { display: grid; grid-template-columns: auto 1fr; gap: 0 10px; margin: 4px 0 0; align-items: baseline; }
  .now dt { color: var(--quiet); font-size: 12px; }
  .now dd { margin: 0; font-size: 17px; font-weight: 600; }
  svg text { font-size: 12px; fill: var(--ink); }
  svg text.quiet { fill: var(--quiet); }
  svg text.now { font-weight: 600; }
  .rest {
    display: flex;
    align-items: center;
    gap: 10px;
    border-top: 1px solid var(--line);
    border-bottom: 1px solid var(--line);
    padding: 6px 0;
  }
  .rest b { font-size: 20px; }
  .rest span { flex: 1; color: var(--quiet); }
  .rest b { color: var(--ink); }
  .todo { border-top: 1px solid var(--line); padding-top: 8px; display: grid; gap: 8px; }
  .todo ul { list-style: none; padding: 0; margin: 0; display: flex; flex-wrap: wrap; gap: 6px; }
  .todo li button {
    display: grid;
    gap: 3px;
    padding: 6px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    text-align: left;
  }
  .todo li button[aria-pressed="true"] { border: 2px solid var(--ink); color: var(--ink); font-weight: 600; }
  .todo i { display: inline-block; width: 12px; height: 7px; margin-right: 2px; border: 1px solid var(--quiet); }
  .todo i[data-done="true"] { background: var(--ember); border-color: var(--ember-deep); }
  .pair { display: flex; gap: 8px; flex-wrap: wrap; align-items: center; }
  .pair a { display: grid; align-content: center; min-height: var(--target); }
  .caution { display: flex; gap: 8px; color: var(--quiet); font-size: 12px; line-height: 16px; }
`;

type Props = { core: Core; day: Day; whose: string };

/** The screen for the gym floor: one exercise, its sets, and what is pressed after each. */
export function DayLog({ core, day, whose }: Props) {
  const units = useUnits();
  const log = useSession(core, day);
  const { session } = log;
  const [chosen, choose] = useState<string | null>(null);
  const [editing, edit] = useState<SessionSet | null>(null);
  const [hurts, setHurts] = useState<SessionSet | null>(null);
  const [swapping, setSwapping] = useState(false);
  const [adding, setAdding] = useState(false);
  if (!session) return <Loading what="Opening the day" />;
  const entries = session.entries;
  const doneOf = (id: string) => session.sets.filter((s) => s.entry === id && !s.dropped);
  const plannedOf = (id: string) => session.planned?.find((p) => p.entry === id) ?? fallback(id);
  const open = entries.find((e) => doneOf(e.id).length < plannedOf(e.id).sets);
  const entry = entries.find((e) => e.id === chosen) ?? open ?? entries.at(-1);
  const title = session.blockId ? `Day ${session.name}` : session.name;
  const add = adding && (
    <AddEntry
      lifterId={session.lifterId ?? ""}
      close={() => setAdding(false)}
      pick={(document, from) => {
        setAdding(false);
        const fresh = newEntry(core, document, from);
        if (!fresh) return notify("This setup has problems: open it and mend them first.");
        const planned = [...(session.planned ?? []), plannedNow(core, fresh, session, log.past)];
        log.change({ entries: [...session.entries, fresh], planned });
        choose(fresh.id);
      }}
    />
  );
  if (!entry)
    return (
      <Page>
        <div>
          <div className="head">
            <div>
              <h1>{title}</h1>
              <small>{whose}</small>
            </div>
          </div>
          <p>
            {session.blockId
              ? "Nothing is planned for this day yet."
              : "Add what is done first; the rest follows as it comes."}
          </p>
          <Button look="strong" onPress={() => setAdding(true)}>
            Add an exercise
          </Button>
          {session.blockId && <Link to={`/plan/${session.blockId}`}>Open the plan</Link>}
        </div>
        {add}
      </Page>
    );
  const digest = core.digest(JSON.stringify(entry.document)).ok;
  const planned = plannedOf(entry.id);
  const done = doneOf(entry.id);
  const last = lastTime(log.past, entry, session.date);
  const at = entries.indexOf(entry);
  const left = entries.reduce((n, e) => n + Math.max(0, plannedOf(e.id).sets - doneOf(e.id).length), 0);
  const record = (set: SessionSet) => {
    const fresh = !session.sets.some((s) => s.id === set.id);
    log.put(set);
    edit(null);
    if (fresh && log.id) beginRest(log.id, entry.rest);
    if (set.pain && (set.pain.sharp || set.pain.level >= 3)) setHurts(set);
    else if (fresh && done.length + 1 >= planned.sets) choose(null);
  };
  return (
    <Page>
      <div>
        <div className="head">
          <div>
            <h1>
              {title}, exercise {at + 1} of {entries.length}
            </h1>
            <small>{whose}</small>
          </div>
          <State log={log} />
        </div>
        <div className="now">
          <SetupPicture document={entry.document} width={128} height={104} />
          <div>
            <h2>{entry.document.name}</h2>
            <Settings entry={entry} digest={digest} planned={planned} />
          </div>
        </div>
        {entry.note && <p>{entry.note}</p>}
        {digest && <Elsewhere sets={[...last, ...done]} digest={digest} />}
        {entry.document.lifter.cautions?.map((c) => (
          <div className="caution" key={c}>
            <StatusIcon tone="caution" /> {c}
          </div>
        ))}
        <SetMarks done={done} last={last} planned={planned} from={entry.repsFrom} to={entry.repsTo} edit={edit} />
        {log.id && <RestTimer session={log.id} />}
        <SetForm
          key={`${entry.id}${editing?.id ?? done.length}`}
          entry={entry}
          digest={digest ?? null}
          planned={planned}
          byPlan={!!session.blockId}
          number={editing ? done.indexOf(editing) + 1 : done.length + 1}
          before={done.at(-1) ?? null}
          editing={editing}
          cancel={() => edit(null)}
          record={record}
        />
        {done.length > 0 && !editing && (
          <Button look="link" onPress={() => edit(done.at(-1) ?? null)}>
            Change the last set: {units.text(done.at(-1)?.load ?? 0, "mass")} × {done.at(-1)?.reps}
          </Button>
        )}
        <div className="todo">
          <b>{left > 0 ? `Still to do: ${left} ${left === 1 ? "set" : "sets"}` : "All sets are done."}</b>
          <ul>
            {entries.map((e) => (
              <li key={e.id}>
                <button type="button" aria-pressed={e === entry} onClick={() => choose(e.id)}>
                  <span aria-hidden>
                    {Array.from({ length: plannedOf(e.id).sets }, (_, i) => (
                      <i key={i} data-done={i < doneOf(e.id).length} />
                    ))}
                  </span>
                  {e.document.name}
                </button>
              </li>
            ))}
          </ul>
          <div className="pair">
            <Button onPress={() => setSwapping(true)}>Station taken: swap</Button>
            <Button onPress={() => setAdding(true)}>Add an exercise</Button>
            {session.blockId && <Link to={`/plan/${session.blockId}`}>The whole plan</Link>}
          </div>
        </div>
        <div className="caution">
          <StatusIcon tone="caution" /> Gym rules come first. Sharp pain or joint pain: stop.
        </div>
      </div>
      {add}
      {hurts?.pain && (
        <PainCaution
          pain={hurts.pain}
          entry={entry}
          gym={day.gym}
          close={() => setHurts(null)}
          leave={() => {
            setHurts(null);
            setPlanned(session, entry.id, { sets: done.length }, log.change);
            choose(null);
          }}
          swap={(e, p) => {
            setHurts(null);
            swap(session, entry.id, done.length, e, p, log.change);
            choose(e.id);
          }}
        />
      )}
      {swapping && (
        <SwapDialog
          entry={entry}
          gym={day.gym}
          close={() => setSwapping(false)}
          swap={(e, p) => {
            setSwapping(false);
            swap(session, entry.id, done.length, e, p, log.change);
            choose(e.id);
          }}
        />
      )}
    </Page>
  );
}

const fallback = (entry: string): PlannedEntry => ({ entry, sets: 3, load: 0, reps: 10, rir: 2 });

type Change = (to: Partial<Session>) => void;

/** What an entry was planned with, changed. */
function setPlanned(s: Session, entry: string, to: Partial<PlannedEntry>, change: Change): void {
  change({ planned: (s.planned ?? []).map((p) => (p.entry === entry ? { ...p, ...to } : p)) });
}

/** Another exercise in the place of one, for the sets that are left of it. */
function swap(
  s: Session,
  from: string,
  done: number,
  entry: Session["entries"][number],
  load: number,
  change: Change,
): void {
  const was = s.planned?.find((p) => p.entry === from) ?? fallback(from);
  const at = s.entries.findIndex((e) => e.id === from) + 1;
  change({
    entries: s.entries.toSpliced(at, 0, entry),
    planned: [
      ...(s.planned ?? []).map((p) => (p.entry === from ? { ...p, sets: done } : p)),
      { ...was, entry: entry.id, sets: Math.max(1, was.sets - done), load, swap: from },
    ],
  });
}

/** Whether everything that was logged has reached the server. */
function State({ log }: { log: ReturnType<typeof useSession> }) {
  if (log.refusal)
    return (
      <span className="state" role="alert">
        Kept on this phone. The server said: {log.refusal}
      </span>
    );
  if (log.away && log.pending)
    return (
      <span className="state" role="status">
        <CloudOff size={14} aria-hidden /> No network: kept on this phone
      </span>
    );
  return (
    <span className="state" role="status">
      {log.pending ? "Sending" : log.session?.sets.length ? "Saved" : ""}
    </span>
  );
}

/** Where a setup was felt, when that was three times running not where it is meant. */
function Elsewhere({ sets, digest }: { sets: SessionSet[]; digest: Digest }) {
  const told = sets.filter((s) => (s.felt?.length ?? 0) > 0).slice(-3);
  if (
    told.length < 3 ||
    told.some((s) => s.felt?.some((k) => k === digest.target || k.startsWith(`${digest.target}.`)))
  )
    return null;
  const label = (key: string) => digest.work.find((w) => w.region === key)?.label ?? key;
  const names = [...new Set(told.flatMap((s) => s.felt ?? []))].map(label).join(", ");
  const share = digest.work.find((w) => w.region === digest.target)?.hard;
  return (
    <div className="caution">
      <StatusIcon tone="warning" />
      <span>
        Felt in {names} three times running, not in {digest.label}
        {share !== undefined && `, which works ${Math.round(100 * share)}% as hard as the busiest by the model`}. Tell
        your coach: the path or the line of pull may have to change.
      </span>
    </div>
  );
}

/** The numbers to set before the first set. */
function Settings(props: { entry: Session["entries"][number]; digest?: Digest; planned: PlannedEntry }) {
  const units = useUnits();
  const { entry, digest, planned } = props;
  return (
    <dl>
      {toSet(entry.document, digest, planned.load, units).map(([name, value]) => [
        <dt key={name}>{name}</dt>,
        <dd key={`${name} is`}>{value}</dd>,
      ])}
    </dl>
  );
}
