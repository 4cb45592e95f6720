import styled from "styled-components";
import { Button } from "../ui/Button";
import { Modal } from "../ui/Modal";
import type { useSaving } from "./useSaving";

const Table = styled.table`
  border-collapse: collapse;
  width: 100%;
  th, td { text-align: left; padding: 4px 8px 4px 0; border-bottom: 1px solid var(--line); vertical-align: top; word-break: break-word; }
  th { color: var(--quiet); font-weight: 500; }
`;

type Props<D> = {
  what: string;
  mine: D;
  saving: ReturnType<typeof useSaving<D>>;
  replace: (document: D) => void;
};

/** What is open was saved elsewhere in the meantime: both states, and the coach keeps either. */
export function Conflict<D>({ what, mine, saving, replace }: Props<D>) {
  if (saving.state.kind !== "conflict") return null;
  const { theirs } = saving.state;
  const keepMine = () => void saving.keepMine(theirs.version);
  const takeTheirs = () => {
    saving.takeTheirs(theirs);
    replace(theirs.document);
  };
  const later = saving.later;
  const rows = differences(mine, theirs.document);
  return (
    <Modal title={`This ${what} was changed elsewhere`} open onClose={later}>
      <p>
        Version {theirs.version} was saved at {new Date(theirs.updatedAt).toLocaleTimeString()}. What differs:
      </p>
      <Table>
        <thead>
          <tr>
            <th>Setting</th>
            <th>Here</th>
            <th>Saved</th>
          </tr>
        </thead>
        <tbody>
          {rows.slice(0, 12).map(([path, a, b]) => (
            <tr key={path}>
              <td>{path}</td>
              <td className="mono">{a}</td>
              <td className="mono">{b}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      {rows.length === 0 && <p>Only the version number.</p>}
      {rows.length > 12 && <p>and {rows.length - 12} more.</p>}
      <div className="actions">
        <Button look="quiet" onPress={later}>
          Decide later
        </Button>
        <Button onPress={takeTheirs}>Use the saved version</Button>
        <Button look="strong" onPress={keepMine}>
          Keep mine
        </Button>
      </div>
      <p style={{ color: "var(--quiet)" }}>You can undo this.</p>
    </Modal>
  );
}

/** The places at which two documents differ, with both values. */
function differences(a: unknown, b: unknown, path = ""): [string, string, string][] {
  if (a && b && typeof a === "object" && typeof b === "object") {
    const keys = new Set([...Object.keys(a), ...Object.keys(b)]);
    return [...keys].flatMap((k) =>
      differences((a as Record<string, unknown>)[k], (b as Record<string, unknown>)[k], path ? `${path}.${k}` : k),
    );
  }
  const text = (v: unknown) => (v === undefined ? "–" : typeof v === "object" ? JSON.stringify(v) : String(v));
  return a === b ? [] : [[path, text(a), text(b)]];
}
