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

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
  th { font-weight: 400; color: var(--quiet); font-size: 12px; text-align: left; padding: 3px 8px 3px 0; }
  td { padding: 3px 0 3px 8px; text-align: right; white-space: nowrap; }
  tr + tr > * { border-top: 1px solid var(--line); }
  tr[data-here] > * { font-weight: 600; color: var(--ink); }
`;

/** How many repetitions a load is told for. */
const told = [8, 12, 20];

/** What to load for some numbers of repetitions, by the model's limit of one: 1RM = w (1 + n/30), Epley 1985. */
function forReps(d: SetupDocument, limit: number | null, units: Units): [number, string][] {
  if (limit === null) return [];
  return told.flatMap((n): [number, string][] => {
    const load = loads(d, limit / (1 + n / 30), units, 0.5);
    return load === null ? [] : [[n, load]];
  });
}

/** The same in a line. */
export function loadLine(report: Report, d: SetupDocument, units: Units): string {
  const list = forReps(d, report.profile.loadFactor.value, units).slice(0, 2);
  return list.map(([n, load]) => `${n} reps ${load}`).join(" · ") || "not known";
}

/** What to load for how many repetitions, and what the pins of the stacks ask: the lightest, the present one and those beside it. */
export function LoadTable({ report, document }: { report: Report; document: SetupDocument }) {
  const units = useUnits();
  const list = forReps(document, report.profile.loadFactor.value, units);
  const known = (report.pins ?? []).filter((p) => p.list.every((pin) => pin.effort.value != null));
  const rank = (pins: (typeof known)[number]["list"], i: number) => {
    const here = pins.findIndex((p) => p.here);
    if (here < 0) return "";
    if (i === here) return "now";
    if (i === 0) return "lightest";
    return i < here ? "one down" : i === here + 1 ? "one up" : "two up";
  };
  return (
    <>
      {list.length > 0 && (
        <Table data-testid="prescribe" aria-label="What to load for how many repetitions, roughly">
          <tbody>
            {list.map(([n, load]) => (
              <tr key={n}>
                <th scope="row">{n} reps, roughly</th>
                <td className="mono">{load}</td>
              </tr>
            ))}
          </tbody>
        </Table>
      )}
      {known.map((p) => (
        <Table key={p.index} data-testid="pins" aria-label="What the pins ask of the lifter's strength">
          <tbody>
            {p.list.map((pin, i) => (
              <tr key={pin.mass} data-here={pin.here || undefined}>
                <th scope="row">{["pin", rank(p.list, i)].filter(Boolean).join(", ")}</th>
                <td className="mono">{units.text(pin.mass, "mass")}</td>
                <td className="mono">{units.text(100 * (pin.effort.value ?? 0), "percent")} of strength</td>
              </tr>
            ))}
          </tbody>
        </Table>
      ))}
    </>
  );
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
