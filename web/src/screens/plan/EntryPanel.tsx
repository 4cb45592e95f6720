import { useQuery } from "@tanstack/react-query";
import { VisuallyHidden } from "react-aria";
import styled from "styled-components";
import { asked } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Block, BlockEntry, EntryTold, SetupDocument } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { TextInput } from "../../ui/Field";
import { Segments, Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Ladder } from "./Ladder";
import { changed, entryCopied, moved, type Spot, without } from "./planEdits";

const Box = styled.section`
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  .three, .duo, .load { min-width: 0; }
  gap: 12px;
  .ends { display: flex; flex-wrap: wrap; gap: 4px 16px; }
  .head { display: grid; grid-template-columns: auto minmax(0, 1fr); gap: 12px; }
  .head h2 { font-size: 15px; line-height: 19px; }
  .head p { color: var(--quiet); font-size: 12px; line-height: 16px; }
  .three { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 8px; align-items: end; }
  .duo { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px; align-items: end; }
  h3 { font-size: 13px; border-top: 1px solid var(--line); padding-top: 10px; }
  .row { display: flex; flex-wrap: wrap; gap: 6px 12px; align-items: center; }
  .load { display: flex; gap: 8px; align-items: stretch; }
  .load button, .load > div {
    flex: 1;
    display: grid;
    justify-items: center;
    padding: 6px;
    border-radius: 6px;
    border: 1px solid var(--line);
    background: var(--paper);
    color: inherit;
    cursor: pointer;
  }
  .load > div { border: 2px solid var(--ink); cursor: default; }
  .load b { font-size: 16px; }
  .load small { color: var(--quiet); font-size: 12px; text-align: center; }
  .quiet { color: var(--quiet); font-size: 12px; }
  [role="alert"] { color: var(--brick); }
`;

const methods = [
  { key: "straight", label: "Straight sets" },
  { key: "longPartials", label: "Then lengthened partials", note: "After the last full repetition" },
  { key: "partials", label: "Lengthened partials only" },
  { key: "restPause", label: "Rest-pause" },
  { key: "drop", label: "Drop set" },
];

const loadWays = [
  { key: "reserve", label: "In reserve" },
  { key: "load", label: "Load" },
  { key: "percent", label: "% of 1RM" },
];

const progressions = [
  { key: "double", label: "Reps, then load" },
  { key: "load", label: "Load" },
  { key: "none", label: "None" },
];

type Props = {
  core: Core;
  block: Block;
  spot: Spot;
  told: EntryTold | null;
  change: (b: Block) => void;
  close: () => void;
};

