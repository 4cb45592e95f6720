import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changed";
import { client, Refused, settled } from "../../api/client";
import { core } from "../../engine/core";
import type { Block, BlockDay, StoredBlock } from "../../engine/types";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";
import { Select } from "../../ui/Select";
import { useLifters } from "../begin/useSaved";
import { dayLater, today } from "./planEdits";

/** The next Monday, or today where it is one. */
function monday(): string {
  const day = new Date(`${today()}T12:00:00Z`).getUTCDay();
  return dayLater(today(), (8 - day) % 7);
}

type Props = { close: () => void; done: (b: StoredBlock) => void; lifterId?: string };

/** A new block for a lifter: six weeks with three empty days. */
export function AddBlock({ close, done, lifterId }: Props) {
  const cache = useQueryClient();
  const lifters = useLifters().data?.items ?? [];
  const [chosen, choose] = useState(lifterId ?? "");
  const [name, setName] = useState("");
  const [start, setStart] = useState(monday());
  const [weeks, setWeeks] = useState(6);
  const [problem, setProblem] = useState("");
  const whose = chosen || lifters[0]?.id || "";
  const withDays = (days: BlockDay[], called = "New block"): Block => ({
    schema: "dialarc.block/1",
    lifterId: whose,
    name: name.trim() || called,
    start,
    weeks: Math.round(weeks),
    days,
  });
  /** A plan of a file for the chosen lifter: the whole of it, or a table of its days. What is wrong is told with its place. */
  const read = async (file: File | undefined) => {
    if (!file) return;
    const text = await file.text();
    try {
      const { ok, problems } = text.trimStart().startsWith("{")
        ? (await core()).block(text)
        : await daysOf(text, whose);
      const first = problems?.[0];
      if (!ok || first)
        setProblem(first ? `${first.path} ${first.what} ${first.hint ?? ""}` : "The file cannot be read.");
      else if (Array.isArray(ok)) await store(withDays(ok, file.name.replace(/\.\w+$/, "")));
      else await store({ ...ok, lifterId: whose });
    } catch {
      setProblem("The plan was not added: the server does not answer.");
    }
  };
  const add = () => store(withDays(["A", "B", "C"].map((d, i) => ({ name: d, weekday: 1 + 2 * i, entries: [] }))));
  const store = async (document: Block) => {
    try {
      const row = await settled(client.POST("/api/blocks", { body: { id: crypto.randomUUID(), document } }));
      await changed(cache, "blocks");
      close();
      done(row);
    } catch (error) {
      const told = error instanceof Refused ? error.failure.problems?.[0] : undefined;
      setProblem(told ? `${told.what} ${told.hint ?? ""}` : "The plan was not added: the server does not answer.");
    }
  };
  return (
    <Modal title="Add a plan" open onClose={close}>
      {lifters.length === 0 ? (
        <p>A plan belongs to a lifter: add one first, under Lifters.</p>
      ) : (
        <Select
          label="Lifter"
          options={lifters.map((l) => ({ key: l.id, label: l.name }))}
          value={whose}
          onChange={choose}
        />
      )}
      <TextInput label="Name" value={name} onChange={setName} />
      <label className="date">
        First day <input type="date" value={start} onChange={(e) => setStart(e.target.value)} />
      </label>
      <QuantityEntry label="Weeks" kind="count" digits={0} value={weeks} set={(v) => v !== undefined && setWeeks(v)} />
      <label className="date">
        Or from a file, as the plan exports it, or a table (CSV) with the columns day, exercise, sets and reps{" "}
        <input
          type="file"
          accept=".json,.csv,application/json,text/csv"
          onChange={(e) => void read(e.target.files?.[0])}
        />
      </label>
      {problem && <p role="alert">{problem}</p>}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button look="strong" isDisabled={!whose} onPress={() => void add()}>
          Add
        </Button>
      </div>
    </Modal>
  );
}

/** The days of a table, with the lifter's own setups where they bear the name. */
async function daysOf(table: string, lifterId: string) {
  const [engine, lifter, saved] = await Promise.all([
    core(),
    settled(client.GET("/api/lifters/{id}", { params: { path: { id: lifterId } } })),
    settled(client.GET("/api/setups", { params: { query: { lifterId, limit: 200 } } })),
  ]);
  const own = saved.items.map(({ id, version, document }) => ({ id, version, document }));
  const { ok, problems } = engine.blockDays(table, lifter.body, JSON.stringify(own));
  const withIds = (d: BlockDay): BlockDay => ({
    ...d,
    entries: d.entries.map((e) => ({ ...e, id: crypto.randomUUID() })),
  });
  return { ok: ok?.map(withIds), problems };
}
