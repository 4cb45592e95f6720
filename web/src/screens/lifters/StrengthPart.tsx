import { useState } from "react";
import styled from "styled-components";
import { PointsChart } from "../../chart/PointsChart";
import type { Core } from "../../engine/core";
import type { KnownSet, Lifter, StrengthTest } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";
import { KnownSets } from "./KnownSets";

const Part = styled.div`
  display: grid;
  gap: 14px;
  max-width: 720px;
  .row { display: grid; grid-template-columns: repeat(auto-fit, minmax(150px, 1fr)); gap: 10px 14px; align-items: end; }
  label.day { display: grid; gap: 3px; color: var(--quiet); font-size: 12px; }
  label.day input {
    min-height: 30px;
    padding: 3px 8px;
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
    color: var(--ink);
  }
  p { color: var(--quiet); font-size: 12px; }
  h2 { font-size: 13px; }
`;

type Action = StrengthTest["action"];

/** The joint actions that strength can be given for. */
export const strengthActions: { key: Action; label: string; note: string }[] = [
  { key: "shoulder.abduction", label: "Shoulder abduction", note: "raising the arm to the side" },
  { key: "shoulder.flexion", label: "Shoulder flexion", note: "raising the arm to the front" },
  { key: "shoulder.extension", label: "Shoulder extension", note: "pulling the arm down and back" },
  { key: "shoulder.adduction", label: "Shoulder adduction", note: "pulling the arm down from the side" },
  { key: "shoulder.horizontalAdduction", label: "Horizontal adduction", note: "closing the arms in front" },
  { key: "shoulder.horizontalAbduction", label: "Horizontal abduction", note: "opening the arms" },
  { key: "shoulder.internalRotation", label: "Internal rotation", note: "turning the arm in" },
  { key: "shoulder.externalRotation", label: "External rotation", note: "turning the arm out" },
  { key: "elbow.flexion", label: "Elbow flexion", note: "bending the elbow" },
  { key: "elbow.extension", label: "Elbow extension", note: "straightening the elbow" },
  { key: "knee.extension", label: "Knee extension", note: "straightening the knee" },
  { key: "knee.flexion", label: "Knee flexion", note: "bending the knee" },
  { key: "hip.extension", label: "Hip extension", note: "straightening the hip" },
  { key: "hip.flexion", label: "Hip flexion", note: "bending the hip" },
  { key: "hip.abduction", label: "Hip abduction", note: "raising the thigh to the side" },
  { key: "hip.adduction", label: "Hip adduction", note: "closing the thighs" },
  { key: "ankle.plantarFlexion", label: "Plantar flexion", note: "pointing the toes, knee straight" },
  { key: "ankle.plantarFlexionKneeBent", label: "Plantar flexion, knee bent", note: "pointing the toes, seated" },
  { key: "ankle.dorsiflexion", label: "Dorsiflexion", note: "drawing the toes up" },
  { key: "girdle.elevation", label: "Shoulder elevation", note: "shrugging" },
  { key: "trunk.flexion", label: "Trunk flexion", note: "bending the back forward" },
  { key: "trunk.extension", label: "Trunk extension", note: "straightening the back" },
  { key: "trunk.sideBend", label: "Side bend", note: "bending the back to a side" },
  { key: "trunk.rotation", label: "Trunk rotation", note: "turning the shoulders over the hips" },
];

type Props = {
  core: Core;
  body: Lifter;
  problemAt: (path: string) => string | undefined;
  change: (strength: StrengthTest[], drag?: boolean) => void;
  changeSets: (sets: KnownSet[]) => void;
  done: (cancelled: boolean) => void;
};

