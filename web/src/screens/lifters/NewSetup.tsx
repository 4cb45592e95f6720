import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { client, settled } from "../../api/client";
import { core } from "../../engine/core";
import type { Problem, Ready, SetupDocument, StoredLifter } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Choice, Segments } from "../../ui/Choice";
import { TextInput } from "../../ui/Field";
import { Modal } from "../../ui/Modal";

const List = styled.div`
  max-height: min(60vh, 560px);
  overflow-y: auto;
  margin: 8px 0;
  h3 { font-size: 12px; font-weight: 600; color: var(--quiet); padding: 12px 0 2px; position: sticky; top: 0; background: var(--sheet); }
  ul { list-style: none; padding: 0; margin: 0; }
  li { border-top: 1px solid var(--line); padding: 8px 0; display: grid; grid-template-columns: 1fr auto; gap: 8px; align-items: center; }
  small { display: block; color: var(--quiet); }
`;

const Questions = styled.div`
  display: grid;
  gap: 12px;
  justify-items: start;
  > * { min-width: 240px; }
  > button { min-width: 0; }
  label { display: grid; gap: 4px; color: var(--quiet); font-size: 12px; }
  p[role="alert"] { color: var(--brick); }
`;

const groups: [Ready["group"], string][] = [
  ["shoulder", "Front and side of the shoulder"],
  ["rear", "Rear of the shoulder"],
  ["chest", "Chest"],
  ["back", "Back"],
  ["armFront", "Front of the arm"],
  ["armBack", "Back of the arm"],
  ["leg", "Legs"],
  ["trunk", "Trunk"],
];

type Props = {
  lifter: StoredLifter;
  close: () => void;
  pick: (d: SetupDocument) => Promise<void>;
};

const ways = [
  { key: "ready", label: "Ready" },
  { key: "saved", label: "Saved" },
  { key: "nothing", label: "From nothing" },
  { key: "file", label: "A file" },
];

/** The four ways to begin a setup for a lifter. */
export function NewSetup(props: Props) {
  const [way, setWay] = useState("ready");
  return (
    <Modal title="New setup" open onClose={props.close}>
      <Segments label="Begin with" options={ways} value={way} onChange={setWay} />
      {way === "ready" && <ReadyOnes {...props} />}
      {way === "saved" && <SavedOnes {...props} />}
      {way === "nothing" && <FromNothing {...props} />}
      {way === "file" && <FromFile {...props} />}
      <div className="actions">
        <Button look="quiet" onPress={props.close}>
          Cancel
        </Button>
      </div>
    </Modal>
  );
}

/** Whether a text holds every word that is looked for. */
function holds(text: string, wanted: string): boolean {
  const all = text.toLowerCase();
  return wanted
    .toLowerCase()
    .split(/\s+/)
    .every((word) => all.includes(word));
}

