import { useMemo } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Effect, FitChange, Fitted, SetupDocument } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { StatusIcon } from "../../ui/StatusIcon";

const Told = styled.div`
  display: grid;
  gap: 6px;
  h3 { font-size: 12px; color: var(--quiet); font-weight: 600; }
  ul { list-style: none; padding: 0; margin: 0; display: grid; gap: 4px; max-height: 34vh; overflow: auto; }
  li { display: flex; gap: 8px; }
  table { border-collapse: collapse; width: 100%; }
  th, td { text-align: left; padding: 3px 8px 3px 0; border-bottom: 1px solid var(--line); }
  th { color: var(--quiet); font-weight: 500; }
`;

type Props = {
  core: Core;
  text: string;
  room: string; // its name
  fitted: Fitted;
  apply: (document: SetupDocument) => void;
  close: () => void;
};

/** What has to change for a setup to be done in a room, what the room lacks, and what that does to the torque. */
export function FitDialog({ core, text, room, fitted, apply, close }: Props) {
  const effects = useMemo(
    () => [core.effect(text).ok, core.effect(JSON.stringify(fitted.document)).ok] as const,
    [core, text, fitted],
  );
  return (
    <Modal title={`In ${room}`} open onClose={close}>
      <Told>
        {fitted.missing.length > 0 && (
          <>
            <h3>Missing</h3>
            <Changes list={fitted.missing} tone="error" />
          </>
        )}
        {fitted.changes.length > 0 ? (
          <>
            <h3>Changes</h3>
            <Changes list={fitted.changes} tone="warning" />
          </>
        ) : (
          fitted.missing.length === 0 && <p>The gym has everything, just as in the setup.</p>
        )}
        <Effects before={effects[0]} after={effects[1]} />
      </Told>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button
          look="strong"
          onPress={() => {
            apply(fitted.document);
            close();
          }}
        >
          {fitted.missing.length > 0 ? "Adapt as far as possible" : "Adapt to this gym"}
        </Button>
      </div>
    </Modal>
  );
}

function Changes({ list, tone }: { list: FitChange[]; tone: "error" | "warning" }) {
  const units = useUnits();
  return (
    <ul>
      {list.map((c) => (
        <li key={c.path + c.text}>
          <StatusIcon tone={tone} />
          <span>{units.sentence(c.text, c.values)}</span>
        </li>
      ))}
    </ul>
  );
}

/** The numbers before and after, side by side. */
function Effects({ before, after }: { before: Effect | undefined; after: Effect | undefined }) {
  const units = useUnits();
  if (!before || !after) return null;
  const percent = (v: number) => `${Math.round(v * 100)} %`;
  const rows: [string, (e: Effect) => string][] = [
    ["Fit", (e) => (e.fit.value == null ? "–" : e.fit.value.toFixed(0))],
    ["Peak torque", (e) => (e.peak.value == null ? "–" : units.text(e.peak.value, "torque"))],
    ["Peak effort", (e) => (e.effort.value == null ? "–" : percent(e.effort.value))],
    ["Loaded", (e) => e.phase || "–"],
  ];
  const stop = after.stop && after.stop !== before.stop ? after.stop : null;
  return (
    <>
      <table>
        <thead>
          <tr>
            <th scope="col">Effect</th>
            <th scope="col">before</th>
            <th scope="col">after</th>
          </tr>
        </thead>
        <tbody>
          {rows.map(([label, of]) => (
            <tr key={label}>
              <td>{label}</td>
              <td className="mono">{of(before)}</td>
              <td className="mono">{of(after)}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {stop && (
        <p role="alert">
          <StatusIcon tone="error" /> {stop}
        </p>
      )}
    </>
  );
}
