import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import styled from "styled-components";
import { changed } from "../../api/changed";
import { isOutage, Refused } from "../../api/client";
import type { Failure, ImportAnswer, Problem, RecordAnswer } from "../../engine/types";
import { download } from "../../share/file";
import { type Units, useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Modal } from "../../ui/Modal";
import { notify } from "../../ui/Notices";

const Look = styled.div`
  display: grid;
  gap: 8px;
  label { display: grid; gap: 4px; color: var(--quiet); font-size: 12px; }
  .scroll { max-height: 34vh; overflow: auto; border: 1px solid var(--line); border-radius: 6px; }
  table { border-collapse: collapse; width: 100%; }
  th, td { text-align: left; padding: 4px 10px; border-bottom: 1px solid var(--line); }
  th { color: var(--quiet); font-weight: 500; position: sticky; top: 0; background: var(--sheet); }
  ul { padding-left: 0; list-style: none; max-height: 40vh; overflow: auto; display: grid; gap: 4px; }
  li b { font-weight: 600; }
  .told { color: var(--brick); }
`;

/** What a file holds: a list of lifters, or all that was kept of one. */
type Seen = { lifters: ImportAnswer; record?: undefined } | { record: RecordAnswer; lifters?: undefined };

/** Sends a file to be looked at, or to be stored. */
async function send(file: Blob, write: boolean): Promise<Seen> {
  const whole = (await file.slice(0, 400).text()).includes('"dialarc.record/');
  const response = await fetch(`${whole ? "/api/records" : "/api/lifters/import"}?write=${write}`, {
    method: "POST",
    headers: { "Content-Type": whole ? "application/json" : "application/octet-stream" },
    body: file,
  });
  const answer = await response.json();
  if (!response.ok) throw new Refused({ ...(answer as Failure), status: response.status });
  return whole ? { record: answer as RecordAnswer } : { lifters: answer as ImportAnswer };
}

const many = (n: number, what: string) => `${n} ${n === 1 ? what : `${what}s`}`;

/** The first row of a table of lifters, in the coach's units. */
const template = (units: Units) => {
  const [length, mass] = [units.unit("length").name, units.unit("mass").name];
  return `name,height (${length}),bodyMass (${mass}),upperArm (${length}),forearm (${length}),notes\n`;
};

/** Lifters from a file: first a look at what it holds, then all of them or none. */
export function ImportLifters({ close }: { close: () => void }) {
  const cache = useQueryClient();
  const units = useUnits();
  const [file, setFile] = useState<File | null>(null);
  const [seen, setSeen] = useState<Seen | null>(null);
  const [problems, setProblems] = useState<Problem[]>([]);
  const [busy, setBusy] = useState(false);
  const run = async (from: File, write: boolean) => {
    setBusy(true);
    setProblems([]);
    try {
      const answer = await send(from, write);
      setSeen(answer);
      if (!write) return;
      await changed(cache, "lifters");
      const added = answer.lifters?.total ?? 1;
      notify(added === 1 ? "One lifter was added." : `${added} lifters were added.`);
      close();
    } catch (error) {
      setSeen(null);
      setProblems(
        error instanceof Refused && !isOutage(error)
          ? (error.failure.problems ?? [{ path: "", what: error.message }])
          : [{ path: "", what: "The server does not answer.", hint: "Nothing was written; try again." }],
      );
    } finally {
      setBusy(false);
    }
  };
  return (
    <Modal title="Import lifters" open onClose={close}>
      <Look>
        <label>
          A JSON file as the sheets keep it, a whole record, or a CSV table with the columns name, height and body mass
          (or other words for them, with units as in height (cm); else metres, kilograms)
          <input
            type="file"
            accept=".json,.csv,.txt,application/json,text/csv"
            onChange={(e) => {
              const picked = e.target.files?.[0] ?? null;
              setFile(picked);
              setSeen(null);
              if (picked) void run(picked, false);
            }}
          />
        </label>
        <p>
          <Button
            look="link"
            onPress={() => download("lifters.csv", new Blob([template(units)], { type: "text/csv" }))}
          >
            Download an empty table to fill in
          </Button>
        </p>
        {busy && <p role="status">Reading …</p>}
        {problems.length > 0 && (
          <>
            <p className="told">Nothing was imported. To fix in the file:</p>
            <ul role="alert">
              {problems.map((p) => (
                <li key={p.path + p.what}>
                  {p.path && <b>{p.path}: </b>}
                  {p.what} {p.hint}
                </li>
              ))}
            </ul>
          </>
        )}
        {seen?.record && <Whole record={seen.record} />}
        {seen?.lifters && <Listed answer={seen.lifters} />}
      </Look>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Cancel
        </Button>
        <Button look="strong" isDisabled={!seen || !file || busy} onPress={() => file && void run(file, true)}>
          {seen?.lifters && seen.lifters.total > 1 ? `Add all ${seen.lifters.total}` : "Add"}
        </Button>
      </div>
    </Modal>
  );
}

/** What a record of one lifter holds. */
function Whole({ record: r }: { record: RecordAnswer }) {
  return (
    <p>
      The record of {r.name}: {many(r.setups, "setup")}, {many(r.blocks, "plan")}, {many(r.sessions, "session")} with{" "}
      {many(r.sets, "set")}.
      {r.known && ` A lifter called ${r.name} is here already and stays as it is; the record is added beside it.`}
    </p>
  );
}

/** How many lifters a list holds, and the first of them. */
function Listed({ answer: seen }: { answer: ImportAnswer }) {
  const units = useUnits();
  return (
    <>
      <p>
        {seen.total === 1 ? "One lifter" : `${seen.total} lifters`}
        {seen.known > 0 && `; ${seen.known} of them have the name of a lifter who is here already`}.
      </p>
      <div className="scroll">
        <table>
          <thead>
            <tr>
              <th scope="col">Name</th>
              <th scope="col">Height</th>
              <th scope="col">Body mass</th>
              <th scope="col">Lengths</th>
            </tr>
          </thead>
          <tbody>
            {(seen.first ?? []).map((p, i) => (
              <tr key={i}>
                <td>{p.name}</td>
                <td className="mono">{units.text(p.body.height, "length")}</td>
                <td className="mono">{units.text(p.body.bodyMass, "mass")}</td>
                <td className="mono">{Object.keys(p.body.lengths ?? {}).length}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {seen.total > seen.first.length && <p>and {seen.total - seen.first.length} more.</p>}
    </>
  );
}
