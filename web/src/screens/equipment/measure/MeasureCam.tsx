import { useMemo, useState } from "react";
import type { CamFit } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { QuantityEntry } from "../../../ui/Entry";
import { today } from "../../plan/planEdits";
import type { Item } from "../fields";
import { HeldDevice } from "./HeldDevice";
import { type MeasureProps, Readings } from "./Readings";
import { ReadingsChart } from "./ReadingsChart";
import { scaleUnit } from "./scaleUnit";

/** A machine's pad is held still at several angles against a known pin. */
export function MeasureCam(props: MeasureProps) {
  const { core, item } = props;
  const units = useUnits();
  const [text, setText] = useState("");
  const [pin, setPin] = useState<number | undefined>(Number(item.lightest) + 4 * Number(item.step));
  const [pad, setPad] = useState<number | undefined>(Number(item.padFrom));
  const scale = scaleUnit(units);
  const { ok: fit, problems = [] } = useMemo(
    () => core.measureCam(text, scale.newtons, pin ?? 0, Number(item.ratio), pad ?? 0),
    [core, text, scale.newtons, pin, item.ratio, pad],
  );
  const percent = fit?.spread.value == null ? "" : ` ± ${(100 * fit.spread.value).toFixed(1)}%`;
  return (
    <Readings
      {...props}
      measured={fit && withFit(item, fit)}
      steps={[
        "Put the pin at a middle weight, and hook a scale to the pad so that it pulls square to the machine's arm.",
        "Hold the plates off their rest at five angles or more over the range, and read the scale while nothing moves. Twice each is better.",
        "Angles are those of the joint when its limb lies in line with the arm.",
      ]}
      columns={`angle in °, pull in ${scale.name}`}
      text={text}
      setText={setText}
      problems={problems}
      devices={<HeldDevice core={core} setText={setText} />}
    >
      <QuantityEntry label="Pin" kind="mass" digits={2} value={pin} set={setPin} optional />
      <QuantityEntry label="Axis to where the scale pulls" kind="length" digits={1} value={pad} set={setPad} optional />
      {fit && (
        <>
          <ReadingsChart
            label="Moment arm of the stack over the angle"
            x={{ kind: "angle", label: "angle" }}
            y={{ kind: "length", label: "moment arm" }}
            readings={fit.table.map((p) => ({ x: p.angleDeg, y: p.arm, back: false }))}
            lines={[
              { name: "now", colour: "var(--ember)", places: fit.table.map((p) => ({ x: p.angleDeg, y: p.arm })) },
              {
                name: "before",
                colour: "var(--slate)",
                dash: "6 4",
                places: tableOf(item).map((p) => ({ x: p.angleDeg, y: p.arm })),
              },
            ]}
          />
          <p className="quiet">
            {fit.table.length} angles{percent}. {fit.spread.value == null && fit.spread.why}
          </p>
        </>
      )}
    </Readings>
  );
}

const tableOf = (item: Item) => (item.table as CamFit["table"] | undefined) ?? [];

/** The machine with what was measured of it. */
const withFit = (item: Item, fit: CamFit): Item => ({
  ...item,
  table: fit.table,
  measured: { day: today(), spread: fit.spread.value ?? 0 },
});
