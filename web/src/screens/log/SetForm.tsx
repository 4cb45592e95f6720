import { useState } from "react";
import styled from "styled-components";
import type { Digest, Pain, PlannedEntry, Session, SessionSet } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { TextInput } from "../../ui/Field";
import { Select } from "../../ui/Select";
import { Tick } from "../../ui/Tick";

const Box = styled.section`
  display: grid;
  gap: 8px;
  .line { display: flex; justify-content: space-between; color: var(--quiet); font-size: 12px; }
  .row { display: flex; gap: 7px; }
  .row button {
    flex: 1;
    min-width: 0;
    min-height: 46px;
    border: 1px solid var(--line);
    border-radius: 8px;
    background: var(--sheet);
    color: var(--ink);
    font-size: 16px;
    font-weight: 600;
    cursor: pointer;
  }
  .row button[aria-pressed="true"] { background: var(--ink); color: var(--sheet); border-color: var(--ink); }
  .more button { font-size: 13px; font-weight: 500; }
  .reps { display: grid; grid-template-columns: 1fr 1fr 1fr; gap: 8px; align-items: center; }
  .reps > button {
    min-height: 68px;
    border: 1px solid var(--line);
    border-radius: 8px;
    background: var(--sheet);
    color: var(--ink);
    font-size: 26px;
    cursor: pointer;
  }
  .reps > div { text-align: center; color: var(--quiet); font-size: 12px; }
  .reps b { display: block; font-size: 42px; line-height: 46px; color: var(--ink); }
  .go {
    min-height: 62px;
    border: 0;
    border-radius: 10px;
    background: var(--ink);
    color: var(--sheet);
    font-size: 18px;
    font-weight: 600;
    cursor: pointer;
  }
  .go small { display: block; font-size: 13px; font-weight: 400; }
  .asked { display: grid; gap: 8px; border: 1px solid var(--line); border-radius: 8px; padding: 8px 10px; }
  .felt { display: grid; grid-template-columns: 1fr 1fr; gap: 0 10px; }
`;

const joints = ["shoulder", "elbow", "wrist", "back", "hip", "knee", "ankle", "neck"];

type Props = {
  entry: Session["entries"][number];
  digest: Digest | null;
  planned: PlannedEntry;
  /** Whether a coach planned it; else the numbers are what the strength suggests. */
  byPlan: boolean;
  number: number;
  before: SessionSet | null;
  editing: SessionSet | null;
  cancel: () => void;
  record: (set: SessionSet) => void;
};

