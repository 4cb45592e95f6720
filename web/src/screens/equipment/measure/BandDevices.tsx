import { useState } from "react";
import styled from "styled-components";
import type { Core } from "../../../engine/core";
import type { Connection } from "../../../measuring/connection";
import { DevicePicker, usePicked } from "../../../measuring/DevicePicker";
import { traceOf, useFactor, wrongUnit } from "../../../measuring/useFactor";
import { useUnits } from "../../../state/units";
import { Button } from "../../../ui/Button";
import { Disclosure } from "../../../ui/Disclosure";

export const DeviceBox = styled.div`
  display: grid;
  gap: 8px;
  b { font-size: 15px; }
`;

type Props = { core: Core /** Takes the readings, one a row in the coach's units. */; write: (rows: string) => void };

/** Tape and load cell read a band together: draw it out slowly and let it back. */
export function BandDevices({ core, write }: Props) {
  return (
    <Disclosure title="Read it from devices" name="devices of a band">
      <Both core={core} write={write} />
    </Disclosure>
  );
}

function Both({ core, write }: Props) {
  const units = useUnits();
  const [wrong, setWrong] = useState("");
  const tape = usePicked();
  const cell = usePicked();
  const inMetres = useFactor(core, tape.connection, "length");
  const inNewtons = useFactor(core, cell.connection, "force");
  const [t, c] = [tape.connection, cell.connection];
  const bad =
    (t && inMetres === null && wrongUnit(t, "length", "m, cm or in")) ||
    (c && inNewtons === null && wrongUnit(c, "force", "N, kg or lb"));
  const running = t?.status === "running" || c?.status === "running";
  const ready = t?.status === "ready" && c?.status === "ready" && !bad;
  const finish = () => {
    if (!t || !c) return;
    t.stop();
    c.stop();
    const { ok, problems } = core.bandTraces(traceOf(t, inMetres ?? 1), traceOf(c, inNewtons ?? 1));
    setWrong(problems?.map((p) => `${p.what} ${p.hint ?? ""}`).join(" ") ?? "");
    const [length, force] = [units.unit("length"), units.unit("force")];
    const rows = (ok ?? []).map(
      (r) =>
        `${(r.length * length.factor).toFixed(1)} ${length.name}\t${(r.force * force.factor).toFixed(2)} ${force.name}`,
    );
    if (rows.length > 0) write(rows.join("\n"));
  };
  return (
    <DeviceBox>
      <DevicePicker label="Tape" none="None" picked={tape} />
      <DevicePicker label="Load cell" none="None" picked={cell} />
      {t && c && (
        <>
          <b className="mono" role="status">
            {now(t, (inMetres ?? 1) * units.unit("length").factor, units.unit("length").name)},{" "}
            {now(c, (inNewtons ?? 1) * units.unit("force").factor, units.unit("force").name)}
          </b>
          {running ? (
            <Button look="strong" onPress={finish}>
              Stop and take the readings
            </Button>
          ) : (
            <Button
              look="strong"
              isDisabled={!ready}
              onPress={() => {
                t.start();
                c.start();
              }}
            >
              Start
            </Button>
          )}
          <small>Keep still for a second, then draw the band out slowly and let it back, once or twice.</small>
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

/** What a device reads now. */
export function now(c: Connection, factor: number, unit: string): string {
  const value = c.trace()?.now(10);
  return value === undefined ? `– ${unit}` : `${(value * factor).toFixed(1)} ${unit}`;
}
