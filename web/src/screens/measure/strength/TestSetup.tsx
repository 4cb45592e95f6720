import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Problem, StoredLifter, StrengthFit, StrengthTest } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { QuantityEntry } from "../../../ui/Entry";
import { TextInput } from "../../../ui/Field";
import { Select } from "../../../ui/Select";
import { strengthActions } from "../../lifters/StrengthPart";
import type { TrialsOf } from "./useTrials";

const Box = styled.div`
  display: grid;
  gap: 14px;
  ol { padding-left: 18px; display: grid; gap: 4px; font-size: 12px; line-height: 16px; color: var(--quiet); }
  textarea { font-family: "Spline Sans Mono Variable", monospace; min-height: 150px; resize: vertical; }
  table { width: 100%; border-collapse: collapse; }
  th { text-align: right; color: var(--quiet); font-size: 12px; font-weight: 400; padding: 2px 0; }
  td { text-align: right; padding: 5px 0; border-top: 1px solid var(--line); }
  th:first-child, td:first-child { text-align: left; }
  tr[data-now="true"] { font-weight: 600; }
`;

const positions = [
  { key: "upright", label: "Upright", note: "standing or sitting; for a knee with the thigh level" },
  { key: "supine", label: "On the back", note: "face up" },
  { key: "prone", label: "Face down", note: "on the belly" },
  { key: "side", label: "On the side", note: "the tested limb on top" },
];

/** What is too far out to be strapped: its torque is typed on the lifter's sheet. */
const untested = ["girdle.elevation"];

type Props = {
  core: Core;
  lifter: StoredLifter;
  action: StrengthTest["action"];
  setAction: (action: string) => void;
  trials: TrialsOf;
  problems: Problem[];
  fit: StrengthFit | undefined;
  angle: number;
};

/** What is tested, where the strap sits, and the trials as rows that can be typed, mended and taken out. */
export function TestSetup({ action, setAction, trials, problems, fit, angle }: Props) {
  const units = useUnits();
  const { position, strap, rows } = trials.state;
  const started = rows.trim() !== "";
  const general = started || strap !== undefined ? problems : [];
  const strapProblem = general.find((p) => p.path === "strap");
  const others = general.filter((p) => p !== strapProblem);
  return (
    <Box>
      <Select
        label="What is tested"
        options={strengthActions.filter((a) => !untested.includes(a.key))}
        value={action}
        onChange={(key) => setAction(String(key))}
      />
      <Select
        label="Position"
        options={positions}
        value={position}
        onChange={(key) => trials.set({ position: String(key) })}
      />
      <QuantityEntry
        label="Strap, from the joint"
        kind="length"
        digits={1}
        value={strap}
        problem={strapProblem && `${strapProblem.what} ${strapProblem.hint ?? ""}`}
        set={(to) => trials.set({ strap: to })}
        optional
      />
      <ol>
        <li>Warm up, then fix the strap so that it pulls square to the limb.</li>
        <li>Let the limb hang loose in it and zero the scale.</li>
        <li>
          Push for five seconds, as hard as goes without a jerk. Three trials at each angle, a minute of rest between.
        </li>
        <li>Stop at pain, and leave the angle out.</li>
      </ol>
      <TextInput
        label={`One trial a row: angle in °, best second in ${units.unit("force").name}`}
        value={rows}
        onChange={(to) => trials.set({ rows: to })}
        long
      />
      {started &&
        others.map((p) => (
          <p key={p.path + p.what} className="bad" role="alert">
            {p.path && <b>{p.path}: </b>}
            {p.what} {p.hint}
          </p>
        ))}
      {fit && fit.angles.length > 0 && (
        <table aria-label="Trials by angle">
          <thead>
            <tr>
              <th scope="col">angle</th>
              <th scope="col">trials</th>
              <th scope="col">apart by</th>
            </tr>
          </thead>
          <tbody className="mono">
            {fit.angles.map((a) => (
              <tr key={a.angleDeg} data-now={Math.abs(a.angleDeg - angle) < 3}>
                <td>{Math.round(a.angleDeg)}°</td>
                <td>{a.trials.length}</td>
                <td className={a.another ? "bad" : ""}>
                  {a.trials.length < 2 ? "–" : `${(100 * a.apart).toFixed(1)}%`}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </Box>
  );
}
