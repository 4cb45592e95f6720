import { useMemo, useState } from "react";
import type { LeverFit } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { QuantityEntry } from "../../../ui/Entry";
import { today } from "../../plan/planEdits";
import type { Item } from "../fields";
import { HeldDevice } from "./HeldDevice";
import { type MeasureProps, Readings } from "./Readings";
import { hungText, scaleUnit } from "./scaleUnit";

/** A bare lever is held still level and at other angles: where its own weight acts. */
export function MeasureLever(props: MeasureProps) {
  const { core, item } = props;
  const units = useUnits();
  const [text, setText] = useState("");
  const [mass, setMass] = useState<number | undefined>(Number(item.leverMass) || undefined);
  const scale = scaleUnit(units);
  const handle = Number(item.handleRadius);
  const { ok: fit, problems = [] } = useMemo(
    () => core.measureLever(text, scale.newtons, mass ?? 1, handle),
    [core, text, scale.newtons, mass, handle],
  );
  const off = fit?.off.value == null ? "" : ` ± ${units.number(fit.off.value, "length", 1)}`;
  return (
    <Readings
      {...props}
      measured={fit && withFit(item, fit, mass)}
      steps={[
        `Take all plates off. The handle is taken to be ${units.text(handle, "length")} from the axis.`,
        "Hook a scale to the handle so that it pulls square to the lever, and hold it level: read the scale while nothing moves.",
        "Do the same twenty degrees or more above and below. Angles above level are positive.",
      ]}
      columns={`angle from level in °, pull in ${scale.name}`}
      text={text}
      setText={setText}
      problems={problems}
      devices={<HeldDevice core={core} setText={setText} />}
    >
      <QuantityEntry
        label="Mass of the bare lever, if it is known"
        kind="mass"
        digits={1}
        value={mass}
        set={setMass}
        optional
      />
      {fit && mass === undefined && (
        <>
          <dl>
            <dt>Bare lever</dt>
            <dd className="mono">{units.text(Number(item.leverMass), "mass")} before</dd>
            <dd className="now mono">{units.text(fit.radius / (handle / 2), "mass", 1)}</dd>
          </dl>
          <p className="quiet">
            Only mass and distance together are felt. Without its mass the lever is taken as one that weighs half way to
            the handle; what it pulls is the same.
          </p>
        </>
      )}
      {fit && mass !== undefined && (
        <>
          <dl>
            <dt>Axis to where the lever's weight acts</dt>
            <dd className="mono">{units.text(Number(item.leverRadius), "length", 1)} before</dd>
            <dd className="now mono">
              {units.text(fit.radius, "length", 1)}
              {off}
            </dd>
            <dt>Scatter about the fit</dt>
            <dd />
            <dd className="now mono">{hungText(fit.residual, units)}</dd>
          </dl>
          {fit.off.value == null && <p className="quiet">{fit.off.why}</p>}
          {Math.abs(fit.besideBy) > 10 && (
            <p className="quiet">
              Its weight lies {Math.abs(fit.besideBy).toFixed(0)}° beside the line to the handle; it is taken in that
              line, which is a little off at the ends of the range.
            </p>
          )}
        </>
      )}
    </Readings>
  );
}

/** The machine with what was measured of it; fit is of a lever of 1 kg where its mass is not known. */
function withFit(item: Item, fit: LeverFit, mass: number | undefined): Item {
  const measured = { day: today(), spread: fit.off.value == null ? 0 : fit.off.value / fit.radius };
  const round = (x: number) => Math.round(1e4 * x) / 1e4;
  if (mass !== undefined) return { ...item, leverMass: mass, leverRadius: round(fit.radius), measured };
  const half = Number(item.handleRadius) / 2;
  return { ...item, leverMass: round(fit.radius / half), leverRadius: half, measured };
}
