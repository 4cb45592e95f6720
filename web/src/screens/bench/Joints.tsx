import styled from "styled-components";
import { valueAt } from "../../chart/ProfileChart";
import type { Report } from "../../engine/types";
import { useUnits } from "../../state/units";

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
  th { text-align: left; font-weight: 400; color: var(--quiet); padding: 2px 0; }
  td { text-align: right; padding: 2px 0; }
  thead th { font-size: 12px; }
  thead th + th { text-align: right; }
`;

/** What the place on the range asks of the other joints and of the low back. */
export function Joints({ report, s }: { report: Report; s: number }) {
  const units = useUnits();
  const torque = (v: number | null) => (v === null ? "–" : units.text(v, "torque"));
  const rows = report.joints.map((j) => {
    const [about, size, effort] = [valueAt(j.torque, s), valueAt(j.size, s), valueAt(j.effort, s)];
    return {
      name: j.joint,
      torque: about === null ? `${torque(size)} held` : torque(about),
      effort: effort === null ? "" : units.text(100 * effort, "percent"),
    };
  });
  const back = valueAt(report.curves.lowBack, s);
  if (back !== null) rows.push({ name: "low back", torque: torque(back), effort: "" });
  if (rows.length === 0) return null;
  return (
    <Table>
      <thead>
        <tr>
          <th scope="col">here</th>
          <th scope="col">torque</th>
          <th scope="col">of strength</th>
        </tr>
      </thead>
      <tbody>
        {rows.map((r) => (
          <tr key={r.name}>
            <th scope="row">{r.name}</th>
            <td className="mono">{r.torque}</td>
            <td className="mono">{r.effort}</td>
          </tr>
        ))}
      </tbody>
    </Table>
  );
}