/** What the lifter can hold, joint angle by joint angle: tests of several days, of which the newest count. */
export function StrengthPart({ core, body, problemAt, change, changeSets, done }: Props) {
  const units = useUnits();
  const all = body.strength ?? [];
  const tested = (a: Action) => all.filter((t) => t.action === a);
  const [action, setAction] = useState<Action>(all[0]?.action ?? "shoulder.abduction");
  const days = [...new Set(tested(action).map((t) => t.date ?? ""))].sort().reverse();
  const [picked, setPicked] = useState<string | null>(null);
  const day = picked ?? days[0] ?? new Date().toISOString().slice(0, 10);
  const here = all.filter((t) => t.action === action && (t.date ?? "") === day);
  const elsewhere = all.filter((t) => t.action !== action || (t.date ?? "") !== day);
  const set = (tests: StrengthTest[], drag: boolean) => change([...elsewhere, ...tests], drag);
  const test = (x: number, y: number): StrengthTest => ({
    action,
    angleDeg: x,
    torque: y,
    ...(day ? { date: day } : {}),
  });
  const problems: Record<number, string> = {};
  here.forEach((t, i) => {
    const at = all.indexOf(t);
    const told = ["angleDeg", "torque", "date", "action"].map((f) => problemAt(`strength[${at}].${f}`)).find(Boolean);
    if (told) problems[i] = told;
  });
  const torque = units.unit("torque");
  const last = here.at(-1);
  return (
    <Part>
      <div className="row">
        <Select
          label="Tested"
          options={strengthActions.map((a) => {
            const n = tested(a.key).length;
            return { key: a.key, label: a.label, note: n > 0 ? `${a.note}, ${n} tests` : a.note };
          })}
          value={action}
          onChange={(key) => {
            setAction(key as Action);
            setPicked(null);
          }}
        />
        <label className="day">
          Day
          <input type="date" value={day} onChange={(e) => setPicked(e.target.value)} />
        </label>
      </div>
      {days.length > 0 && (
        <p>
          Tested on{" "}
          {days.map((d, i) => (
            <span key={d}>
              {i > 0 && ", "}
              <Button look="link" onPress={() => setPicked(d)}>
                {d || "no date"}
                {i === 0 ? " (counts)" : ""}
              </Button>
            </span>
          ))}
        </p>
      )}
      <PointsChart
        name={`Strength on ${day}`}
        points={here.map((t) => ({ x: t.angleDeg, y: t.torque }))}
        x={{ label: "joint angle", kind: "angle", unit: "°", factor: 1, digits: 0, step: 1 }}
        y={{
          label: "torque",
          kind: "torque",
          unit: torque.name,
          factor: torque.factor,
          digits: 1,
          step: 0.5,
          least: 0.5,
        }}
        problems={problems}
        empty={
          tested(action).length > 0
            ? "Nothing tested on this day."
            : "Nothing tested yet: strength is an estimate. Two or three angles over the range make it the lifter's own."
        }
        fresh={() => ({ x: (last?.angleDeg ?? -10) + 30, y: last?.torque ?? 30 })}
        set={(points, drag) =>
          set(
            points.map((p) => test(p.x, p.y)),
            drag,
          )
        }
        done={done}
      />
      <FromForce
        add={(x, y) =>
          set(
            [...here, test(x, y)].sort((a, b) => a.angleDeg - b.angleDeg),
            false,
          )
        }
      />
      <KnownSets core={core} body={body} actionLabel={actionLabel} problemAt={problemAt} change={changeSets} />
    </Part>
  );
}

/** What an action is called on screen. */
export const actionLabel = (key: string) => strengthActions.find((a) => a.key === key)?.label ?? key;

/** A test with a force gauge: the force and how far from the joint it was held make the torque. */
function FromForce({ add }: { add: (angleDeg: number, torque: number) => void }) {
  const units = useUnits();
  const [angle, setAngle] = useState<number | undefined>();
  const [force, setForce] = useState<number | undefined>();
  const [at, setAt] = useState<number | undefined>();
  const torque = force !== undefined && at !== undefined ? force * at : null;
  return (
    <>
      <h2>From a force and its distance</h2>
      <div className="row">
        <QuantityEntry label="Joint angle" kind="angle" value={angle} digits={0} set={setAngle} optional />
        <QuantityEntry label="Force" kind="force" value={force} digits={0} set={setForce} optional />
        <QuantityEntry label="Distance from the joint" value={at} kind="length" digits={1} set={setAt} optional />
        <Button
          isDisabled={torque === null || angle === undefined}
          onPress={() => {
            if (torque === null || angle === undefined) return;
            add(angle, Math.round(torque * 100) / 100);
            setAngle(undefined);
            setForce(undefined);
          }}
        >
          {torque === null ? "Add the test" : `Add ${units.text(torque, "torque")}`}
        </Button>
      </div>
      <p>Pull at a right angle to the limb, and measure from the joint to the middle of the strap.</p>
    </>
  );
}
