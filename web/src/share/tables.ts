import { valueAt } from "../chart/along";
import type { Report, Tempo, Uncertainty } from "../engine/types";
import type { Units } from "../state/units";
import type { Table } from "./table";

type Column = { name: string; kind: string; at: (i: number) => number | null | undefined };

function tableOf(units: Units, n: number, columns: Column[]): Table {
  const named = ({ name, kind }: Column) => {
    const unit = units.unit(kind).name;
    return unit ? `${name} (${unit})` : name;
  };
  const value = ({ kind, at }: Column, i: number) => {
    const v = at(i);
    return v == null ? null : v * units.unit(kind).factor;
  };
  return {
    columns: columns.map(named),
    rows: Array.from({ length: n }, (_, i) => columns.map((c) => value(c, i))),
  };
}

const angle = (report: Report): Column => ({ name: "angle", kind: "angle", at: (i) => report.curves.angleDeg[i] });

/** The profile: torque, its parts, strength, effort and what is wanted. */
export function profileTable(report: Report, uncertainty: Uncertainty | null, units: Units): Table {
  const c = report.curves;
  const n = c.s.length;
  const columns: Column[] = [angle(report), { name: "torque", kind: "torque", at: (i) => c.torque[i] }];
  if (uncertainty) {
    const { low, high } = uncertainty;
    columns.push({ name: "torque, low", kind: "torque", at: (i) => valueAt(low, c.s[i] ?? 0) });
    columns.push({ name: "torque, high", kind: "torque", at: (i) => valueAt(high, c.s[i] ?? 0) });
  }
  columns.push(
    { name: "body weight", kind: "torque", at: (i) => c.weights[i] },
    ...report.parts.map((p): Column => ({ name: p.id, kind: "torque", at: (i) => p.torque[i] })),
    { name: "strength", kind: "torque", at: (i) => c.capacity[i] },
    { name: "effort", kind: "share", at: (i) => c.effort[i] },
    { name: "target profile", kind: "torque", at: (i) => c.target[i] },
  );
  return tableOf(units, n, columns);
}

/** Who does the work: torque and activation of each region. */
export function workTable(report: Report, units: Units): Table {
  const { s, regions } = report.muscles;
  const columns: Column[] = [
    { name: "angle", kind: "angle", at: (i) => valueAt(report.curves.angleDeg, s[i] ?? 0) },
    ...regions.flatMap((r): Column[] => [
      { name: r.label, kind: "torque", at: (i) => r.torque[i] },
      { name: `${r.label}, activation`, kind: "share", at: (i) => r.activation[i] },
    ]),
  ];
  return tableOf(units, s.length, columns);
}

/** Pull and torque of every load. */
export function pullTable(report: Report, units: Units): Table {
  const columns = [
    angle(report),
    ...report.parts.flatMap((p): Column[] => [
      { name: `${p.id}, pull`, kind: "force", at: (i) => p.tension[i] },
      { name: `${p.id}, torque`, kind: "torque", at: (i) => p.torque[i] },
    ]),
  ];
  return tableOf(units, report.curves.s.length, columns);
}

/** The repetition in time. */
export function motionTable(tempo: Tempo, units: Units): Table {
  return tableOf(units, tempo.time.length, [
    { name: "time", kind: "time", at: (i) => tempo.time[i] },
    { name: "torque in motion", kind: "torque", at: (i) => tempo.dynamic[i] },
    { name: "torque at rest", kind: "torque", at: (i) => tempo.static[i] },
  ]);
}
