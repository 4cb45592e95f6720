import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { client, Refused, settled } from "../../api/client";
import type { Problem, StoredLifter } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { NumberInput, TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";
import { lifterKeys } from "./LiftersScreen";
import { Tape } from "./Tape";

/** Adds a lifter, or changes one. What the server says is wrong stands at its field. */
export function LifterDialog(props: { lifter?: StoredLifter; close: () => void; done?: (l: StoredLifter) => void }) {
  const { lifter } = props;
  const cache = useQueryClient();
  const units = useUnits();
  const [name, setName] = useState(lifter?.name ?? "");
  const [notes, setNotes] = useState(lifter?.notes ?? "");
  const [stature, setStature] = useState(lifter?.body.stature ?? Number.NaN);
  const [mass, setMass] = useState(lifter?.body.mass ?? Number.NaN);
  const [lengths, setLengths] = useState<Record<string, number>>(lifter?.body.lengths ?? {});
  const [version, setVersion] = useState(lifter?.version ?? 0);
  const [id] = useState(() => lifter?.id ?? crypto.randomUUID());
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const at = (path: string) => {
    const p = problems.find((x) => x.path === path);
    return p && [p.what, p.why, p.hint].filter(Boolean).join(" ");
  };
  const elsewhere = problems.filter(
    (p) => !["name", "body.stature", "body.mass"].includes(p.path) && !p.path.startsWith("body.lengths."),
  );

  const missing = (): Problem[] => {
    const out: Problem[] = [];
    if (Number.isNaN(stature))
      out.push({ path: "body.stature", what: "The stature is missing.", hint: "Measure without shoes." });
    if (Number.isNaN(mass)) out.push({ path: "body.mass", what: "The body mass is missing." });
    return out;
  };
  const save = async () => {
    const gaps = missing();
    setProblems(gaps);
    if (gaps.length) return;
    setBusy(true);
    const body = { id, version, name: name.trim(), notes, body: { ...lifter?.body, stature, mass, lengths } };
    try {
      const row = await settled(
        lifter
          ? client.PUT("/api/lifters/{id}", { params: { path: { id } }, body })
          : client.POST("/api/lifters", { body }),
      );
      await cache.invalidateQueries({ queryKey: lifterKeys.list });
      props.done?.(row);
      props.close();
    } catch (error) {
      if (error instanceof Refused && error.failure.status === 409) {
        const now = error.failure.current as StoredLifter;
        setVersion(now.version);
        setProblems([
          {
            path: "",
            what: `${now.name} was changed elsewhere (version ${now.version}).`,
            hint: "Save again to keep what stands here, or cancel to keep the other.",
          },
        ]);
      } else if (error instanceof Refused && error.failure.problems) {
        setProblems(error.failure.problems);
      } else {
        setProblems([{ path: "", what: "The server does not answer.", hint: "Nothing is lost; try again." }]);
      }
    } finally {
      setBusy(false);
    }
  };
  const [length, weight] = [units.unit("length"), units.unit("mass")];
  return (
    <Modal title={lifter ? `Change ${lifter.name}` : "Add a lifter"} open onClose={props.close}>
      <TextInput label="Name" value={name} onChange={setName} error={at("name")} autoFocus />
      <NumberInput
        label={`Stature, ${length.name}`}
        value={stature * length.factor}
        onChange={(v) => setStature(v / length.factor)}
        error={at("body.stature")}
      />
      <NumberInput
        label={`Body mass, ${weight.name}`}
        value={mass * weight.factor}
        onChange={(v) => setMass(v / weight.factor)}
        error={at("body.mass")}
      />
      <Tape stature={stature} lengths={lengths} onChange={setLengths} errorAt={at} />
      <TextInput label="Notes" value={notes} onChange={setNotes} long />
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
