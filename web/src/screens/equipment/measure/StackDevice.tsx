import { useState } from "react";
import type { Core } from "../../../engine/core";
import { DevicePicker, usePicked } from "../../../measuring/DevicePicker";
import { traceOf, useFactor, wrongUnit } from "../../../measuring/useFactor";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { Disclosure } from "../../../ui/Disclosure";
import { QuantityEntry } from "../../../ui/Entry";
import { DeviceBox, now } from "./BandDevices";

type Props = { core: Core /** Takes one pin's reading as a row. */; add: (row: string) => void };

/** A load cell at the handle reads a station pin by pin, while the stack is raised and lowered. */
export function StackDevice({ core, add }: Props) {
  return (
    <Disclosure title="Read it from a device" name="device of a station">
      <Pins core={core} add={add} />
    </Disclosure>
  );
}

function Pins({ core, add }: Props) {
  const units = useUnits();
  const [pin, setPin] = useState<number | undefined>();
  const [wrong, setWrong] = useState("");
  const cell = usePicked();
  const c = cell.connection;
  const inNewtons = useFactor(core, c, "force");
  const force = units.unit("force");
  const bad = c && inNewtons === null && wrongUnit(c, "force", "N, kg or lb");
  const finish = () => {
    if (!c || pin === undefined) return;
    c.stop();
    const { ok, problems } = core.stackTrace(pin, traceOf(c, inNewtons ?? 1));
    setWrong(problems?.map((p) => `${p.what} ${p.hint ?? ""}`).join(" ") ?? "");
    if (!ok) return;
    const pull = (n: number) => `${(n * force.factor).toFixed(2)} ${force.name}`;
    add(`${units.text(pin, "mass")}\t${pull(ok.up)}\t${pull(ok.down)}`);
    setPin(undefined);
  };
  return (
    <DeviceBox>
      <DevicePicker label="Load cell" none="None" picked={cell} />
      {c && (
        <>
          <QuantityEntry label="Pin" kind="mass" digits={2} value={pin} set={setPin} optional />
          <b className="mono" role="status">
            {now(c, (inNewtons ?? 1) * force.factor, force.name)}
          </b>
          {c.status === "running" ? (
            <Button look="strong" onPress={finish}>
              Stop and take the reading
            </Button>
          ) : (
            <Button
              look="strong"
              isDisabled={c.status !== "ready" || !!bad || pin === undefined}
              onPress={() => c.start()}
            >
              Start this pin
            </Button>
          )}
          <small>Keep still for a second, then raise and lower the stack slowly, three times.</small>
        </>
      )}
      {(bad || wrong) && (
        <p className="told" role="alert">
          {bad || wrong}
        </p>
      )}
    </DeviceBox>
  );
}
