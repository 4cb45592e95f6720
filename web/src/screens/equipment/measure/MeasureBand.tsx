import { useMemo, useState } from "react";
import type { BandFit } from "../../../engine/types";
import { useUnits } from "../../../state/units";
import { today } from "../../plan/planEdits";
import type { Item } from "../fields";
import { BandDevices } from "./BandDevices";
import { type MeasureProps, Readings } from "./Readings";
import { type Place, ReadingsChart } from "./ReadingsChart";
import { hung, hungText, scaleUnit } from "./scaleUnit";

/** A band is drawn out and let back along a tape, and what a scale shows is written down. */
export function MeasureBand(props: MeasureProps) {
  const { core, item } = props;
  const units = useUnits();
  const [text, setText] = useState("");
  const scale = scaleUnit(units);
  const length = units.unit("length");
  const [rest, strands] = [Number(item.restLength), Number(item.strands)];
  const { ok: fit, problems = [] } = useMemo(
    () => core.measureBand(text, 1 / length.factor, scale.newtons, rest, strands),
    [core, text, length.factor, scale.newtons, rest, strands],
  );
  return (
    <Readings
      {...props}
      measured={fit && withFit(item, fit)}
      steps={[
        `Fix one end and lay a tape along the band, from end to end: at rest it is ${units.text(rest, "length")}.`,
        "Hook a scale to the other end. Draw it out in eight steps or more, to where you use it and a little farther.",
        "Let it back in the same steps and go on writing: what is missing on the way back is what the rubber keeps.",
      ]}
      columns={`length in ${length.name}, pull in ${scale.name}`}
      text={text}
      setText={setText}
      devices={<BandDevices core={core} write={(rows) => setText(rows)} />}
      problems={problems}
    >
      {fit && (
        <>
          <ReadingsChart
            label="Pull over length: the readings, and the curves through them out and back"
            x={{ kind: "length", label: "length" }}
            y={{ kind: "mass", label: "pull" }}
            readings={[
              ...fit.out.map((r) => ({ x: r.length, y: hung(r.force), back: false })),
              ...fit.in.map((r) => ({ x: r.length, y: hung(r.force), back: true })),
            ]}
            lines={[
              { name: "out", colour: "var(--ember)", places: strandsOf(fit.pull, strands) },
              ...(fit.back.length > 1
                ? [{ name: "back", colour: "var(--slate)", dash: "6 4", places: strandsOf(fit.back, strands) }]
                : []),
            ]}
          />
          <dl>
            <dt>Pull at {units.text(fit.longest, "length")}</dt>
            <dd />
            <dd className="now mono">
              {hungText(fit.atLongest, units)}
              {fit.spread.value != null && ` ± ${hungText(fit.spread.value * fit.atLongest, units)}`}
            </dd>
            <dt>Lost on the way back</dt>
            <dd className="mono">{units.text(100 * Number(item.hysteresis), "percent")} before</dd>
            <dd className="now mono">
              {fit.hysteresis.value == null ? "not measured" : units.text(100 * fit.hysteresis.value, "percent")}
            </dd>
            <dt>Scatter about the curve</dt>
            <dd />
            <dd className="now mono">{hungText(fit.residual, units)}</dd>
          </dl>
          <p className="quiet">{againstLaw(fit)}</p>
          {fit.hysteresis.value == null && <p className="quiet">{fit.hysteresis.why} The loss stays as it was.</p>}
        </>
      )}
    </Readings>
  );
}

const strandsOf = (pull: { length: number; force: number }[], strands: number): Place[] =>
  pull.map((p) => ({ x: p.length, y: hung(p.force * strands) }));

/** The band with what was measured of it. */
function withFit(item: Item, fit: BandFit): Item {
  return {
    ...item,
    pull: fit.pull,
    hysteresis: fit.hysteresis.value ?? item.hysteresis,
    measured: { day: today(), spread: fit.spread.value ?? 0 },
  };
}

/** How the band compares with plain rubber. */
function againstLaw(fit: BandFit): string {
  const off = Math.round(100 * fit.offLaw);
  const how =
    off <= 8
      ? "as plain rubber does"
      : off <= 20
        ? "roughly as plain rubber does"
        : "unlike plain rubber: it may be woven, or worn";
  return `It pulls ${how}: the readings lie ${off}% from the law of rubber.`;
}
