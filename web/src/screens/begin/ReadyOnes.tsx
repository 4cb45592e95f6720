import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { asked } from "../../api/client";
import { core } from "../../engine/core";
import type { Ready } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { TextInput } from "../../ui/Field";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Saved } from "./FindSaved";
import { holds, List, Pictured, type Props } from "./parts";
import { beginning } from "./SavedOnes";
import { useReady } from "./useReady";

const Filters = styled.div`
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(130px, 1fr));
  gap: 8px;
  align-items: end;
`;

const Row = styled(Pictured)`
  && { align-items: start; }
  .picture { grid-row: span 2; }
  .name { font-weight: 600; }
  .lacks { display: flex; gap: 6px; color: var(--brick); font-size: 12px; }
  details { grid-column: 2 / -1; }
  summary { cursor: pointer; color: var(--slate); font-size: 12px; }
  .more { display: grid; grid-template-columns: repeat(auto-fit, minmax(220px, 1fr)); gap: 4px 20px; padding: 6px 0; }
  .more ul { padding-left: 16px; list-style: disc; }
  .more li { display: list-item; border: 0; padding: 1px 0; }
  .more h4 { font-size: 12px; color: var(--quiet); font-weight: 600; }
  .more p { grid-column: 1 / -1; color: var(--quiet); }
  @media (max-width: 500px) { details { grid-column: 1 / -1; } }
`;

const groups: [Ready["group"], string][] = [
  ["shoulder", "Front and side delts"],
  ["rear", "Rear delts"],
  ["chest", "Chest"],
  ["back", "Back"],
  ["armFront", "Biceps and forearm"],
  ["armBack", "Triceps"],
  ["leg", "Legs"],
  ["trunk", "Trunk"],
];

const phases = [
  { key: "early", label: "Early" },
  { key: "mid", label: "Mid" },
  { key: "late", label: "Late" },
];

const kits = [
  { key: "cable", label: "Cable" },
  { key: "dumbbell", label: "Dumbbells" },
  { key: "bar", label: "Barbell" },
  { key: "band", label: "Bands" },
  { key: "machine", label: "Machine" },
];

/** Whether a muscle is the named one or a piece of it: keys go from the whole to the piece with dots between. */
const within = (part: string, whole: string) => part === whole || part.startsWith(`${whole}.`);

const any = (label: string) => ({ key: "", label });

/** The ready setups, made for this lifter and fitted to the room, found by what they are for and what they take. */
export function ReadyOnes(props: Props) {
  const [wanted, setWanted] = useState("");
  const [region, setRegion] = useState("");
  const [kit, setKit] = useState("");
  const [phase, setPhase] = useState("");
  const [position, setPosition] = useState("");
  const ready = useReady(props.lifter, props.room);
  const all = ready.data?.ok ?? [];
  const regions = useQuery({ queryKey: ["regions"], queryFn: async () => (await core()).regions().ok ?? [] });
  const first = all[0]?.document;
  const choices = useQuery({
    queryKey: ["positions"],
    enabled: first !== undefined,
    queryFn: async () => (await core()).choices(JSON.stringify(first)).ok ?? null,
  });
  const hits = useQuery({
    queryKey: ["find", "keys", wanted],
    enabled: wanted.trim() !== "",
    queryFn: async () => (await core()).find(wanted).ok ?? null,
    placeholderData: (before) => before,
  });
  const searched = wanted.trim() !== "";
  const keys = hits.data?.keys ?? [];
  const found = all.filter(
    (r) =>
      (region === "" || within(r.region, region) || within(region, r.region)) &&
      (kit === "" || r.needs.includes(kit as Ready["needs"][number])) &&
      (phase === "" || r.phase === phase) &&
      (position === "" || r.position === position) &&
      (!searched || keys.includes(r.key)),
  );
  const inOrder = [...found].sort((a, b) => keys.indexOf(a.key) - keys.indexOf(b.key));
  const there = (r: Ready) => r.missing.length === 0;
  const used = (list: { key: string; label: string }[], of: (r: Ready) => string) =>
    list.filter((o) => all.some((r) => of(r) === o.key));
  return (
    <>
      {ready.isPending && <p role="status">Loading …</p>}
      {ready.error && <p role="alert">The calculation core did not load.</p>}
      {ready.data?.problems?.map((p) => (
        <p key={p.path + p.what} role="alert">
          {p.what} {p.hint}
        </p>
      ))}
      {ready.data?.ok && (
        <Filters>
          <TextInput label="Find" value={wanted} onChange={setWanted} />
          <Select
            label="Muscle"
            options={[any("Any muscle"), ...used(regions.data ?? [], (r) => r.region)]}
            value={region}
            onChange={setRegion}
          />
          <Select label="Equipment" options={[any("Any equipment"), ...kits]} value={kit} onChange={setKit} />
          <Select label="Hardest" options={[any("Anywhere"), ...phases]} value={phase} onChange={setPhase} />
          <Select
            label="Position"
            options={[any("Any position"), ...used(choices.data?.positions ?? [], (r) => r.position)]}
            value={position}
            onChange={setPosition}
          />
        </Filters>
      )}
      {ready.data?.ok && <NotYet wanted={wanted} />}
      <List>
        <Own {...props} wanted={wanted} show={[region, kit, phase, position].every((f) => f === "")} />
        {searched && hits.data?.near && found.length > 0 && <p role="status">Nothing is called that. Near:</p>}
        {searched && found.length > 0 && (
          <section aria-label="Found">
            <ul>
              {inOrder.map((r) => (
                <ReadyRow key={r.key} ready={r} begin={() => void props.pick(r.document).then(props.close)} />
              ))}
            </ul>
          </section>
        )}
        {groups.map(([key, title]) => {
          const members = searched ? [] : found.filter((r) => r.group === key);
          if (members.length === 0) return null;
          const sorted = [...members.filter(there), ...members.filter((r) => !there(r))];
          return (
            <section key={key} aria-label={title}>
              <h3>{title}</h3>
              <ul>
                {sorted.map((r) => (
                  <ReadyRow key={r.key} ready={r} begin={() => void props.pick(r.document).then(props.close)} />
                ))}
              </ul>
            </section>
          );
        })}
        {ready.data?.ok && found.length === 0 && <p>No exercise matches. Clear a filter, or start from scratch.</p>}
      </List>
    </>
  );
}

