import { useQuery } from "@tanstack/react-query";
import { Copy, FlipHorizontal2, X } from "lucide-react";
import { memo, useId, useMemo, useState } from "react";
import styled from "styled-components";
import { type Core, core as startedCore } from "../../engine/core";
import type { Sweeps } from "../../engine/sweeps";
import type { Problem, Setting, SetupDocument } from "../../engine/types";
import { Button } from "../../ui/Button";
import { Dial } from "../../ui/Dial";
import { Hint } from "../../ui/Hint";
import { Segments, Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Tick } from "../../ui/Tick";
import { RoomPart, TakeAnother } from "./RoomPart";
import type { Edits } from "./useDocument";
import { Words } from "./Words";

const Column = styled.div`
  padding: 4px 14px 24px;
  .problem { display: flex; gap: 6px; padding: 8px 0; }
  .paint, .best { transition: opacity 120ms; }
  &[data-fresh="false"] .paint, &[data-fresh="false"] .best { opacity: 0.45; }
  .off { display: flex; gap: 8px; padding: 6px 0 0; }
  .add { display: flex; gap: 12px; padding: 8px 0; border-bottom: 1px solid var(--line); color: var(--quiet); }
`;

const Section = styled.section`
  border-bottom: 1px solid var(--line);
  padding: 4px 0 8px;
  &:last-child { border: 0; }
  > h2 > button {
    width: 100%;
    display: flex;
    justify-content: space-between;
    padding: 7px 0 5px;
    border: 0;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    font-weight: 600;
    cursor: pointer;
  }
  .pair { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px; padding-bottom: 6px; }
  .load { display: grid; justify-items: start; gap: 4px; padding: 2px 0 4px; }
  .kinds { display: flex; align-items: center; width: 100%; justify-content: space-between; }
  .tools { display: flex; }
  .load > span { color: var(--quiet); font-size: 12px; line-height: 15px; }
`;

const targetProfiles = [
  { key: "match", label: "Match strength", note: "Even effort over the range" },
  { key: "early", label: "Early", note: "Most where the muscle is lengthened" },
  { key: "even", label: "Even", note: "No dead spots, no cliffs" },
  { key: "late", label: "Late", note: "Most where the muscle is shortened" },
  { key: "overload", label: "Overload", note: "As heavy as the weakest point allows" },
];

type Props = {
  document: SetupDocument;
  settings: Setting[];
  core: Core;
  /** The setup as it was when nothing was dragged in the picture, for what a drag does not change. */
  rested: { text: string; document: SetupDocument };
  sweeps: Sweeps;
  fresh: boolean;
  problems: Problem[];
  warnings: Problem[];
  edits: Edits;
};