/** One exercise of a day: its sets and repetitions, its load with what it rests on, and what comes next. */
export function EntryPanel({ core, block, spot, told, change, close }: Props) {
  const units = useUnits();
  const entry = block.days[spot.day]?.entries[spot.at];
  if (!entry) return null;
  const set = (to: Partial<BlockEntry>) => change(changed(block, spot, to));
  const count = (label: string, field: "sets" | "repsFrom" | "repsTo" | "rirFrom" | "rirTo") => (
    <QuantityEntry
      label={label}
      kind="count"
      digits={0}
      value={entry[field]}
      set={(v) => v !== undefined && set({ [field]: Math.round(v) })}
    />
  );
  const tempo = entry.document.tempo;
  return (
    <Box aria-label="Exercise">
      <div className="row" style={{ justifyContent: "space-between" }}>
        <Button look="link" onPress={close}>
          Back to the week
        </Button>
        <span className="row">
          <Button
            look="quiet"
            aria-label="Earlier in the day"
            isDisabled={spot.at === 0}
            onPress={() => change(moved(block, spot, { ...spot, at: spot.at - 1 }))}
          >
            ←
          </Button>
          <Button
            look="quiet"
            aria-label="Later in the day"
            isDisabled={spot.at === (block.days[spot.day]?.entries.length ?? 0) - 1}
            onPress={() => change(moved(block, spot, { ...spot, at: spot.at + 1 }))}
          >
            →
          </Button>
        </span>
      </div>
      <div className="head">
        <SetupPicture document={entry.document} width={110} height={100} />
        <div>
          <h2>{entry.document.name}</h2>
          {told && (
            <p>
              {told.digest.label}, hardest {told.digest.place}
              {told.digest.phase && `, loaded ${told.digest.phase}`}.
            </p>
          )}
          <Follow entry={entry} take={(document, version) => set({ document, setupVersion: version })} />
        </div>
      </div>
      <div className="three">
        {count("Sets", "sets")}
        {count("Reps, from", "repsFrom")}
        {count("to", "repsTo")}
      </div>
      <div className="three">
        <QuantityEntry
          label="Rest"
          kind="time"
          digits={0}
          value={entry.rest}
          set={(v) => v !== undefined && set({ rest: v })}
        />
        {count("In reserve, from", "rirFrom")}
        {count("to", "rirTo")}
      </div>
      <div className="three">
        {(["up", "top", "down"] as const).map((phase) => (
          <QuantityEntry
            key={phase}
            label={{ up: "Up", top: "Hold", down: "Down" }[phase]}
            kind="time"
            digits={1}
            value={tempo[phase]}
            set={(v) => v !== undefined && set({ document: { ...entry.document, tempo: { ...tempo, [phase]: v } } })}
          />
        ))}
      </div>
      <div className="duo">
        <Select
          label="Method"
          options={methods}
          value={entry.method ?? "straight"}
          onChange={(key) => set({ method: key === "straight" ? undefined : (key as BlockEntry["method"]) })}
        />
        {told?.digest.oneSided && (
          <Select
            label="Sides"
            options={[
              { key: "alternating", label: "One, then the other" },
              { key: "one", label: "This side only" },
            ]}
            value={entry.sides ?? "alternating"}
            onChange={(key) => set({ sides: key as BlockEntry["sides"] })}
          />
        )}
      </div>
      <h3>Load</h3>
      <Segments
        label="Load set by"
        options={loadWays}
        value={entry.loadBy ?? "reserve"}
        onChange={(key) =>
          set({
            loadBy: key === "reserve" ? undefined : (key as BlockEntry["loadBy"]),
            ...(key === "load" && { load: told?.loading.load.value ?? told?.digest.load ?? 10 }),
            ...(key === "percent" && { percent: entry.percent || 70 }),
          })
        }
      />
      {entry.loadBy === "load" && (
        <QuantityEntry
          label="Load"
          kind="mass"
          digits={2}
          value={entry.load}
          set={(v) => v !== undefined && set({ load: v })}
        />
      )}
      {entry.loadBy === "percent" && (
        <QuantityEntry
          label="Of what goes once"
          kind="percent"
          digits={0}
          value={entry.percent}
          set={(v) => v !== undefined && set({ percent: v })}
        />
      )}
      {told && <Loads told={told} take={(load) => set({ loadBy: "load", load })} />}
      {told && told.loading.load.value != null && (
        <p className="quiet">
          {units.text(told.torque, "torque")} at the hardest place.{" "}
          {told.loading.logged ? "By what was logged last." : told.digest.trust}
        </p>
      )}
      {told?.loading.rough && <p className="quiet">{told.loading.rough}</p>}
      <h3>Progression</h3>
      <Segments
        label="Progression"
        options={progressions}
        value={entry.progression ?? "double"}
        onChange={(key) => set({ progression: key === "double" ? undefined : (key as BlockEntry["progression"]) })}
      />
      <Ladder
        core={core}
        lifterId={block.lifterId ?? ""}
        entry={entry}
        take={(load) => set({ loadBy: "load", load })}
      />
      <TextInput label="Note" value={entry.note ?? ""} onChange={(note) => set({ note: note || undefined })} />
      <div className="ends">
        <Button look="link" onPress={() => change(entryCopied(block, spot))}>
          Duplicate
        </Button>
        <Button
          look="link"
          onPress={() => {
            change(without(block, spot));
            close();
          }}
        >
          Remove from the day
        </Button>
      </div>
    </Box>
  );
}

/** The load as the kit has it, between the next lighter and the next heavier, each with the repetitions that it should give. */
function Loads({ told, take }: { told: EntryTold; take: (load: number) => void }) {
  const units = useUnits();
  const { loading } = told;
  if (loading.load.value == null) return <p className="quiet">{loading.load.why}</p>;
  const about = (reps: { value: number | null; why?: string }) =>
    reps.value == null ? reps.why : `about ${Math.round(reps.value)}`;
  const other = (c: (typeof loading)["lighter"] | null) =>
    c && (
      <button type="button" onClick={() => take(c.load)}>
        <span className="mono">
          <VisuallyHidden>Use </VisuallyHidden>
          {units.text(c.load, "mass")}
        </span>
        <small>{about(c.reps)}</small>
      </button>
    );
  return (
    <div className="load">
      {other(loading.lighter)}
      <div>
        <b className="mono">{units.text(loading.load.value, "mass")}</b>
        <small>
          {about(loading.reps)}
          {loading.reps.value != null && `, ${told.rirFrom}–${told.rirTo} left`}
        </small>
      </div>
      {other(loading.heavier)}
    </div>
  );
}

/** Whether the saved setup has moved on since it was copied, and the way to follow it. */
function Follow({ entry, take }: { entry: BlockEntry; take: (d: SetupDocument, version: number) => void }) {
  const { setupId, setupVersion = 0 } = entry;
  const now = useQuery({
    ...asked("get", "/api/setups/{id}", { params: { path: { id: setupId ?? "" } } }),
    enabled: !!setupId,
    retry: false,
  });
  if (!setupId) return null;
  if (now.error) return <p>The saved setup was deleted; the plan keeps its copy.</p>;
  if (!now.data) return null;
  const version = now.data.version;
  if (version <= setupVersion) return <p>version {setupVersion}, as saved</p>;
  return (
    <p>
      <StatusIcon tone="warning" /> Version {setupVersion}; the setup is at {version}.{" "}
      <Button look="link" onPress={() => take(now.data.document, version)}>
        Follow version {version}
      </Button>
    </p>
  );
}