/** The ready setups, made for this lifter, group by group. */
function ReadyOnes(props: Props) {
  const [wanted, setWanted] = useState("");
  const ready = useReady(props.lifter);
  const found = (ready.data?.ok ?? []).filter((r) =>
    holds(`${r.name} ${r.about} ${groups.find(([key]) => key === r.group)?.[1] ?? ""}`, wanted),
  );
  return (
    <>
      {ready.isPending && <p role="status">Loading …</p>}
      {ready.error && <p role="alert">The calculation core did not load.</p>}
      {ready.data?.problems?.map((p) => (
        <p key={p.path + p.what} role="alert">
          {p.what} {p.hint}
        </p>
      ))}
      {ready.data?.ok && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        {groups.map(([key, label]) => {
          const members = found.filter((r) => r.group === key);
          if (members.length === 0) return null;
          return (
            <section key={key} aria-label={label}>
              <h3>{label}</h3>
              <ul>
                {members.map((r) => (
                  <li key={r.key}>
                    <span>
                      {r.name}
                      <small>{r.about}</small>
                    </span>
                    <Button
                      aria-label={`Begin: ${r.name}`}
                      onPress={() => void props.pick(r.document).then(props.close)}
                    >
                      Begin
                    </Button>
                  </li>
                ))}
              </ul>
            </section>
          );
        })}
        {ready.data?.ok && found.length === 0 && <p>Nothing here is called that.</p>}
      </List>
    </>
  );
}

const useReady = (lifter: StoredLifter) =>
  useQuery({
    queryKey: ["ready", lifter.id, lifter.version],
    queryFn: async () => (await core()).ready(lifter.body),
  });

/** A setup that was saved for anybody, for this lifter's body. */
function SavedOnes(props: Props) {
  const [wanted, setWanted] = useState("");
  const saved = useQuery({
    queryKey: ["setups", "all"],
    queryFn: () => settled(client.GET("/api/setups", { params: { query: { limit: 200 } } })),
  });
  const lifters = useQuery({
    queryKey: ["lifters"],
    queryFn: () => settled(client.GET("/api/lifters", { params: { query: { limit: 200 } } })),
  });
  const whose = (id: string) => lifters.data?.items?.find((l) => l.id === id)?.name ?? "";
  const found = (saved.data?.items ?? []).filter((s) => holds(`${s.name} ${whose(s.lifterId)}`, wanted));
  return (
    <>
      {saved.isPending && <p role="status">Loading …</p>}
      {saved.error && <p role="alert">The saved setups could not be loaded.</p>}
      {saved.data && <TextInput label="Find" value={wanted} onChange={setWanted} />}
      <List>
        <ul>
          {found.map((s) => (
            <li key={s.id}>
              <span>
                {s.name}
                <small>{whose(s.lifterId)}</small>
              </span>
              <Button
                aria-label={`Begin: ${s.name}, ${whose(s.lifterId)}`}
                onPress={() => void props.pick({ ...s.document, lifter: props.lifter.body }).then(props.close)}
              >
                Begin
              </Button>
            </li>
          ))}
        </ul>
        {saved.data && found.length === 0 && <p>Nothing here is called that.</p>}
      </List>
    </>
  );
}

const kinds = [
  { key: "cable", label: "A cable" },
  { key: "dumbbell", label: "Dumbbells" },
  { key: "bar", label: "One weight in both hands" },
  { key: "band", label: "A band" },
  { key: "machine", label: "A machine" },
];

/** Three questions, and a setup that answers them. */
function FromNothing(props: Props) {
  const [region, setRegion] = useState("deltoid.middle");
  const [kind, setKind] = useState("cable");
  const [position, setPosition] = useState("standing");
  const [problems, setProblems] = useState<Problem[]>([]);
  const regions = useQuery({ queryKey: ["regions"], queryFn: async () => (await core()).regions().ok ?? [] });
  const ready = useReady(props.lifter);
  const first = ready.data?.ok?.[0]?.document;
  const choices = useQuery({
    queryKey: ["positions"],
    enabled: first !== undefined,
    queryFn: async () => (await core()).choices(JSON.stringify(first)).ok ?? null,
  });
  const begin = async () => {
    const answer = (await core()).begin(props.lifter.body, region, kind, position);
    setProblems(answer.problems ?? []);
    if (answer.ok) await props.pick(answer.ok).then(props.close);
  };
  return (
    <Questions>
      <Choice label="What is it for?" options={regions.data ?? []} value={region} onChange={setRegion} />
      <Choice label="What is at hand?" options={kinds} value={kind} onChange={setKind} />
      <Choice
        label="How is the lifter placed?"
        options={choices.data?.positions ?? []}
        value={position}
        onChange={setPosition}
      />
      <Told problems={problems} />
      <Button onPress={() => void begin()}>Begin</Button>
    </Questions>
  );
}

/** A setup document from a file, as the bench exports it. */
function FromFile(props: Props) {
  const [problems, setProblems] = useState<Problem[]>([]);
  const [found, setFound] = useState<SetupDocument | null>(null);
  const read = async (file: File | undefined) => {
    setFound(null);
    setProblems([]);
    if (!file) return;
    const text = await file.text();
    const answer = (await core()).evaluate(text);
    if (answer.problems) setProblems(answer.problems);
    else setFound(JSON.parse(text) as SetupDocument);
  };
  const kept = found && JSON.stringify(found.lifter) === JSON.stringify(props.lifter.body);
  return (
    <Questions>
      <label>
        A setup as the bench exports it
        <input type="file" accept=".json,application/json" onChange={(e) => void read(e.target.files?.[0])} />
      </label>
      <Told problems={problems} />
      {found && (
        <>
          <p>
            {found.name}
            {!kept && `, which was made for ${found.lifter.stature} m and ${found.lifter.mass} kg.`}
          </p>
          <Button onPress={() => void props.pick(found).then(props.close)}>Begin as it is</Button>
          {!kept && (
            <Button
              look="quiet"
              onPress={() => void props.pick({ ...found, lifter: props.lifter.body }).then(props.close)}
            >
              Begin with the body of {props.lifter.name}
            </Button>
          )}
        </>
      )}
    </Questions>
  );
}

function Told({ problems }: { problems: Problem[] }) {
  return problems.map((p) => (
    <p key={p.path + p.what} role="alert">
      {p.path && <b className="mono">{p.path} </b>}
      {p.what} {p.why} {p.hint}
    </p>
  ));
}