/** The left column: what the setup is for and everything that can be turned on it. */
export const Rig = memo(function Rig(props: Props) {
  const { core, rested, document, settings, sweeps, fresh, problems, warnings, edits } = props;
  const mine = (s: Setting) => (p: Problem) => s.paths.some((path) => p.path === path || p.path.startsWith(`${path}.`));
  const homeless = problems.filter((p) => !settings.some((s) => mine(s)(p)));
  const dials = (group: string, index?: number) =>
    settings
      .filter((s) => s.group === group && (index === undefined || s.key.endsWith(`/${index}`)))
      .map((s) => (
        <Dial
          key={s.key}
          setting={s}
          sweeps={sweeps}
          problems={problems.filter(mine(s))}
          warnings={warnings.filter(mine(s))}
          onTurn={edits.turn}
          onDone={edits.turnDone}
          onLock={(key, locked) => edits.restructure(locked ? "lock" : "unlock", key)}
        />
      ));
  const path = dials("path");
  const choices = useMemo(() => core.choices(rested.text).ok, [core, rested.text]);
  const { posture } = document;
  return (
    <Column data-fresh={fresh}>
      {homeless.map((p) => (
        <div className="problem" role="alert" key={p.path + p.what}>
          <StatusIcon tone="error" />
          <span>
            {p.what} {p.why} {p.hint}
          </span>
        </div>
      ))}
      <Hint name="paint">
        The track of a dial shows the score at every value: darker is better, the mark is the best, hatched is ruled
        out.
      </Hint>
      <Disclosure title="Gym">
        <RoomPart core={core} {...rested} change={edits.change} />
      </Disclosure>
      <Disclosure title="Target">
        <Target target={document.target} set={edits.set} />
      </Disclosure>
      {(document.loads ?? []).map((load, i) => (
        <Disclosure key={load.id} title={loadTitle(document, load)}>
          <div className="load">
            <div className="kinds">
              {loadKinds.some((k) => k.key === load.kind) ? (
                <Segments
                  label={`Kind of load: ${load.id}`}
                  options={loadKinds}
                  value={load.kind}
                  onChange={(kind) => edits.setLoadKind(i, kind)}
                />
              ) : (
                <b>{otherKinds[load.kind]}</b>
              )}
              <span className="tools">
                {(load.pulley || load.anchor) && !load.shared && load.kind !== "rope" && (
                  <Tool label={`From the other side: ${load.id}`} press={() => edits.restructure("mirror", "", i)}>
                    <FlipHorizontal2 size={14} aria-hidden />
                  </Tool>
                )}
                <Tool label={`Duplicate: ${load.id}`} press={() => edits.restructure("copy", "", i)}>
                  <Copy size={14} aria-hidden />
                </Tool>
                {document.loads.length > 1 && (
                  <Tool label={`Remove: ${load.id}`} press={() => edits.dropLoad(i)}>
                    <X size={14} aria-hidden />
                  </Tool>
                )}
              </span>
            </div>
            <span>{describeLoad(load)}</span>
          </div>
          <TakeAnother core={core} document={document} change={edits.change} index={i} />
          {(choices?.holds[i]?.length ?? 0) > 1 && (
            <Select
              label="Attached"
              options={choices?.holds[i] ?? []}
              value={choices?.hold[i] ?? ""}
              onChange={(key) => edits.restructure("hold", key, i)}
            />
          )}
          {dials("loads", i)}
          {load.kind === "bar" && (
            <Select
              label="If the rep fails, the bar is caught by"
              options={catches}
              value={load.catch ?? ""}
              onChange={(key) => edits.set(`loads[${i}].catch`, key || undefined)}
            />
          )}
          {load.kind === "band" && <BandMarks load={load} set={(mark, on) => edits.set(`loads[${i}].${mark}`, on)} />}
        </Disclosure>
      ))}
      <div className="add">
        <span>Add a load:</span>
        {loadKinds.map((k) => (
          <Button
            key={k.key}
            look="link"
            aria-label={`Add a ${k.label.toLowerCase()}`}
            onPress={() => edits.addLoad(k.key)}
          >
            {k.label.toLowerCase()}
          </Button>
        ))}
      </div>
      <Disclosure title="Body">
        {choices && (
          <Select
            label="Posture"
            options={choices.positions}
            value={choices.position}
            onChange={(key) => edits.restructure("position", key)}
          />
        )}
        <TakeAnother core={core} document={document} change={edits.change} index={-1} />
        {choices && choices.feet.length > 0 && (
          <Select
            label="Feet"
            options={choices.feet}
            value={choices.foot}
            onChange={(key) => edits.restructure("feet", key)}
          />
        )}
        {choices && choices.hands.length > 0 && (
          <Select
            label="Free hand"
            options={choices.hands}
            value={choices.hand}
            onChange={(key) => edits.restructure("hand", key)}
          />
        )}
        {dials("body")}
        <Supports posture={posture} set={(part, value) => edits.set(`posture.${part}`, value)} />
      </Disclosure>
      <Disclosure title="Movement">
        <Segments
          label="Working side"
          options={sides}
          value={document.movement.side}
          onChange={(key) => edits.restructure("side", key)}
        />
        {choices && (
          <Select
            label="Change to"
            options={[{ key: "keep", label: "As it is" }, ...choices.ways]}
            value="keep"
            onChange={(key) => key !== "keep" && edits.restructure("way", key)}
          />
        )}
        {path}
      </Disclosure>
      <Disclosure title="Tempo">{dials("tempo")}</Disclosure>
      <Disclosure title="Cues and notes">
        <Words document={document} set={edits.set} />
      </Disclosure>
    </Column>
  );
});

const sides = [
  { key: "right", label: "Right" },
  { key: "both", label: "Both" },
  { key: "left", label: "Left" },
];

function Tool({ label, press, children }: { label: string; press: () => void; children: React.ReactNode }) {
  return (
    <Button look="quiet" aria-label={label} onPress={press}>
      {children}
    </Button>
  );
}

type Load = SetupDocument["loads"][number];

/** What a coach should look at on a band before every set. */
function BandMarks({ load, set }: { load: Load; set: (mark: "worn" | "loose", on: boolean) => void }) {
  return (
    <>
      <Tick label="The band is worn" on={load.worn ?? false} set={(on) => set("worn", on)} />
      <Tick label="The anchor could slip" on={load.loose ?? false} set={(on) => set("loose", on)} />
    </>
  );
}

type Posture = SetupDocument["posture"];

const catches = [
  { key: "", label: "Nothing" },
  { key: "arms", label: "Safeties" },
  { key: "spotter", label: "A spotter" },
];

/** A block that begins under the feet, m. */
const firstBlock = 0.1;

