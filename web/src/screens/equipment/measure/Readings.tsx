import type { ReactNode } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Problem, Room } from "../../../engine/types";
import { Button } from "../../../ui/Button";
import { TextInput } from "../../../ui/Field";
import { Modal } from "../../../ui/Modal";
import type { Item } from "../fields";
import { Affected } from "./Affected";

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

/** A thing that is measured: what it is, the room with it changed, and what becomes of the measurement. */
export type MeasureProps = {
  core: Core;
  roomId: string;
  item: Item;
  roomWith: (item: Item) => Room;
  close: () => void;
  take: (item: Item) => void;
};

type Props = MeasureProps & {
  /** What to do, step by step. */
  steps: string[];
  /** What stands in each row, with units. */
  columns: string;
  text: string;
  setText: (text: string) => void;
  problems: Problem[];
  /** Devices that can write the readings. */
  devices: ReactNode;
  /** The thing as it was measured, once there is a fit. */
  measured: Item | undefined;
  children: ReactNode;
};

/** Steps to measure by, a place to type or paste the readings, beside it what they come to and change, and what becomes of that. */
export function Readings(props: Props) {
  const {
    core,
    roomId,
    item,
    roomWith,
    close,
    take,
    steps,
    columns,
    text,
    setText,
    problems,
    devices,
    measured,
    children,
  } = props;
  const open = async (file: File | undefined) => file && setText(await file.text());
  return (
    <Modal title={`Measure ${item.name}`} open onClose={close} wide>
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
            {devices}
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
            {measured && (
              <Affected core={core} roomId={roomId} item={item.key} name={item.name} room={roomWith(measured)} />
            )}
          </div>
        </div>
      </Box>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Discard
        </Button>
        <Button look="strong" isDisabled={!measured} onPress={() => measured && take(measured)}>
          Use these
        </Button>
      </div>
    </Modal>
  );
}
