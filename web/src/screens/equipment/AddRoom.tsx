import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { asked, client, Refused, settled } from "../../api/client";
import { core } from "../../engine/core";
import type { Problem, Room, StoredRoom } from "../../engine/types";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";
import { Select } from "../../ui/Select";
import { inRoom } from "./words";

const File = styled.label`
  display: grid;
  gap: 4px;
  color: var(--quiet);
  font-size: 12px;
`;

/** A new room: from a ready one, from nothing, or from a file. */
export function AddRoom({ close, done }: { close: () => void; done: (r: StoredRoom) => void }) {
  const cache = useQueryClient();
  const [name, setName] = useState("");
  const [from, setFrom] = useState("0");
  const [file, setFile] = useState<Room | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [id] = useState(() => crypto.randomUUID());
  const ready = useQuery(asked("get", "/api/ready-rooms"));
  const read = async (picked: globalThis.File | undefined) => {
    setFile(null);
    setProblems([]);
    if (!picked) return;
    const answer = (await core()).room(await picked.text());
    if (answer.problems) setProblems(answer.problems);
    else {
      setFile(answer.ok);
      setName((now) => now || answer.ok.name);
    }
  };
  const chosen = from === "file" ? file : (ready.data?.[Number(from)] ?? null);
  const add = async () => {
    if (name.trim() === "") {
      setProblems([{ path: "name", what: "The name is missing.", hint: "What is the gym called?" }]);
      return;
    }
    if (!chosen) {
      setProblems([
        { path: "", what: "There is no file yet.", hint: "Choose one, or start from one of the standard gyms." },
      ]);
      return;
    }
    try {
      const row = await settled(
        client.POST("/api/rooms", { body: { id, document: { ...chosen, name: name.trim() } } }),
      );
      await changed(cache, "rooms");
      close();
      done(row);
    } catch (error) {
      setProblems(
        error instanceof Refused && error.failure.problems
          ? error.failure.problems
          : [{ path: "", what: "The server does not answer.", hint: "Nothing is lost; try again." }],
      );
    }
  };
  const told = problems.find((p) => p.path === "name");
  const options = [
    ...(ready.data ?? []).map((r, i) => ({ key: String(i), label: r.name })),
    { key: "file", label: "File" },
  ];
  return (
    <Modal title="Add a gym" open onClose={close}>
      <TextInput label="Name" value={name} onChange={setName} error={told && `${told.what} ${told.hint}`} autoFocus />
      <Select label="Start from" options={options} value={from} onChange={setFrom} />
      {from === "file" && (
        <File>
          An exported gym
          <input type="file" accept=".json,application/json" onChange={(e) => void read(e.target.files?.[0])} />
        </File>
      )}
      {from === "file" && file && (
        <p role="status">
          {file.name}: {inRoom(file)}.
        </p>
      )}
      {problems
        .filter((p) => p !== told)
        .slice(0, 8)
        .map((p) => (
          <p key={p.path + p.what} role="alert" style={{ color: "var(--brick)" }}>
            {p.path && <b className="mono">{p.path} </b>}
            {p.what} {p.hint}
          </p>
        ))}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button look="strong" onPress={() => void add()}>
          Add
        </Button>
      </div>
    </Modal>
  );
}
