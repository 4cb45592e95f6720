import styled from "styled-components";
import type { Comparison, Difference } from "../../engine/types";
import type { Table } from "../../share/table";
import { type Units, useUnits } from "../../state/units";

const Box = styled.section`
  overflow-x: auto;
  table { border-collapse: collapse; width: 100%; }
  th, td { padding: 5px 8px; border-bottom: 1px solid var(--line); text-align: left; vertical-align: top; }
  th { color: var(--quiet); font-weight: 600; font-size: 12px; }
  td.value, th.value { text-align: right; white-space: nowrap; }
  td.words { min-width: 220px; }
  tbody th { color: var(--ink); font-weight: 500; font-size: 13px; min-width: 120px; }
  small { display: block; color: var(--quiet); }
  tr.little > * { color: var(--quiet); }
  tr.rest > * { border-top: 2px solid var(--line); }
  @media (max-width: 700px) {
    thead { display: none; }
    tr { display: flex; flex-wrap: wrap; gap: 0 12px; padding: 6px 0; border-bottom: 1px solid var(--line); }
    tr > * { border: 0; padding: 1px 0; }
    tbody th, td.words { flex: 1 0 100%; }
    td.value::before { content: attr(data-letter) " "; font-weight: 700; }
  }
  @media print {
    thead { display: table-header-group; }
    tr { display: table-row; }
    td.value::before { content: none; }
    th, td { padding: 2px 8px; }
    tr.little:not([data-lead]) { display: none; }
  }
`;

/** The number in the coach's unit, or a dash. */
function shown(d: Difference, i: number, units: Units): string {
  const v = d.per[i]?.value;
  return v == null ? "–" : units.text(v, d.kind);
}

/** Why a number is missing, for the setups that it is missing for. */
function missing(d: Difference, comparison: Comparison): string {
  const whys = new Map<string, string[]>();
  d.per.forEach((m, i) => {
    if (m.value == null && m.why) whys.set(m.why, [...(whys.get(m.why) ?? []), comparison.sides[i]?.letter ?? ""]);
  });
  return [...whys].map(([why, letters]) => `${letters.join(", ")}: ${why}`).join(" ");
}

/** The numbers that setups are compared by, those that coaches ask for first, each difference in words. */
export function Differences({ comparison }: { comparison: Comparison }) {
  const units = useUnits();
  return (
    <Box aria-label="Differences" tabIndex={0}>
      <table>
        <thead>
          <tr>
            <th scope="col">Number</th>
            {comparison.sides.map((s) => (
              <th key={s.letter} scope="col" className="value">
                {s.letter}
              </th>
            ))}
            <th scope="col">In words</th>
          </tr>
        </thead>
        <tbody>
          {comparison.differences.map((d, i, all) => (
            <tr
              key={d.key}
              className={
                [d.text ? "" : "little", all[i - 1]?.lead && !d.lead ? "rest" : ""].join(" ").trim() || undefined
              }
              data-difference={d.key}
              data-lead={d.lead || undefined}
            >
              <th scope="row">{d.label}</th>
              {d.per.map((_, i) => (
                <td key={comparison.sides[i]?.letter} className="value mono" data-letter={comparison.sides[i]?.letter}>
                  {shown(d, i, units)}
                </td>
              ))}
              <td className="words">
                {d.text ? units.sentence(d.text, d.values) : noDifference(d)}
                <small>{missing(d, comparison)}</small>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Box>
  );
}

const noDifference = (d: Difference): string => {
  const known = d.per.flatMap((m) => m.value ?? []);
  if (known.length < 2) return "";
  if (new Set(known).size === 1) return "No difference.";
  return d.weight > 0 ? "Hardly any difference." : "Not comparable here.";
};

/** The same as values, for a file. */
export function differencesTable(comparison: Comparison, units: Units): Table {
  return {
    columns: ["number", "unit", ...comparison.sides.map((s) => `${s.letter}, ${s.name}`), "in words"],
    rows: comparison.differences.map((d) => [
      d.label,
      units.unit(d.kind).name,
      ...d.per.map((m) => (m.value == null ? null : m.value * units.unit(d.kind).factor)),
      d.text ? units.sentence(d.text, d.values) : "",
    ]),
  };
}