/** What the search means that is not among the exercises yet, and what is near. */
function NotYet({ wanted }: { wanted: string }) {
  const missing = useQuery({
    queryKey: ["not yet", wanted],
    enabled: wanted.trim() !== "",
    queryFn: async () => (await core()).notYet(wanted).ok ?? [],
  });
  return (missing.data ?? []).map((m) => (
    <p key={m.name} role="status">
      {m.name} is not here yet: {m.why}. Near: {m.near.join(", ")}.
    </p>
  ));
}

/** The coach's own ready setups. They are found by name alone. */
function Own({ wanted, show, ...props }: Props & { wanted: string; show: boolean }) {
  const own = useQuery(asked("get", "/api/setups", { params: { query: { ready: true, limit: 200 } } }));
  const found = (own.data?.items ?? []).filter((s) => holds(s.name, wanted));
  if (!show || found.length === 0) return null;
  return (
    <section aria-label="Your own exercises">
      <h3>Your own exercises</h3>
      <Saved setups={found} action={beginning(props)} />
    </section>
  );
}

export const phaseWords: Record<string, string> = {
  early: "hardest early",
  mid: "hardest mid-way",
  late: "hardest late",
  "": "static hold",
};

/** One ready setup: how it looks, where it is hardest, what is said about it and what the room lacks. */
function ReadyRow({ ready: r, begin }: { ready: Ready; begin: () => void }) {
  const units = useUnits();
  const [opened, setOpened] = useState(false);
  return (
    <Row>
      <span className="picture">
        <SetupPicture document={r.document} width={120} height={84} line />
      </span>
      <span>
        <span className="name">{r.name}</span>
        <small>
          {r.about} <span className="mono">{phaseWords[r.phase]}</span>
        </small>
        {r.missing.map((m) => (
          <span className="lacks" key={m.path + m.text}>
            <StatusIcon tone="error" /> {units.sentence(m.text, m.values)}
          </span>
        ))}
      </span>
      <Button aria-label={`Start from: ${r.name}`} onPress={begin}>
        Start
      </Button>
      <details onToggle={(e) => e.currentTarget.open && setOpened(true)}>
        <summary>Cues, mistakes and cautions</summary>
        <div className="more">
          <p>Also called {r.synonyms.join(", ")}.</p>
          <Said title="Cues" list={r.document.cues ?? []} />
          <Said title="Common mistakes" list={r.mistakes} />
          {r.changes.length > 0 && (
            <Said title="Different in this gym" list={r.changes.map((c) => units.sentence(c.text, c.values))} />
          )}
          {r.safely && <Said title="Bailing out of a failed rep" list={[r.safely]} />}
          {opened && <FromModel ready={r} />}
          {r.note && <p>{r.note}</p>}
        </div>
      </details>
    </Row>
  );
}

/** What the model has to say about it for this lifter: cautions, and the order in which crossed cables are picked up. */
function FromModel({ ready }: { ready: Ready }) {
  const units = useUnits();
  const made = useQuery({
    queryKey: ["told", JSON.stringify(ready.document)],
    queryFn: async () => (await core()).evaluate(JSON.stringify(ready.document)).ok ?? null,
  });
  const cautions = (made.data?.cautions ?? []).map((c) => `${units.sentence(c.text, c.values)} ${c.way}`);
  const steps = made.data?.pickup?.steps ?? [];
  return (
    <>
      {cautions.length > 0 && <Said title="Cautions" list={cautions} />}
      {steps.length > 0 && <Said title="Picking up the handles" list={steps} />}
    </>
  );
}

function Said({ title, list }: { title: string; list: string[] }) {
  return (
    <div>
      <h4>{title}</h4>
      <ul>
        {list.map((x) => (
          <li key={x}>{x}</li>
        ))}
      </ul>
    </div>
  );
}
