import { useQueries, useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { asked } from "../../api/client";
import { openDrafts } from "../../editing/draft";
import { core } from "../../engine/core";
import type { Ready, StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { useLifterNames } from "../begin/useSaved";
import { AddLifter } from "../lifters/AddLifter";
import { useToday } from "../log/useToday";
import { recentBenches } from "../workbench/lastOpened";
import { averageBody, openForAverage } from "./average";
import { FindExercise } from "./FindExercise";
import { LiveRep } from "./LiveRep";

const Page = styled.div`
  height: 100%;
  overflow: auto;
  padding: 28px 32px 40px;
  display: grid;
  gap: 28px;
  align-content: start;
  max-width: 1240px;
  .first { display: grid; grid-template-columns: minmax(260px, 5fr) minmax(0, 8fr); gap: 28px; align-items: start; }
  .first > div { display: grid; gap: 16px; }
  h1 { font-size: 26px; line-height: 32px; letter-spacing: -0.01em; }
  h2 { font-size: 15px; padding-bottom: 6px; border-bottom: 1px solid var(--line); }
  .ways { display: flex; flex-wrap: wrap; gap: 8px; }
  .cards {
    list-style: none;
    padding: 10px 0 0;
    margin: 0;
    display: grid;
    grid-template-columns: repeat(auto-fill, minmax(190px, 1fr));
    gap: 14px;
  }
  .cards a { display: grid; gap: 4px; color: inherit; text-decoration: none; font-weight: 600; border-radius: 8px; }
  .cards a:hover b { text-decoration: underline; }
  .cards small { display: block; color: var(--quiet); font-weight: 400; }
  .room { min-height: 300px; }
  .waits { list-style: none; padding: 4px 0 0; margin: 0; }
  .waits li { padding: 6px 0; }
  @media (max-width: 900px) { padding: 18px 16px 32px; .first { grid-template-columns: minmax(0, 1fr); } }
`;

const shown = 4;
const exampleKey = "raise.behind.hand";

/** The first screen: what this is, four ways in, and what to go on with. */
export function HomeScreen() {
  const navigate = useNavigate();
  const cache = useQueryClient();
  const [adding, setAdding] = useState(false);
  const [opening, setOpening] = useState(false);
  const started = useQuery({ queryKey: ["core"], queryFn: core, staleTime: Number.POSITIVE_INFINITY });
  const ready = useQuery({
    queryKey: ["ready", "average"],
    queryFn: async () => (await core()).ready(averageBody, "", "").ok ?? [],
    staleTime: Number.POSITIVE_INFINITY,
  });
  const all = ready.data ?? [];
  const example = all.find((r) => r.key === exampleKey);
  const open = async (r: Ready) => {
    setOpening(true);
    try {
      const address = await openForAverage(r.document);
      await changed(cache, "lifters"); // with their setups
      navigate(address);
    } catch {
      notify("The server does not answer; nothing was opened.");
      setOpening(false);
    }
  };
  return (
    <Page>
      <section className="first" aria-label="Start">
        <div>
          <h1>Find out what a setup asks of a muscle at every angle, and tune it to what the muscle can do.</h1>
          <span className="ways">
            <Button
              look="strong"
              isDisabled={!example || opening}
              onPress={() => {
                if (example) void open(example);
              }}
            >
              Open an example
            </Button>
            <Button onPress={() => setAdding(true)}>Add a lifter</Button>
          </span>
          {started.data && <FindExercise core={started.data} ready={all} open={(r) => void open(r)} />}
          {(started.error || ready.error) && <p role="alert">The calculation core did not load. Reload the page.</p>}
        </div>
        <div className="room">{started.data && example && <LiveRep core={started.data} example={example} />}</div>
      </section>
      <Today />
      <Waiting />
      <Continue />
      {adding && <AddLifter close={() => setAdding(false)} done={(l) => navigate(`/lifters/${l.id}`)} />}
    </Page>
  );
}

/** The setups that were opened last in this browser, or, where there are none, some that are saved. */
function Continue() {
  const recent = recentBenches().slice(0, shown);
  const opened = useQueries({
    queries: recent.map(({ id }) => ({
      ...asked("get", "/api/setups/{id}", { params: { path: { id } } }),
      retry: false,
    })),
  });
  const saved = useQuery({
    ...asked("get", "/api/setups", { params: { query: { limit: shown } } }),
    enabled: recent.length === 0,
  });
  const list = recent.length > 0 ? opened.flatMap((q) => q.data ?? []) : (saved.data?.items ?? []);
  if (list.length === 0) return null;
  return (
    <section aria-label="Continue">
      <h2>{recent.length > 0 ? "Continue" : "Saved setups"}</h2>
      <ul className="cards">
        {list.map((s) => (
          <Card key={s.id} setup={s} at={recent.find((r) => r.id === s.id)?.at} />
        ))}
      </ul>
    </section>
  );
}

const moment = new Intl.DateTimeFormat(undefined, { dateStyle: "medium", timeStyle: "short" });

function Card({ setup, at }: { setup: StoredSetup; at: number | undefined }) {
  const name = useLifterNames()(setup.lifterId);
  return (
    <li>
      <Link to={`/bench/${setup.id}`}>
        <SetupPicture document={setup.document} width={190} height={150} line />
        <b>{setup.name}</b>
        <small>{[name, at === undefined ? "" : `opened ${moment.format(at)}`].filter(Boolean).join(", ")}</small>
      </Link>
    </li>
  );
}

/** Whose day it is by their plans, each with the way to log it. */
function Today() {
  const days = useToday().filter((t) => t.today);
  if (days.length === 0) return null;
  return (
    <section aria-label="Today">
      <h2>Today</h2>
      <ul className="waits">
        {days.map((t) => (
          <li key={`${t.blockId}${t.day}`}>
            <Link to={`/log/${t.lifterId}/${t.blockId}/${t.week}/${t.day}`}>
              {t.lifter}, day {t.name}
            </Link>{" "}
            · {t.sets} sets of {t.exercises} {t.exercises === 1 ? "exercise" : "exercises"}, week {t.week} of {t.weeks}
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What was changed in this browser and not saved. */
function Waiting() {
  const drafts = openDrafts();
  if (drafts.length === 0) return null;
  return (
    <section aria-label="Not saved yet">
      <h2>Not saved yet</h2>
      <ul className="waits">
        {drafts.slice(0, shown).map((d) => (
          <li key={d.id}>
            <Link to={`/bench/${d.id}`}>{d.name}</Link> has changes that only this browser has.
          </li>
        ))}
      </ul>
    </section>
  );
}
