import { useQuery } from "@tanstack/react-query";
import { Trash2 } from "lucide-react";
import { useMemo, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { CountedExercise, Known, KnownSet, Lifter } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { inSentence } from "../../ui/inSentence";
import { Select } from "../../ui/Select";

const Sets = styled.section`
  display: grid;
  gap: 8px;
  ul { list-style: none; padding: 0; margin: 0; }
  li {
    display: grid;
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 4px 10px;
    align-items: center;
    border-top: 1px solid var(--line);
    padding: 6px 0;
  }
  li small { display: block; color: var(--quiet); }
  li small[role="alert"] { color: var(--brick); }
  .new { display: grid; grid-template-columns: minmax(0, 2fr) repeat(3, minmax(0, 1fr)) auto; gap: 10px 12px; align-items: end; }
  table { border-collapse: collapse; width: 100%; }
  th, td { text-align: left; padding: 3px 8px 3px 0; border-top: 1px solid var(--line); font-size: 13px; vertical-align: top; }
  th { color: var(--quiet); font-weight: 400; font-size: 12px; }
  td.number { white-space: nowrap; }
  @media (max-width: 600px) { .new { grid-template-columns: 1fr 1fr; } .new > :first-child { grid-column: 1 / -1; } }
`;

type Props = {
  core: Core;
  body: Lifter;
  actionLabel: (action: string) => string;
  problemAt: (path: string) => string | undefined;
  change: (sets: KnownSet[]) => void;
};

/** Known sets, what they say, and what the strength of every action rests on. */
export function KnownSets({ core, body, actionLabel, problemAt, change }: Props) {
  const units = useUnits();
  const exercises = useQuery({ queryKey: ["counted"], queryFn: () => core.counted().ok ?? [] }).data ?? [];
  const text = JSON.stringify(body);
  const known = useMemo(() => core.strength(JSON.parse(text)).ok ?? null, [core, text]);
  const sets = body.sets ?? [];
  const nameOf = (set: KnownSet) =>
    set.setup ?? exercises.find((e) => e.key === set.exercise)?.name ?? set.exercise ?? "";
  return (
    <Sets aria-label="Known sets">
      <h2>Known sets</h2>
      <p>
        A load, how often it went, and how many more would have gone. Each counts most for what gave out in it, and less
        for the rest.
      </p>
      {sets.length > 0 && (
        <ul>
          {sets.map((set, i) => (
            <li key={`${set.exercise}${set.setup}${set.load}${set.reps}${set.left ?? 0}${set.date ?? ""}`}>
              <span>
                {nameOf(set)}: {units.text(set.load, "mass")} for {set.reps}
                {set.left ? ` with ${set.left} left` : ""}
                <Says told={known?.sets[i]} actionLabel={actionLabel} problem={problemAt(`sets[${i}]`)} />
              </span>
              <Button
                look="quiet"
                aria-label={`Remove the set of ${nameOf(set)}`}
                onPress={() => change(sets.filter((_, k) => k !== i))}
              >
                <Trash2 size={16} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
      )}
      <NewSet exercises={exercises} add={(set) => change([...sets, set])} />
      {known && <Actions known={known} actionLabel={actionLabel} />}
    </Sets>
  );
}

type Told = Known["sets"][number];

function Says(props: { told: Told | undefined; actionLabel: (a: string) => string; problem: string | undefined }) {
  const units = useUnits();
  const { told, actionLabel, problem } = props;
  if (problem) return <small role="alert">{problem}</small>;
  if (!told) return null;
  const factor = told.factor.value;
  if (factor == null) return <small role="alert">{told.factor.why}</small>;
  const off = Math.round(100 * Math.abs(factor - 1));
  const way = off === 0 ? "just as estimated" : `${off} % ${factor > 1 ? "stronger" : "weaker"} than estimated`;
  return (
    <small>
      {told.once.value != null && `About ${units.text(told.once.value, "mass")} once. `}
      {actionLabel(told.action)}: {way}.
    </small>
  );
}

function NewSet({ exercises, add }: { exercises: CountedExercise[]; add: (set: KnownSet) => void }) {
  const [exercise, setExercise] = useState("curl.dumbbell");
  const [load, setLoad] = useState<number | undefined>();
  const [reps, setReps] = useState<number | undefined>();
  const [left, setLeft] = useState<number | undefined>();
  const how = exercises.find((e) => e.key === exercise)?.how ?? "";
  const whole = (v: number | undefined) => (v === undefined ? undefined : Math.round(v));
  return (
    <div className="new">
      <Select
        label="Exercise"
        options={exercises.map((e) => ({ key: e.key, label: e.name, note: `count ${e.how}` }))}
        value={exercise}
        onChange={setExercise}
      />
      <QuantityEntry label={`Load (${how})`} value={load} kind="mass" digits={1} set={setLoad} optional />
      <QuantityEntry label="Repetitions" kind="count" value={reps} digits={0} set={(v) => setReps(whole(v))} optional />
      <QuantityEntry
        label="Reps in reserve"
        value={left}
        kind="count"
        digits={0}
        set={(v) => setLeft(whole(v))}
        optional
      />
      <Button
        isDisabled={load === undefined || reps === undefined}
        onPress={() => {
          if (load === undefined || reps === undefined) return;
          add({ exercise, load, reps, ...(left ? { left } : {}), date: new Date().toISOString().slice(0, 10) });
          setLoad(undefined);
          setReps(undefined);
          setLeft(undefined);
        }}
      >
        Add set
      </Button>
    </div>
  );
}

/** The text that is there most often. */
function commonest(texts: string[]): string {
  const count = (text: string) => texts.filter((t) => t === text).length;
  return texts.reduce((best, t) => (count(t) > count(best) ? t : best), texts[0] ?? "");
}

/** What the strength of every action rests on, and between what most people of whom no more is known lie. */
function Actions({ known, actionLabel }: { known: Known; actionLabel: (action: string) => string }) {
  const units = useUnits();
  const usual = commonest(known.actions.map((a) => a.text));
  return (
    <>
      <h2>Where the strength numbers come from</h2>
      <p>Unless noted otherwise: {inSentence(usual)}</p>
      <table>
        <thead>
          <tr>
            <th scope="col">Action</th>
            <th scope="col">At the strongest angle</th>
            <th scope="col">8 in 10 lie between</th>
            <th scope="col">Based on</th>
          </tr>
        </thead>
        <tbody>
          {known.actions.map((a) => (
            <tr key={a.action} data-action={a.action}>
              <td>{actionLabel(a.action)}</td>
              <td className="mono number">{a.best.value != null && units.text(a.best.value, "torque")}</td>
              <td className="mono number">
                {a.low.value != null &&
                  a.high.value != null &&
                  `${units.number(a.low.value, "torque", 0)} to ${units.number(a.high.value, "torque", 0)}`}
              </td>
              <td>{a.text === usual ? "" : a.text}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}
