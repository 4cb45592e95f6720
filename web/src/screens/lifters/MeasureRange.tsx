import { useState } from "react";
import styled from "styled-components";
import type { CoordinateInfo } from "../../engine/types";
import { DevicePicker, usePicked } from "../../measuring/DevicePicker";
import { Button } from "../../ui/Button";
import { QuantityEntry } from "../../ui/Entry";
import { Modal } from "../../ui/Modal";
import { Segments, Select } from "../../ui/Select";

const Box = styled.div`
  display: grid;
  gap: 12px;
  ol { padding-left: 18px; display: grid; gap: 2px; }
  .now { font-size: 26px; line-height: 32px; }
  .ends { display: grid; grid-template-columns: repeat(auto-fit, minmax(150px, 1fr)); gap: 12px; align-items: end; }
  small { color: var(--quiet); font-size: 12px; line-height: 16px; }
`;

/** What was read of a range, degrees. */
export type RangeRead = { fromDeg?: number; toDeg?: number; painDeg?: number };

type Props = {
  coordinates: CoordinateInfo[];
  close: () => void;
  take: (c: CoordinateInfo, read: RangeRead, how: string) => void;
};

const ends = [
  { key: "fromDeg", label: "Least" },
  { key: "toDeg", label: "Most" },
  { key: "painDeg", label: "Pain begins" },
] as const;

/** Reads the ends of a range off an inclinometer, or takes them typed; side and warm-up go into the note. */
export function MeasureRange({ coordinates, close, take }: Props) {
  const [key, setKey] = useState("shoulder.elevation");
  const [side, setSide] = useState("right");
  const [warm, setWarm] = useState("warm");
  const [read, setRead] = useState<RangeRead>({});
  const device = usePicked();
  const c = device.connection;
  const running = c?.status === "running";
  const seen = running ? c.trace()?.now(25) : undefined;
  const coordinate = coordinates.find((x) => x.key === key);
  const wrong =
    read.fromDeg !== undefined && read.toDeg !== undefined && read.fromDeg >= read.toDeg
      ? "The least is not below the most: swap them."
      : undefined;
  const none = Object.values(read).every((x) => x === undefined);
  return (
    <Modal title="Measure a range" open onClose={close} wide>
      <Box>
        <ol>
          <li>Strap the inclinometer to the limb that moves, or read a goniometer and type what it says.</li>
          <li>Move slowly to where the joint goes by itself, without help and without leaning. Stop where it hurts.</li>
        </ol>
        <div className="ends">
          <Select
            label="Joint"
            options={coordinates.map((x) => ({ key: x.key, label: `${x.label[0]?.toUpperCase()}${x.label.slice(1)}` }))}
            value={key}
            onChange={(k) => {
              setKey(String(k));
              setRead({});
            }}
          />
          <Segments
            label="Side"
            options={[
              { key: "right", label: "Right" },
              { key: "left", label: "Left" },
            ]}
            value={side}
            onChange={setSide}
          />
          <Segments
            label="Warm-up"
            options={[
              { key: "warm", label: "Warm" },
              { key: "cold", label: "Cold" },
            ]}
            value={warm}
            onChange={setWarm}
          />
        </div>
        <DevicePicker label="Inclinometer" none="None: angles are typed" picked={device} />
        {c && (
          <div className="ends">
            <span className="now mono" role="status">
              {seen === undefined ? "– °" : `${seen.toFixed(0)}°`}
            </span>
            <Button isDisabled={c.status !== "ready" && !running} onPress={() => (running ? c.stop() : c.start())}>
              {running ? "Stop" : "Start"}
            </Button>
          </div>
        )}
        <div className="ends">
          {ends.map((end) => (
            <span key={end.key}>
              <QuantityEntry
                label={end.label}
                kind="angle"
                digits={0}
                value={read[end.key]}
                problem={end.key === "toDeg" ? wrong : undefined}
                set={(value) => setRead({ ...read, [end.key]: value })}
                optional
              />
              {c && (
                <Button
                  look="link"
                  aria-label={`${end.label}: take what the inclinometer reads`}
                  isDisabled={seen === undefined}
                  onPress={() => seen !== undefined && setRead({ ...read, [end.key]: Math.round(seen) })}
                >
                  Take {seen === undefined ? "" : `${seen.toFixed(0)}°`}
                </Button>
              )}
            </span>
          ))}
        </div>
        <small>
          One range stands for both sides: give that of the side that has less. The usual is {coordinate?.ownFrom}° to{" "}
          {coordinate?.ownTo}°.
        </small>
      </Box>
      <div className="actions">
        <Button look="quiet" onPress={close}>
          Discard
        </Button>
        <Button
          look="strong"
          isDisabled={none || !!wrong || !coordinate}
          onPress={() => coordinate && take(coordinate, read, `${side}, ${warm}`)}
        >
          Use these
        </Button>
      </div>
    </Modal>
  );
}
