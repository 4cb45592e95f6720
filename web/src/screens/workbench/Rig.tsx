import { useQuery } from "@tanstack/react-query";
import { Copy, FlipHorizontal2, X } from "lucide-react";
import { memo, useMemo } from "react";
import styled from "styled-components";
import { type Core, core as startedCore } from "../../engine/core";
import type { Sweeps } from "../../engine/sweeps";
import type { Problem, Setting, SetupDocument } from "../../engine/types";
import { useRooms } from "../../state/rooms";
import { type Units, useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Dial } from "../../ui/Dial";
import { Disclosure } from "../../ui/Disclosure";
import { Hint } from "../../ui/Hint";
import { Segments, Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { Tick } from "../../ui/Tick";
import { useNarrow } from "../../ui/useNarrow";
import { OneDial } from "./OneDial";
import { Poses } from "./Poses";
import { RoomPart, TakeAnother } from "./RoomPart";
import type { Edits } from "./useDocument";
import { Words } from "./Words";

const Column = styled.div`
  padding: 4px 14px 24px;
  .problem { display: flex; gap: 6px; padding: 8px 0; }
  .paint, .best { transition: opacity 120ms; }
  &[data-fresh="false"] .paint, &[data-fresh="false"] .best { opacity: 0.45; }
  .off { display: flex; gap: 8px; padding: 6px 0 0; }
  .add { display: flex; flex-wrap: wrap; gap: 4px 12px; padding: 8px 0; color: var(--quiet); }
  .pair { display: grid; grid-template-columns: repeat(2, minmax(0, 1fr)); gap: 8px; padding: 6px 0; }
  .load { display: grid; justify-items: start; gap: 4px; padding: 8px 0 4px; }
  .load > span { color: var(--quiet); font-size: 12px; line-height: 15px; }
  .kinds { display: flex; align-items: center; width: 100%; justify-content: space-between; }
  .tools { display: flex; }
  .more { padding: 12px 0 6px; font-size: 13px; }
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
  /** Shows a place on the path in the picture. */
  show: (s: number) => void;
};

/** The left column: what the setup is for and everything that can be turned on it. */
export const Rig = memo(function Rig(props: Props) {
  const { core, rested, document, settings, sweeps, fresh, problems, warnings, edits } = props;
  const mine = (s: Setting) => (p: Problem) => s.paths.some((path) => p.path === path || p.path.startsWith(`${path}.`));
  const homeless = problems.filter((p) => !settings.some((s) => mine(s)(p)));
  const narrow = useNarrow();
  const draw = (s: Setting) => (
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
  );
  const dials = (which: (s: Setting) => boolean) => settings.filter(which).map(draw);
  const of = (load: number) => (s: Setting) => s.group === "loads" && s.key.endsWith(`/${load}`);
  const rest = (group: string) => (s: Setting) => s.group === group && !s.main;
  const choices = useMemo(() => core.choices(rested.text).ok, [core, rested.text]);
  /** Whether there is anything to say about how a load is held: not of a body, nor of a machine that has nothing to set. */
  const attaches = (load: Load, i: number) =>
    load.kind === "bar" ||
    load.kind === "band" ||
    (choices?.holds[i]?.length ?? 0) > 1 ||
    settings.some((s) => of(i)(s) && !s.main) ||
    (document.gym !== undefined && load.kind !== "bodyweight");
  const units = useUnits();
  const { posture } = document;
  const loads = document.loads ?? [];
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
      {narrow && <OneDial settings={settings.filter((s) => s.main)} draw={draw} />}
      <Target target={document.target} set={edits.set} />
      {loads.map((load, i) => (
        <div key={load.id}>
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
                <b>{choices?.barbells[i] ? "Barbell" : otherKinds[load.kind]}</b>
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
                {loads.length > 1 && (
                  <Tool label={`Remove: ${load.id}`} press={() => edits.dropLoad(i)}>
                    <X size={14} aria-hidden />
                  </Tool>
                )}
              </span>
            </div>
            <span>{loadTitle(document, load)}</span>
          </div>
          {!narrow && dials((s) => of(i)(s) && s.main)}
        </div>
      ))}
      {!narrow && dials((s) => s.group !== "loads" && s.main)}
      <h2 className="more">More</h2>
      {loads.map((load, i) =>
        !attaches(load, i) ? null : (
          <Disclosure
            key={load.id}
            name={`Attachment ${i}`}
            title={loads.length > 1 ? `Attachment: ${load.id}` : "Attachment"}
            line={choices?.holds[i]?.find((h) => h.key === choices.hold[i])?.label.toLowerCase()}
          >
            <TakeAnother core={core} document={document} change={edits.change} index={i} />
            {(choices?.holds[i]?.length ?? 0) > 1 && (
              <Select
                label="Attached"
                options={choices?.holds[i] ?? []}
                value={choices?.hold[i] ?? ""}
                onChange={(key) => edits.restructure("hold", key, i)}
              />
            )}
            {dials((s) => of(i)(s) && !s.main)}
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
        ),
      )}
      <Disclosure title="Body" line={choices?.positions.find((p) => p.key === choices.position)?.label.toLowerCase()}>
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
        {dials(rest("body"))}
        <Supports posture={posture} set={(part, value) => edits.set(`posture.${part}`, value)} />
      </Disclosure>
      <Disclosure title="Movement" line={movementLine(document, settings.filter(rest("path")), units)}>
        {choices && (
          <Segments
            label="Working side"
            options={choices.sides}
            value={document.movement.side}
            onChange={(key) => edits.restructure("side", key)}
          />
        )}
        {choices && (
          <Select
            label="Change to another movement"
            options={[{ key: "keep", label: "As it is" }, ...choices.ways]}
            value="keep"
            onChange={(key) => key !== "keep" && edits.restructure("way", key)}
          />
        )}
        {choices && choices.turns.length > 0 && (
          <Select
            label="Upper arm rotates"
            options={choices.turns}
            value={choices.turn}
            onChange={(key) => edits.restructure("turn", key)}
          />
        )}
        {dials(rest("path"))}
        {document.movement.keyframes?.length ? (
          <Poses core={core} frames={document.movement.keyframes} edits={edits} problems={problems} show={props.show} />
        ) : (
          canPose(document) && (
            <Button look="link" onPress={() => edits.restructure("poses", "")}>
              Set the path pose by pose
            </Button>
          )
        )}
      </Disclosure>
      <Disclosure title="Tempo" line={tempoLine(document.tempo)}>
        {dials(rest("tempo"))}
      </Disclosure>
      <Disclosure title="Gym" line={<GymName id={document.gym} />}>
        <RoomPart core={core} {...rested} change={edits.change} />
      </Disclosure>
      <Disclosure title="Add a load" line="cable, dumbbell or band">
        <div className="add">
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
      </Disclosure>
      <Disclosure title="Cues and notes" line={wordsLine(document)}>
        <Words document={document} set={edits.set} />
      </Disclosure>
    </Column>
  );
});

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
      {(posture.kind === "kneeling" || posture.root === "thighs") && tick("ankles", "Ankles held down")}
      {posture.kind === "prone" && tick("handsHold", "Both hands hold on")}
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
  bar: "Weight in both hands",
  rope: "Rope on a cable",
  cam: "Machine with a pad",
  lever: "Lever",
  sled: "Sled",
  assist: "Assistance",
  bodyweight: "Body weight",
};

/** What a load is, above its dials. */
function loadTitle(document: SetupDocument, load: Load): string {
  const parts = [describeLoad(load, document.movement.side === "both")];
  if (document.loads.length > 1) parts.unshift(load.id);
  if (document.movement.side === "both" && apart(load)) parts.push("each side");
  return parts.filter(Boolean).join(", ");
}

/** How the movement is set beside its main dials: the side, and the angles that are held. */
function movementLine(document: SetupDocument, held: Setting[], units: Units): string {
  const side = document.movement.side === "both" ? "both sides" : `${document.movement.side} side`;
  const angles = held.filter((s) => s.kind === "angle" && Math.abs(s.value) > 0.5);
  return [side, ...angles.slice(0, 2).map((s) => `${s.label.toLowerCase()} ${units.text(s.value, s.kind)}`)].join(", ");
}

/** Whether a path can be taken down pose by pose: not what a cable or a machine leads, and not a hold. */
const canPose = ({ movement, loads, posture }: SetupDocument) =>
  movement.kind !== "hold" &&
  !(posture.kind === "prone" && posture.root === "hands") &&
  !movement.inLine &&
  !loads.some((l) => l.handleRadius);

/** A tempo in words, without what takes no time. */
export function tempoLine(t: SetupDocument["tempo"]): string {
  const phases: [number, string][] = [
    [t.up, "up"],
    [t.top, "hold"],
    [t.down, "down"],
    [t.bottom, "rest"],
  ];
  return phases
    .filter(([s]) => s > 0)
    .map(([s, what]) => `${s} s ${what}`)
    .join(", ");
}

function wordsLine(d: SetupDocument): string {
  const cues = d.cues?.length ?? 0;
  return (
    [cues > 0 && `${cues} ${cues === 1 ? "cue" : "cues"}`, d.notes && "notes"].filter(Boolean).join(", ") || "none"
  );
}

function GymName({ id }: { id?: string }) {
  const rooms = useRooms().data?.items ?? [];
  return <>{id ? (rooms.find((r) => r.id === id)?.name ?? "not on this list") : "any gym"}</>;
}

/** Whether each side has a load like this of its own, rather than one for both. */
function apart(load: SetupDocument["loads"][number]): boolean {
  return (
    !load.shared &&
    load.contact.segment !== "trunk" &&
    !["bar", "rope", "sled", "assist", "bodyweight"].includes(load.kind)
  );
}

const places: Record<string, string> = {
  hand: "in the hand",
  forearm: "at the forearm",
  upperArm: "at the upper arm",
  thigh: "at the thigh",
  shank: "at the shank",
  foot: "on the foot",
  trunk: "at the trunk",
};

const barPlaces: Record<string, string> = {
  trunkshoulders: "on the shoulders",
  trunkfrontRack: "on the front of the shoulders",
  trunkpelvis: "over the hips",
  thigh: "over the thighs",
};

function describeLoad(load: SetupDocument["loads"][number], both: boolean): string {
  const place =
    barPlaces[load.kind === "bar" ? load.contact.segment + (load.contact.at ?? "") : ""] ??
    (load.contact.at && load.contact.at !== "grip" && load.contact.segment !== "foot"
      ? `at the ${load.contact.at}`
      : (places[load.contact.segment] ?? ""));
  if (load.kind === "cable" || load.kind === "rope") {
    const grasp = both ? "a bar in both hands" : "one handle in both hands";
    const shared = load.kind === "rope" ? "one strand in each hand" : load.shared ? grasp : place;
    return `${describeCable(load)}, ${shared}`;
  }
  if (load.kind === "lever") return load.pivotAlong ? "on a pivot" : "landmine";
  if (load.kind === "sled" && load.rides) return "it carries the back; the feet stay on their plate";
  if (load.kind === "sled") return load.contact.at === "ball" ? "balls of the feet on its plate" : "feet on its plate";
  if (load.kind === "assist") return "a platform under the knees";
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
