import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { changed } from "../../api/changed";
import { client, Refused, settled } from "../../api/client";
import type { Problem, StoredLifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";

/** Adds a lifter by what is needed to begin. What the server says is wrong stands at its field. */
export function AddLifter(props: { close: () => void; done: (l: StoredLifter) => void }) {
  const cache = useQueryClient();
  const [name, setName] = useState("");
  const [notes, setNotes] = useState("");
  const [height, setHeight] = useState<number | undefined>();
  const [mass, setMass] = useState<number | undefined>();
  const [id] = useState(() => crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const at = (path: string) => {
    const p = problems.find((x) => x.path === path);
    return p && [p.what, p.why, p.hint].filter(Boolean).join(" ");
  };
  const elsewhere = problems.filter((p) => !["name", "body.height", "body.bodyMass"].includes(p.path));

  const missing = (): Problem[] => {
    const out: Problem[] = [];
    if (height === undefined)
      out.push({ path: "body.height", what: "The height is missing.", hint: "Measure without shoes." });
    if (mass === undefined) out.push({ path: "body.bodyMass", what: "The body mass is missing." });
    return out;
  };
  const save = async () => {
    const gaps = missing();
    setProblems(gaps);
    if (height === undefined || mass === undefined) return;
    setBusy(true);
    const body = { id, name: name.trim(), notes, body: { height, bodyMass: mass } };
    try {
      const row = await settled(client.POST("/api/lifters", { body }));
      await changed(cache, "lifters");
      props.done(row);
      props.close();
    } catch (error) {
      setProblems(
        error instanceof Refused && error.failure.problems
          ? error.failure.problems
          : [{ path: "", what: "The server does not answer.", hint: "Nothing is lost; try again." }],
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <Modal title="Add a lifter" open onClose={props.close}>
      <TextInput label="Name" value={name} onChange={setName} error={at("name")} autoFocus />
      <QuantityEntry
        label="Height"
        kind="length"
        value={height}
        digits={1}
        set={setHeight}
        problem={at("body.height")}
        optional
      />
      <QuantityEntry
        label="Body mass"
        kind="mass"
        value={mass}
        digits={1}
        set={setMass}
        problem={at("body.bodyMass")}
        optional
      />
      <TextInput label="Notes" value={notes} onChange={setNotes} long />
      <p style={{ color: "var(--quiet)" }}>Lengths, ranges and strength can be added later, as they are measured.</p>
      {elsewhere.map((p) => (
        <p key={p.path + p.what} role="alert" style={{ color: "var(--brick)" }}>
          {p.what} {p.hint}
        </p>
      ))}
      <div className="actions">
        <Button look="quiet" onPress={props.close}>
          Cancel
        </Button>
        <Button look="strong" onPress={() => void save()} isDisabled={busy}>
          {busy ? "Saving …" : "Save"}
        </Button>
      </div>
    </Modal>
  );
}
