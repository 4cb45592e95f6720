import { useMemo, useState } from "react";
import type { StackFit } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { today } from "../../plan/planEdits";
import type { Item } from "../fields";
import { type MeasureProps, Readings } from "./Readings";
import { StackDevice } from "./StackDevice";
import { hungText, scaleUnit } from "./scaleUnit";

/** A cable station's stack is raised and lowered at several pins, and what a scale at the handle shows is written down. */
export function MeasureStack(props: MeasureProps) {
  const { core, item } = props;
  const units = useUnits();
  const [text, setText] = useState("");
  const scale = scaleUnit(units);
  const mass = units.unit("mass");
  const { ok: fit, problems = [] } = useMemo(
    () => core.measureStack(text, 1 / mass.factor, scale.newtons),
    [core, text, mass.factor, scale.newtons],
  );
  const percent = (x: number) => `${(100 * x).toFixed(1)}%`;
  const off = (m: { value: number | null }) => (m.value == null ? "" : ` ± ${percent(m.value)}`);
  return (
    <Readings
      {...props}
      measured={fit && withFit(item, fit)}
      steps={[
        "Hook a scale between the cable and your hand, and set the pulley so that the cable runs straight to you.",
        "At three pins or more, light to heavy: raise the stack slowly and evenly and read the scale while it rises, then while it sinks.",
        "Keep the plates off their rest while you read.",
      ]}
      columns={`pin in ${mass.name}, pull going up and going down in ${scale.name}`}
      text={text}
      setText={setText}
      devices={
        <StackDevice
          core={core}
          add={(row) => setText((before) => (before.trim() === "" ? row : `${before.trimEnd()}\n${row}`))}
        />
      }
      problems={problems}
    >
      {fit && (
        <>
          <dl>
            <dt>Of the stack at the handle</dt>
            <dd className="mono">{percent(Number(item.ratio))} before</dd>
            <dd className="now mono">
              {percent(fit.ratio)}
              {off(fit.ratioOff)}
            </dd>
            <dt>Lost in the pulleys</dt>
            <dd className="mono">{percent(Number(item.friction))} before</dd>
            <dd className="now mono">
              {percent(fit.friction)}
              {off(fit.frictionOff)}
            </dd>
            <dt>Scatter about the line</dt>
            <dd />
            <dd className="now mono">{hungText(fit.residual, units)}</dd>
          </dl>
          {fit.ratioOff.value == null && <p className="quiet">{fit.ratioOff.why}</p>}
          <p className="quiet">{beside(fit, (kg) => units.text(kg, "mass"))}</p>
        </>
      )}
    </Readings>
  );
}

/** The station with what was measured of it. */
function withFit(item: Item, fit: StackFit): Item {
  const spread = fit.ratioOff.value == null ? 0 : fit.ratioOff.value / fit.ratio;
  return { ...item, ratio: fit.ratio, friction: fit.friction, measured: { day: today(), spread } };
}

/** What hangs on every pin beside its label. */
function beside(fit: StackFit, mass: (kg: number) => string): string {
  const [kg, off] = [fit.unlabelled.value ?? 0, fit.unlabelledOff.value];
  if (off == null || Math.abs(kg) <= off) return "The pins are what their labels say, as far as these readings tell.";
  return kg > 0
    ? `Every pin is about ${mass(kg)} heavier than its label: the carriage, or the handle, is not counted on it.`
    : `Every pin is about ${mass(-kg)} lighter than its label. Check the labels, or whether the scale starts at nothing.`;
}
