import { useState } from "react";
import styled from "styled-components";
import { DevicePicker, type Picked, usePicked } from "../../../measuring/DevicePicker";
import { TraceChart } from "../../../measuring/TraceChart";
import { Button } from "../../../ui/Button";
import { FileButton } from "../../../ui/FileButton";
import { Modal } from "../../../ui/Modal";
import { Select } from "../../../ui/Select";
import type { Activity } from "./useActivity";

const Box = styled.div`
  display: grid;
  gap: 12px;
  ul { list-style: none; padding: 0; }
  li { display: flex; align-items: center; gap: 6px; justify-content: space-between; }
  .head { display: grid; gap: 1px; }
  .row { display: flex; gap: 6px; flex-wrap: wrap; }
`;

type As = "strongest" | "reps";

/** The recordings: strongest contractions, by which the rest is counted, and the repetitions. */
export function Recordings({ activity }: { activity: Activity }) {
  const { strongest, reps } = activity;
  const [recording, setRecording] = useState<As | null>(null);
  const device = usePicked(); // stays connected from one recording to the next
  return (
    <Box>
      <div>
        <div className="head">
          <h2>Strongest contraction</h2>
          <small>Hold five seconds as hard as goes, twice: what counts as 100%.</small>
        </div>
        <ul>
          {strongest.map((r, i) => (
            <li key={r.slot}>
              <span>
                {i + 1}. {titleOf(r.opened.name, r.slot)}, {r.opened.seconds.toFixed(0)} s
              </span>
              <Button look="link" onPress={() => activity.drop(r.slot)} aria-label={`Remove recording ${i + 1}`}>
                Remove
              </Button>
            </li>
          ))}
        </ul>
        <Ways as="strongest" activity={activity} record={() => setRecording("strongest")} />
      </div>
      <div>
        <div className="head">
          <h2>Repetitions</h2>
          <small>
            {reps
              ? `${titleOf(reps.opened.name, reps.slot)}, ${reps.opened.seconds.toFixed(0)} s`
              : "With an angle channel, so that they can be cut and held against the range."}
          </small>
        </div>
        {reps?.opened.warnings.map((w) => (
          <p key={w} className="bad">
            {w}
          </p>
        ))}
        <Ways as="reps" activity={activity} record={() => setRecording("reps")} />
      </div>
      {recording && (
        <RecordDialog as={recording} activity={activity} device={device} close={() => setRecording(null)} />
      )}
    </Box>
  );
}

const titleOf = (name: string, slot: string) => (name === slot ? "recorded here" : name);

function Ways({ as, activity, record }: { as: As; activity: Activity; record: () => void }) {
  const what = as === "reps" ? "repetitions" : "a strongest contraction";
  return (
    <div className="row">
      <FileButton
        accept=".edf,.csv,.txt"
        label={`Open a file of ${what}`}
        open={(file) => void activity.open(as, file)}
      >
        Open a file
      </FileButton>
      <Button onPress={record} aria-label={`Record ${what}`}>
        Record
      </Button>
    </div>
  );
}

type RecordProps = { as: As; activity: Activity; device: Picked; close: () => void };

/** Records from a device, with one channel shown as it comes. */
function RecordDialog({ as, activity, device, close }: RecordProps) {
  const c = device.connection;
  const [shown, setShown] = useState("");
  const key = shown || c?.channels[0]?.key || "";
  const trace = c?.trace(key);
  const seconds = trace ? Math.max(0, trace.last()) : 0;
  const enough = seconds >= 1;
  const unit = c?.channels.find((x) => x.key === key)?.unit ?? "";
  const values = trace?.values() ?? new Float64Array();
  const most = values.reduce((a, b) => Math.max(a, Math.abs(b)), 10);
  return (
    <Modal title={as === "reps" ? "Record repetitions" : "Record a strongest contraction"} open onClose={close} wide>
      <p className="quiet">
        {as === "reps"
          ? "Begin at rest, do the repetitions at an even pace, end at rest."
          : "Rest two seconds, then push against what does not move for five seconds. Stop at pain."}
      </p>
      <DevicePicker label="Device" none="None" picked={device} />
      {c && c.channels.length > 1 && (
        <Select
          label="Shown"
          options={c.channels.map((x) => ({ key: x.key, label: x.key }))}
          value={key}
          onChange={(k) => setShown(String(k))}
        />
      )}
      {c && trace && (
        <TraceChart
          label={`${key} as it is recorded`}
          t={trace.times()}
          v={values}
          from={Math.max(0, seconds - 12)}
          to={Math.max(12, seconds)}
          low={-most}
          high={most}
          unit={unit}
          colour="--plum"
          marks={[]}
          height={200}
          version={trace.length}
        />
      )}
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Discard
        </Button>
        {c?.status !== "running" ? (
          <Button isDisabled={c?.status !== "ready"} onPress={() => c?.start()}>
            {enough ? "Start anew" : "Start"}
          </Button>
        ) : (
          <Button onPress={() => c.stop()}>Stop</Button>
        )}
        <Button
          look="strong"
          isDisabled={!c || !enough}
          onPress={() => {
            c?.stop();
            if (c) void activity.record(as, c);
            close();
          }}
        >
          Take {seconds.toFixed(0)} s
        </Button>
      </div>
    </Modal>
  );
}
