import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { StoredSetup, StudyDocument } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Entry } from "../../ui/Entry";
import { Modal } from "../../ui/Modal";
import { Select } from "../../ui/Select";
import { useLifters } from "../begin/useSaved";

const Plan = styled.section`
  display: grid;
  gap: 12px;
  .fields { display: grid; grid-template-columns: repeat(auto-fill, minmax(180px, 1fr)); gap: 10px 14px; align-items: start; }
  .line { display: flex; gap: 8px 12px; flex-wrap: wrap; align-items: center; }
`;

const Choices = styled.ul`
  list-style: none;
  padding: 0;
  max-height: 50vh;
  overflow: auto;
  label { display: flex; gap: 8px; align-items: center; min-height: max(30px, var(--target)); }
  small { color: var(--quiet); }
`;

type Props = {
  core: Core;
  study: StudyDocument;
  change: (study: StudyDocument) => void;
  saved: StoredSetup[];
};

/** What a study compares: the muscle, the setups, the lifters, and how it is done. */
export function StudyPlan({ core, study, change, saved }: Props) {
  const [choosing, setChoosing] = useState<"setups" | "lifters" | null>(null);
  const lifters = useLifters().data?.items ?? [];
  const regions = core.regions().ok ?? [];
  const set = (part: Partial<StudyDocument>) => change({ ...study, ...part });
  const number = (label: string, key: "rest" | "seed", least: number, most: number) => (
    <Entry
      label={label}
      text={String(study[key])}
      problem={undefined}
      read={(typed) => {
        const x = Number(typed);
        return Number.isInteger(x) && x >= least && x <= most
          ? { value: x }
          : { wrong: `Give a whole number from ${least} to ${most}.` };
      }}
      set={(x) => set({ [key]: x })}
    />
  );
  const names = [...new Set(saved.map((s) => s.name))].sort();
  return (
    <Plan aria-label="What is compared">
      <div className="fields">
        <Select
          label="Muscle"
          options={regions.map(({ key, label }) => ({ key, label }))}
          value={study.muscle}
          onChange={(key) => set({ muscle: String(key) })}
        />
        <Select
          label="Loads"
          options={[
            { key: "seventy", label: "70% of what goes once" },
            { key: "reserve", label: "Same reps in reserve" },
          ]}
          value={study.rule}
          onChange={(key) => set({ rule: key as StudyDocument["rule"] })}
        />
        {number("Rest between setups, s", "rest", 0, 3600)}
        {number("Seed of the orders", "seed", 0, 1000000)}
        <Entry
          label="Recordings from this day on"
          text={study.since}
          problem={undefined}
          read={(typed) =>
            /^\d{4}-\d\d-\d\d$/.test(typed.trim()) ? { value: typed.trim() } : { wrong: "Give a day like 2026-11-30." }
          }
          set={(since) => set({ since })}
        />
      </div>
      <div className="line">
        <b>Setups:</b>
        <span>{study.setups.join(", ") || "none yet"}</span>
        <Button onPress={() => setChoosing("setups")}>Choose setups</Button>
      </div>
      <div className="line">
        <b>Lifters:</b>
        <span>{study.lifters.map((l) => l.name).join(", ") || "none yet"}</span>
        <Button onPress={() => setChoosing("lifters")}>Choose lifters</Button>
      </div>
      {choosing === "setups" && (
        <Chooser
          title="Setups to compare"
          about="A setup is known by its name: each lifter has one of his own."
          items={names.map((name) => ({
            key: name,
            label: name,
            note: `${saved.filter((s) => s.name === name).length} lifters have it`,
          }))}
          chosen={study.setups}
          set={(setups) => set({ setups })}
          close={() => setChoosing(null)}
        />
      )}
      {choosing === "lifters" && (
        <Chooser
          title="Lifters who take part"
          about="Everybody does every setup, each in an order of his own."
          items={lifters.map((l) => ({ key: l.id, label: l.name, note: "" }))}
          chosen={study.lifters.map((l) => l.id)}
          set={(ids) => set({ lifters: ids.map((id) => ({ id, name: lifters.find((l) => l.id === id)?.name ?? "" })) })}
          close={() => setChoosing(null)}
        />
      )}
    </Plan>
  );
}

type ChooserProps = {
  title: string;
  about: string;
  items: { key: string; label: string; note: string }[];
  chosen: string[];
  set: (keys: string[]) => void;
  close: () => void;
};

function Chooser({ title, about, items, chosen, set, close }: ChooserProps) {
  const [picked, setPicked] = useState(chosen);
  return (
    <Modal title={title} open onClose={close}>
      <p>{about}</p>
      <Choices>
        {items.map((i) => (
          <li key={i.key}>
            <label>
              <input
                type="checkbox"
                checked={picked.includes(i.key)}
                onChange={(e) => setPicked(e.target.checked ? [...picked, i.key] : picked.filter((k) => k !== i.key))}
              />
              {i.label} <small>{i.note}</small>
            </label>
          </li>
        ))}
      </Choices>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button
          look="strong"
          onPress={() => {
            set(picked);
            close();
          }}
        >
          Take {picked.length}
        </Button>
      </div>
    </Modal>
  );
}
