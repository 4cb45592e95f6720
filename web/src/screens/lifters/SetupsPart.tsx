import { useQuery, useQueryClient } from "@tanstack/react-query";
import { Copy, Star, Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { asked, client, Refused, settled } from "../../api/client";
import type { SetupDocument, StoredLifter, StoredSetup } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useRooms } from "../../state/rooms";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { notify } from "../../ui/Notices";
import { NewSetup } from "../begin/NewSetup";
import { describe } from "./describe";

const Part = styled.div`
  display: grid;
  gap: 12px;
  .head { display: flex; align-items: end; gap: 12px; flex-wrap: wrap; justify-content: space-between; min-height: 52px; }
  .head > :first-child { flex: 0 1 260px; }
  .rows { border-top: 1px solid var(--line); }
  .row { display: flex; align-items: center; gap: 8px; padding: 4px 0; border-bottom: 1px solid var(--line); }
  .row a { flex: 1; min-width: 0; padding: 10px 4px; text-decoration: none; font-weight: 600; overflow-wrap: anywhere; }
  .row a:hover { background: var(--sheet); }
  .row a small { display: block; font-weight: 400; color: var(--quiet); }
`;

/** Says why something could not be done. */
export const failed = (error: unknown) =>
  notify(
    error instanceof Refused && error.failure.status === 409
      ? "It was changed elsewhere: look again, then delete."
      : "The server does not answer; nothing was changed.",
  );

const perPage = 50;

/** The setups made for a lifter. */
export function SetupsPart({ lifter }: { lifter: StoredLifter }) {
  const units = useUnits();
  const cache = useQueryClient();
  const navigate = useNavigate();
  const rooms = useRooms().data?.items ?? [];
  const [creating, setCreating] = useState(false);
  const [q, setQ] = useState("");
  const [limit, setLimit] = useState(perPage);
  const setups = useQuery({
    ...asked("get", "/api/setups", { params: { query: { lifterId: lifter.id, q, limit } } }),
    placeholderData: (before) => before,
  });
  const refresh = () => changed(cache, "setups");
  const removeSetup = async (s: StoredSetup) => {
    const path = { id: s.id };
    try {
      await settled(client.DELETE("/api/setups/{id}", { params: { path, query: { version: s.version } } }));
      await refresh();
      notify(`${s.name} was deleted.`, {
        label: "Undo",
        run: () => void settled(client.POST("/api/setups/{id}/restore", { params: { path } })).then(refresh, failed),
      });
    } catch (error) {
      failed(error);
      await refresh();
    }
  };
  const setReady = async (s: StoredSetup, ready: boolean) => {
    try {
      await settled(client.PUT("/api/setups/{id}/ready", { params: { path: { id: s.id } }, body: { ready } }));
      await refresh();
      notify(ready ? `${s.name} is now one of your exercises.` : `${s.name} is no longer one of your exercises.`);
    } catch (error) {
      failed(error);
    }
  };
  const create = async (document: SetupDocument, open: boolean) => {
    try {
      const row = await settled(
        client.POST("/api/setups", { body: { id: crypto.randomUUID(), lifterId: lifter.id, document } }),
      );
      await refresh();
      if (open) navigate(`/bench/${row.id}`);
    } catch (error) {
      failed(error);
    }
  };
  const items = setups.data?.items ?? [];
  const total = setups.data?.total ?? 0;
  return (
    <Part>
      <div className="head">
        {total > 8 || q !== "" ? <TextInput label="Find a setup" value={q} onChange={setQ} /> : <span />}
        <Button onPress={() => setCreating(true)}>New setup</Button>
      </div>
      {setups.isPending && <p role="status">Loading …</p>}
      {setups.error && (
        <p role="alert">
          The setups could not be loaded.{" "}
          <Button look="link" onPress={() => void setups.refetch()}>
            Try again
          </Button>
        </p>
      )}
      {setups.data && items.length === 0 && (
        <p>
          {q === "" ? "No setups yet. Start from an exercise and tune it until it fits." : "No setup has that name."}
        </p>
      )}
      <div className="rows">
        {items.map((s) => {
          if (s.unreadable)
            return (
              <div className="row" key={s.id}>
                <span>
                  {s.name}
                  <small>{s.unreadable}</small>
                </span>
                <Button look="quiet" aria-label={`Delete ${s.name}`} onPress={() => void removeSetup(s)}>
                  <Trash2 size={15} aria-hidden />
                </Button>
              </div>
            );
          const room = rooms.find((r) => r.id === s.document.gym);
          return (
            <div className="row" key={s.id}>
              <SetupPicture document={s.document} width={96} height={72} />
              <Link to={`/bench/${s.id}`}>
                {s.name}
                <small>
                  {describe(s, units)}
                  {room && ` · ${room.name}`}
                </small>
              </Link>
              <Button
                look="quiet"
                aria-pressed={s.ready}
                aria-label={s.ready ? `Take ${s.name} off your exercises` : `Add ${s.name} to your exercises`}
                onPress={() => void setReady(s, !s.ready)}
              >
                <Star size={15} aria-hidden fill={s.ready ? "currentColor" : "none"} />
              </Button>
              <Button
                look="quiet"
                aria-label={`Copy ${s.name}`}
                onPress={() => void create({ ...s.document, name: `${s.name}, copy`.slice(0, 200) }, false)}
              >
                <Copy size={15} aria-hidden />
              </Button>
              <Button look="quiet" aria-label={`Delete ${s.name}`} onPress={() => void removeSetup(s)}>
                <Trash2 size={15} aria-hidden />
              </Button>
            </div>
          );
        })}
      </div>
      {items.length < total && (
        <div>
          <Button look="link" onPress={() => setLimit(Math.min(200, limit + perPage))} isDisabled={limit >= 200}>
            {limit >= 200 ? `${total - items.length} more: search for them` : `Show more of ${total}`}
          </Button>
        </div>
      )}
      {creating && <NewSetup lifter={lifter} close={() => setCreating(false)} pick={(d) => create(d, true)} />}
    </Part>
  );
}
