import type { ReactNode } from "react";
import styled from "styled-components";
import type { Problem } from "../../../engine/types";
import { Button } from "../../../ui/Button";
import { TextInput } from "../../../ui/Field";

const Box = styled.div`
  display: grid;
  gap: 10px;
  ol { padding-left: 18px; display: grid; gap: 2px; }
  .parts { display: grid; grid-template-columns: 220px minmax(0, 1fr); gap: 16px; align-items: start; }
  textarea { font-family: "Spline Sans Mono Variable", monospace; min-height: 220px; resize: vertical; }
  .found { display: grid; gap: 10px; min-height: 240px; align-content: start; }
  dl { display: grid; grid-template-columns: minmax(0, 1fr) auto auto; gap: 4px 14px; margin: 0; align-items: baseline; }
  dt { color: var(--quiet); }
  dd { margin: 0; text-align: right; }
  dd.now { font-weight: 600; }
  .told { color: var(--brick); }
  small, .quiet { color: var(--quiet); font-size: 12px; line-height: 16px; }
  @media (max-width: 700px) { .parts { grid-template-columns: minmax(0, 1fr); } }
`;

type Props = {
  /** What to do, step by step. */
  steps: string[];
  /** What stands in each row, with units. */
  columns: string;
  text: string;
  setText: (text: string) => void;
  problems: Problem[];
  children: ReactNode;
};

/** Steps to measure by, a place to type or paste the readings, and beside it what they come to. */
export function Readings({ steps, columns, text, setText, problems, children }: Props) {
  const open = async (file: File | undefined) => file && setText(await file.text());
  return (
    <Box>
      <ol>
        {steps.map((s) => (
          <li key={s}>{s}</li>
        ))}
      </ol>
      <div className="parts">
        <div>
          <TextInput label={`One reading a row: ${columns}`} value={text} onChange={setText} long autoFocus />
          <label>
            <small>Or a table from a file: </small>
            <input type="file" accept=".csv,.txt,text/csv" onChange={(e) => void open(e.target.files?.[0])} />
          </label>
        </div>
        <div className="found">
          {text.trim() === "" && <p className="quiet">What the readings come to is shown here as you type.</p>}
          {text.trim() !== "" &&
            problems.map((p) => (
              <p key={p.path + p.what} className="told" role="alert">
                {p.path && <b>{p.path}: </b>}
                {p.what} {p.hint}
              </p>
            ))}
          {children}
        </div>
      </div>
    </Box>
  );
}

/** What ends the measurement: it is taken over, or put away. */
export function Ending({ ready, close, take }: { ready: boolean; close: () => void; take: () => void }) {
  return (
    <div className="actions">
      <Button look="quiet" onPress={close}>
        Discard
      </Button>
      <Button look="strong" isDisabled={!ready} onPress={take}>
        Use these
      </Button>
    </div>
  );
}
