import styled from "styled-components";
import type { EqualLoads, Report, SetupDocument } from "../../engine/types";
import { type Units, useUnits } from "../../state/units";

const Note = styled.p`
  font-size: 12px;
  color: var(--quiet);
  b { color: var(--ink); }
`;

/** What to load so that the setup asks as much as it did when it was saved. */
export function Equal({ equal, document: d }: { equal: EqualLoads; document: SetupDocument }) {
  const units = useUnits();
  const with_ = (factor?: number | null) => (factor == null ? null : loads(d, factor, units));
  const [peak, mean] = [with_(equal.peak.value), with_(equal.mean.value)];
  if (!peak && !mean) return null;
  return (
    <Note data-testid="equal">
      As hard as the saved one:{" "}
      {peak && (
        <>
          for the same peak <b className="mono">{peak}</b>
        </>
      )}
      {peak && mean && ", "}
      {mean && (
        <>
          for the same mean <b className="mono">{mean}</b>
        </>
      )}
      .
    </Note>
  );
}

/** What to load for some numbers of repetitions, by the model's limit of one: 1RM = w (1 + n/30), Epley 1985. */
export function Prescribe({ document: d, limit }: { document: SetupDocument; limit: number | null }) {
  const units = useUnits();
  if (limit === null) return null;
  const parts = [8, 12, 20].map((n) => [n, loads(d, limit / (1 + n / 30), units, 0.5)] as const);
  if (parts.some(([, l]) => l === null)) return null;
  return (
    <Note data-testid="prescribe">
      Roughly, for{" "}
      {parts.map(([n, l], i) => (
        <span key={n}>
          {i > 0 ? ", " : ""}
          {n} repetitions <b className="mono">{l}</b>
        </span>
      ))}
      .
    </Note>
  );
}

/** What the pins of the stacks ask: the lightest, the present one and those beside it. */
export function PinByPin({ report }: { report: Report }) {
  const units = useUnits();
  const known = (report.pins ?? []).filter((p) => p.list.every((pin) => pin.effort.value != null));
  return known.map((p) => (
    <Note key={p.index} data-testid="pins">
      Pin by pin, of the lifter's strength:{" "}
      {p.list.map((pin, i) => (
        <span key={pin.mass}>
          {i > 0 ? ", " : ""}
          {i === 0 && !pin.here ? "lightest " : ""}
          <b className="mono">{units.text(pin.mass, "mass")}</b> {units.text(100 * (pin.effort.value ?? 0), "percent")}
          {pin.here ? " (now)" : ""}
        </span>
      ))}
      .
    </Note>
  ));
}

/** The loads that may be changed, times a factor, in steps of so many kilograms. */
function loads(d: SetupDocument, factor: number, units: Units, step = 0): string | null {
  const parts = d.loads
    .filter((l) => l.variable)
    .map((l) => {
      const mass =
        l.stackMass && l.kind !== "dumbbell" && l.kind !== "bar"
          ? l.stackMass
          : (l.plateMass ?? 0) > 0
            ? l.plateMass
            : l.mass;
      if (l.kind === "band") return `${factor.toFixed(2)} times the band`;
      const kg = (mass ?? 0) * factor;
      return mass ? units.text(step > 0 ? step * Math.round(kg / step) : kg, "mass", 1) : null;
    })
    .filter((p) => p !== null);
  return parts.length > 0 ? parts.join(" and ") : null;
}
