import { useState } from "react";
import type { Core } from "../../../engine/core";
import { DevicePicker, usePicked } from "../../../measuring/DevicePicker";
import { useFactor, wrongUnit } from "../../../measuring/useFactor";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { Disclosure } from "../../../ui/Disclosure";
import { QuantityEntry } from "../../../ui/Entry";
import { DeviceBox, now } from "./BandDevices";

type Props = { core: Core; setText: (to: (before: string) => string) => void };

/** A load cell, and an inclinometer if there is one: each press writes down what they read over the last second. */
export function HeldDevice({ core, setText }: Props) {
  return (
    <Disclosure title="Read it from a device" name="device of a machine">
      <Held core={core} setText={setText} />
    </Disclosure>
  );
}

function Held({ core, setText }: Props) {
  const { name, factor } = useUnits().unit("force");
  const cell = usePicked();
  const level = usePicked();
  const [angle, setAngle] = useState<number | undefined>();
  const [c, l] = [cell.connection, level.connection];
  const inNewtons = useFactor(core, c, "force");
  const bad = c && inNewtons === null && wrongUnit(c, "force", "N, kg or lb");
  const seen = l?.status === "running" ? l.trace()?.now(50) : undefined;
  const at = seen ?? angle;
  const pull = c?.trace()?.now(50);
  const running = c?.status === "running";
  const take = () => {
    if (at === undefined || pull === undefined) return;
    const row = `${at.toFixed(1)}\t${(pull * (inNewtons ?? 1) * factor).toFixed(2)} ${name}`;
    setText((before) => (before.trim() === "" ? row : `${before.trimEnd()}\n${row}`));
  };
  return (
    <DeviceBox>
      <DevicePicker label="Load cell" none="None" picked={cell} />
      <DevicePicker label="Inclinometer" none="None: the angle is typed" picked={level} />
      {c && (
        <>
          {!l && <QuantityEntry label="Angle" kind="angle" digits={0} value={angle} set={setAngle} optional />}
          <b className="mono" role="status">
            {now(c, (inNewtons ?? 1) * factor, name)}
            {seen !== undefined && `, ${seen.toFixed(0)}°`}
          </b>
          {!running ? (
            <Button
              look="strong"
              isDisabled={c.status !== "ready" || !!bad}
              onPress={() => {
                c.start();
                l?.start();
              }}
            >
              Start
            </Button>
          ) : (
            <Button look="strong" isDisabled={at === undefined || pull === undefined} onPress={take}>
              Take this reading
            </Button>
          )}
          <Button isDisabled={!running} onPress={() => c.tare()}>
            Zero
          </Button>
          <small>Zero the cell while nothing pulls. Hold still for a second before each reading.</small>
        </>
      )}
      {bad && (
        <p className="told" role="alert">
          {bad}
        </p>
      )}
    </DeviceBox>
  );
}
