import { useEffect, useState } from "react";
import styled from "styled-components";
import type { Session, SessionSet, StoredSession } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { StatusIcon } from "../../ui/StatusIcon";
import { useLifterNames } from "../begin/useSaved";

const Board = styled.section`
  .lanes { display: grid; grid-template-columns: repeat(auto-fit, minmax(260px, 1fr)); gap: 12px; padding-top: 10px; }
  article {
    display: grid;
    gap: 8px;
    align-content: start;
    border: 1px solid var(--line);
    border-radius: 8px;
    padding: 10px;
    background: var(--sheet);
  }
  article[data-trouble="true"] { border: 2px solid var(--brick); }
  header { display: flex; justify-content: space-between; gap: 8px; }
  h3 { font-size: 15px; }
  .now { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 10px; }
  .told { display: flex; gap: 6px; }
  ol { list-style: none; padding: 0; margin: 0; display: grid; gap: 2px; font-size: 12px; }
  ol li { display: grid; grid-template-columns: minmax(0, 1fr) auto; gap: 8px; padding: 0; border: 0; }
  svg text { font-size: 11px; fill: var(--quiet); }
`;

/** The sessions that are being logged, told by the server as they change. */
export function Live() {
  const [sessions, setSessions] = useState<Record<string, StoredSession>>({});
  const [heard, setHeard] = useState(0);
  const [, tick] = useState(0);
  useEffect(() => {
    const stream = new EventSource("/api/live");
    stream.addEventListener("session", (e) => {
      const s = JSON.parse(e.data) as StoredSession;
      setSessions((all) => ({ ...all, [s.id]: s }));
      setHeard(Date.now());
    });
    stream.onopen = () => setHeard(Date.now());
    const timer = setInterval(() => tick((n) => n + 1), 5000);
    return () => {
      stream.close();
      clearInterval(timer);
    };
  }, []);
  const whose = useLifterNames();
  const list = Object.values(sessions);
  return (
    <Board aria-label="Training now">
      <h2>Training now</h2>
      {list.length === 0 && (
        <p>{heard ? "Nobody is logging right now. Sets stand here within seconds of being logged." : "Listening …"}</p>
      )}
      <div className="lanes">
        {list.map((s) => (
          <Lane key={s.id} session={s.document} name={whose(s.lifterId)} />
        ))}
      </div>
    </Board>
  );
}

/** One lifter: what is being done, the last set, and what went otherwise than planned. */
function Lane({ session, name }: { session: Session; name: string }) {
  const units = useUnits();
  const done = session.sets.filter((x) => !x.dropped);
  const last = done.at(-1);
  const planned = (session.planned ?? []).reduce((n, p) => n + p.sets, 0);
  const entry = session.entries.find((e) => e.id === last?.entry) ?? session.entries[0];
  const trouble = last ? troubleOf(session, last) : null;
  return (
    <article data-trouble={trouble?.bad}>
      <header>
        <h3>
          {name} <small>day {session.name}</small>
        </h3>
        <small>
          {done.length} of {planned} sets
        </small>
      </header>
      {entry && (
        <div className="now">
          <SetupPicture document={entry.document} width={96} height={80} />
          <div>
            <b>{entry.document.name}</b>
            {last && (
              <p className="mono">
                {units.text(last.load, "mass")} × {last.reps}, {last.rir === 4 ? "4+" : last.rir} left
              </p>
            )}
            {last && <small>{new Date(last.at).toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}</small>}
          </div>
        </div>
      )}
      {trouble && (
        <p className="told">
          <StatusIcon tone={trouble.bad ? "error" : "ok"} /> {trouble.words}
        </p>
      )}
      <ol>
        {session.entries.map((e) => (
          <li key={e.id}>
            <span>{e.document.name}</span>
            <span className="mono">
              {done
                .filter((x) => x.entry === e.id)
                .map((x) => x.reps)
                .join(", ") || "–"}
            </span>
          </li>
        ))}
      </ol>
    </article>
  );
}

/** What the coach should know of the last set. */
function troubleOf(s: Session, x: SessionSet): { bad: boolean; words: string } {
  const p = s.planned?.find((e) => e.entry === x.entry);
  if (x.pain && (x.pain.sharp || x.pain.level >= 3))
    return { bad: true, words: `Pain at the ${x.pain.joint}, ${x.pain.level} of 10${x.pain.sharp ? ", sharp" : ""}.` };
  if (p && x.rir === 0 && x.reps < p.reps - 2)
    return { bad: true, words: `Too heavy: ${x.reps} to failure, ${Math.round(p.reps)} were planned.` };
  if (x.thrown) return { bad: false, words: "The last set was thrown." };
  return { bad: false, words: "Going as planned." };
}