/** What else carries or holds the lifter. */
function Supports({ posture, set }: { posture: Posture; set: (part: "restraints" | "riser", value: unknown) => void }) {
  const held = posture.restraints ?? [];
  const tick = (what: (typeof held)[number], label: string) => (
    <Tick
      label={label}
      on={held.includes(what)}
      set={(on) => set("restraints", on ? [...held, what] : held.filter((h) => h !== what))}
    />
  );
  const sits = posture.kind === "seated";
  const lies = posture.kind === "prone" || posture.kind === "supine";
  const onFeet = ["standing", "hinged", "seated", "supine"].includes(posture.kind) && posture.root !== "hands";
  return (
    <>
      {sits && tick("thighPad", "Thigh pad")}
      {sits && tick("armPad", "Preacher pad under the upper arms")}
      {sits && tick("footPlate", "Foot plate")}
      {sits && tick("trunkOnThighs", "Trunk rests on the thighs")}
      {(sits || lies) && tick("strap", "Hip strap")}
      {onFeet && (
        <Tick
          label="Riser under the feet"
          on={(posture.riser ?? 0) > 0}
          set={(on) => set("riser", on ? firstBlock : undefined)}
        />
      )}
    </>
  );
}

type TargetProps = { target: SetupDocument["target"]; set: Edits["set"] };

/** What the setup is for: the region, the joint where it crosses two, and the profile that judges the profile. */
const Target = memo(function Target({ target, set }: TargetProps) {
  const { region, profile, joint } = target;
  const list = useQuery({ queryKey: ["regions"], queryFn: async () => (await startedCore()).regions().ok ?? [] });
  const regions = list.data ?? [{ key: region, label: region, joints: [] }];
  const joints = regions.find((r) => r.key === region)?.joints ?? [];
  const drawn = { key: "custom", label: "Custom", note: "Five points that you drag on the chart" };
  return (
    <div className="pair">
      <Select label="Muscle" options={regions} value={region} onChange={(key) => set("target.region", key)} />
      <Select
        label="Target profile"
        options={[...targetProfiles, drawn]}
        value={profile}
        onChange={(key) => set("target.profile", key)}
      />
      {joints.length > 1 && (
        <Select
          label="Joint"
          options={joints.map((j) => ({ key: j, label: j }))}
          value={joint ?? joints[0] ?? ""}
          onChange={(key) => set("target.joint", key)}
        />
      )}
    </div>
  );
});

const loadKinds = [
  { key: "cable", label: "Cable" },
  { key: "dumbbell", label: "Dumbbell" },
  { key: "band", label: "Band" },
];

const otherKinds: Record<string, string> = {
  bar: "One weight in both hands",
  rope: "Rope on a cable",
  cam: "Machine with a pad",
  lever: "Lever",
  bodyweight: "Body weight",
};

function loadTitle(document: SetupDocument, load: SetupDocument["loads"][number]): string {
  const name = document.loads.length > 1 ? `Load: ${load.id}` : "Load";
  const apiece = document.movement.side === "both" && apart(load);
  return apiece ? `${name}, each side` : name;
}

/** Whether each side has a load like this of its own, rather than one for both. */
function apart(load: SetupDocument["loads"][number]): boolean {
  return !load.shared && load.contact.segment !== "trunk" && !["bar", "rope", "bodyweight"].includes(load.kind);
}

const places: Record<string, string> = {
  hand: "in the hand",
  forearm: "at the forearm",
  upperArm: "at the upper arm",
  thigh: "at the thigh",
  shank: "at the shank",
  trunk: "at the trunk",
};

function describeLoad(load: SetupDocument["loads"][number]): string {
  const place =
    load.contact.at && load.contact.at !== "grip" ? `at the ${load.contact.at}` : (places[load.contact.segment] ?? "");
  if (load.kind === "cable" || load.kind === "rope") {
    const shared = load.kind === "rope" ? "one strand in each hand" : load.shared ? "a bar in both hands" : place;
    return `${describeCable(load)}, ${shared}`;
  }
  if (load.kind === "lever") return load.pivotAlong ? "on a pivot" : "landmine";
  if (load.kind === "bodyweight") return "the part of the body that the joint lifts";
  if (load.kind !== "band") return place;
  const strands = load.strands ?? 1;
  const from = load.pull?.length ? "as measured" : "pull from its thickness";
  return strands > 1 ? `${strands} strands, ${from}` : from;
}

function describeCable(load: SetupDocument["loads"][number]): string {
  const column = load.kit?.column;
  const crossed = column && column !== load.side;
  const ratio = load.ratio ?? 1;
  const share = ratio === 1 ? "" : ratio === 0.5 ? ", half the stack" : `, ${ratio} of the stack`;
  return (column ? `${column} column, ${crossed ? "crossed" : "same side"}` : "free pulley") + share;
}

/** A section that folds. */
function Disclosure({ title, children }: { title: string; children: React.ReactNode }) {
  const [open, setOpen] = useState(true);
  const id = useId();
  return (
    <Section>
      <h2>
        <button type="button" aria-expanded={open} aria-controls={id} onClick={() => setOpen(!open)}>
          {title}
          <span aria-hidden>{open ? "−" : "+"}</span>
        </button>
      </h2>
      <div id={id} hidden={!open}>
        {children}
      </div>
    </Section>
  );
}