/** What is pressed after a set: nothing but the button when it went as planned. */
export function SetForm({ entry, digest, planned, byPlan, number, before, editing, cancel, record }: Props) {
  const word = byPlan ? "planned" : "suggested";
  const units = useUnits();
  const first = editing ?? {
    load: before?.load ?? planned.load,
    reps: Math.max(1, Math.round(planned.reps)),
    rir: Math.round(planned.rir),
  };
  const [load, setLoad] = useState(first.load);
  const [reps, setReps] = useState(first.reps);
  const [rir, setRir] = useState(first.rir);
  const [asking, ask] = useState<"felt" | "pain" | "note" | null>(null);
  const [felt, setFelt] = useState<string[]>(editing?.felt ?? []);
  const [pain, setPain] = useState<Pain | undefined>(editing?.pain);
  const [thrown, setThrown] = useState(editing?.thrown ?? false);
  const [note, setNote] = useState(editing?.note ?? "");
  const plain = !editing && load === first.load && reps === first.reps && rir === first.rir && !thrown && !pain;
  const press = () =>
    record({
      id: editing?.id ?? crypto.randomUUID(),
      rev: editing ? editing.rev + 1 : 0,
      entry: entry.id,
      at: editing?.at ?? new Date().toISOString(),
      load,
      reps,
      rir,
      ...(thrown && { thrown }),
      ...(felt.length > 0 && { felt }),
      ...(pain && { pain }),
      ...(note.trim() && { note: note.trim() }),
    });
  const words = `${load > 0 ? `${units.text(load, "mass")} × ` : ""}${reps}, ${rir === 4 ? "4+" : rir} left`;
  const toggle = (what: typeof asking) => ask(asking === what ? null : what);
  return (
    <Box aria-label={editing ? `Set ${number}, change` : `Set ${number}`}>
      {digest?.counted && (
        <>
          <div className="line">
            <span>{digest.counted === "the pin" ? "Pin" : `Load, ${digest.counted}`}</span>
            {planned.load > 0 && (
              <span>
                {units.text(planned.load, "mass")} is {word}
              </span>
            )}
          </div>
          {digest.loads.length > 1 ? (
            <div className="row">
              {near(digest.loads, load).map((m) => (
                <button key={m} type="button" className="mono" aria-pressed={m === load} onClick={() => setLoad(m)}>
                  {units.number(m, "mass")}
                </button>
              ))}
            </div>
          ) : (
            <QuantityEntry
              label="Load"
              hideLabel
              kind="mass"
              digits={2}
              value={load}
              set={(v) => v !== undefined && setLoad(v)}
            />
          )}
        </>
      )}
      <div className="reps">
        <button type="button" aria-label="One repetition less" onClick={() => setReps(Math.max(1, reps - 1))}>
          −
        </button>
        <div>
          <b className="mono" data-testid="reps">
            {reps}
          </b>
          repetitions
        </div>
        <button type="button" aria-label="One repetition more" onClick={() => setReps(Math.min(100, reps + 1))}>
          +
        </button>
      </div>
      <div className="line">
        <span>Left in reserve</span>
        <span>
          {planned.rir} is {word}
        </span>
      </div>
      <div className="row">
        {[0, 1, 2, 3, 4].map((n) => (
          <button
            key={n}
            type="button"
            className="mono"
            aria-pressed={n === rir}
            aria-label={`${n === 4 ? "4 or more" : n} left`}
            onClick={() => setRir(n)}
          >
            {n === 4 ? "4+" : n}
          </button>
        ))}
      </div>
      <div className="row more">
        <button
          type="button"
          aria-pressed={felt.length > 0}
          aria-expanded={asking === "felt"}
          onClick={() => toggle("felt")}
        >
          Felt
        </button>
        <button
          type="button"
          aria-pressed={pain !== undefined}
          aria-expanded={asking === "pain"}
          onClick={() => toggle("pain")}
        >
          Pain
        </button>
        <button type="button" aria-pressed={thrown} onClick={() => setThrown(!thrown)}>
          {thrown ? "Thrown" : "Tempo kept"}
        </button>
        <button
          type="button"
          aria-pressed={note.trim() !== ""}
          aria-expanded={asking === "note"}
          onClick={() => toggle("note")}
        >
          Note
        </button>
      </div>
      {asking === "felt" && (
        <div className="asked felt">
          {(digest?.work ?? []).map((w) => (
            <Tick
              key={w.region}
              label={w.label}
              on={felt.includes(w.region)}
              set={(on) => setFelt(on ? [...felt, w.region] : felt.filter((k) => k !== w.region))}
            />
          ))}
        </div>
      )}
      {asking === "pain" && (
        <div className="asked">
          <Select
            label="Where it hurts"
            options={[
              { key: "", label: "Nowhere" },
              ...joints.map((j) => ({ key: j, label: j.charAt(0).toUpperCase() + j.slice(1) })),
            ]}
            value={pain?.joint ?? ""}
            onChange={(joint) =>
              setPain(joint ? { joint: joint as Pain["joint"], level: pain?.level ?? 2 } : undefined)
            }
          />
          {pain && (
            <>
              <div className="line">
                <span>How much, 0 to 10</span>
                <b>{pain.level}</b>
              </div>
              <input
                type="range"
                min={0}
                max={10}
                value={pain.level}
                aria-label="How much it hurts, 0 to 10"
                onChange={(e) => setPain({ ...pain, level: Number(e.target.value) })}
              />
              <Tick label="Sharp" on={pain.sharp ?? false} set={(sharp) => setPain({ ...pain, sharp })} />
            </>
          )}
        </div>
      )}
      {asking === "note" && (
        <div className="asked">
          <TextInput label="Note" value={note} onChange={(v) => setNote(v.slice(0, 400))} />
        </div>
      )}
      <button type="button" className="go" onClick={press}>
        {plain ? `As ${word}` : editing ? `Change set ${number}` : `Log set ${number}`}
        <small className="mono">{words}</small>
      </button>
      {editing && (
        <div className="row">
          <Button onPress={cancel}>Leave it as it was</Button>
          <Button onPress={() => record({ ...editing, rev: editing.rev + 1, dropped: true })}>Take the set back</Button>
        </div>
      )}
    </Box>
  );
}

/** Five loads of the kit around one. */
function near(loads: number[], load: number): number[] {
  const at = loads.reduce((best, m, i) => (Math.abs(m - load) < Math.abs((loads[best] ?? 0) - load) ? i : best), 0);
  const from = Math.max(0, Math.min(loads.length - 5, at - 2));
  return loads.slice(from, from + 5);
}
