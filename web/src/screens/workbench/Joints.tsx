import { useState } from "react";
import styled from "styled-components";
import { valueAt } from "../../chart/along";
import type { Report } from "../../engine/types";
import { useUnits } from "../../state/units";
import { NumberEntry } from "../../ui/NumberEntry";

const Table = styled.table`
  width: 100%;
  border-collapse: collapse;
  font-size: 13px;
  th { text-align: left; font-weight: 400; color: var(--quiet); padding: 2px 0; }
  td { text-align: right; padding: 2px 0 2px 6px; white-space: nowrap; }
  thead th { font-size: 12px; vertical-align: bottom; padding-left: 6px; }
  thead th + th { text-align: right; }
  small { color: var(--quiet); font-size: 12px; }
`;

const Limits = styled.div`
  padding-top: 4px;
  p { padding: 1px 0; }
  span[role="alert"] { color: var(--brick); }
`;

const gravity = 9.80665; // m/s²

type Props = {
  report: Report;
  bodyMass: number; // kg
  s: number;
  limit: (which: "lowBackLimit" | "gripLimit", v: number) => void;
};

/** What the place on the range asks of all joints, of the hand and of the low back, against the lifter's own limits. */
export function Joints({ report, bodyMass, s, limit }: Props) {
  const units = useUnits();
  const here = (curve: (number | null)[], kind: string) => {
    const v = valueAt(curve, s);
    return v === null ? "–" : units.text(v, kind);
  };
  const bare = (curve: (number | null)[], kind: string) => {
    const v = valueAt(curve, s);
    return v === null ? "–" : units.number(v, kind);
  };
  const weights = (curve: (number | null)[] | undefined) => {
    const v = curve ? valueAt(curve, s) : null;
    return v === null ? "–" : (v / (bodyMass * gravity)).toFixed(1);
  };
  const { curves, muscles } = report;
  const { shoulder, elbow, hip, knee, ankle } = muscles;
  const surface: Record<string, (number | null)[]> = { shoulder, elbow, hip, knee, ankle };
  const target = {
    name: report.joint,
    torque: bare(report.hold ? curves.size : curves.torque, "torque"),
    effort: valueAt(curves.effort, s),
    axial: valueAt(curves.axial, s),
    shear: bare(curves.shear, "force"),
    surface: surface[report.joint],
  };
  const rows = report.joints.map((j) => ({
    name: j.joint,
    torque: valueAt(j.torque, s) === null ? `${bare(j.size, "torque")} held` : bare(j.torque, "torque"),
    effort: valueAt(j.effort, s),
    axial: valueAt(j.axial, s),
    shear: bare(j.shear, "force"),
    surface: surface[j.joint],
  }));
  const sideways = valueAt(curves.lateral, s);
  const spine = valueAt(muscles.spine, s);
  return (
    <>
      <Table>
        <thead>
          <tr>
            <th scope="col">here</th>
            <th scope="col">torque {units.unit("torque").name}</th>
            <th scope="col">compression {units.unit("force").name}</th>
            <th scope="col">shear {units.unit("force").name}</th>
            <th scope="col">on the joint, body weights</th>
          </tr>
        </thead>
        <tbody>
          {[target, ...rows].map((r) => (
            <tr key={r.name}>
              <th scope="row">{r.name}</th>
              <td className="mono">
                {r.torque}
                {r.effort !== null && <small> {units.text(100 * r.effort, "percent")}</small>}
              </td>
              <td className="mono">
                {r.axial === null ? "–" : units.number(Math.abs(r.axial), "force")}
                {r.axial !== null && r.axial < -0.5 && <small> traction</small>}
              </td>
              <td className="mono">{r.shear}</td>
              <td className="mono">{weights(r.surface)}</td>
            </tr>
          ))}
        </tbody>
      </Table>
      <Limits>
        <p>
          Twist about the limb <b className="mono">{here(curves.twist, "torque")}</b>, out of the plane{" "}
          <b className="mono">{here(curves.bend, "torque")}</b>
        </p>
        {valueAt(curves.barOffDeg, s) !== null && (
          <p>
            The forearm is <b className="mono">{here(curves.barOffDeg, "angle")}</b> off square to the bar, and the bar
            twists it by <b className="mono">{here(curves.barTwistDeg, "angle")}</b>: wrist and elbow take that up
          </p>
        )}
        {(valueAt(muscles.kneecap, s) ?? 0) > 0.05 * bodyMass * gravity && (
          <p>
            The kneecap is pressed on the thigh with about <b className="mono">{weights(muscles.kneecap)}</b> body
            weights
          </p>
        )}
        {sideways !== null && Math.abs(sideways) >= 1 && (
          <p>
            Each hand also pushes {sideways > 0 ? "outward" : "inward"} with{" "}
            <b className="mono">{units.text(Math.abs(sideways), "force")}</b>, so that shoulder and elbow share the work
          </p>
        )}
        {spine !== null && (
          <p>
            The low back is {spine < 0 ? "stretched" : "compressed"} by about{" "}
            <b className="mono">{units.text(Math.round(Math.abs(spine) / 10) * 10, "force")}</b>, muscle forces included
          </p>
        )}
        {valueAt(curves.lowBack, s) !== null && (
          <Limit
            name="Low back"
            value={here(curves.lowBack, "torque")}
            limit={report.bearable.lowBack}
            kind="torque"
            set={(v) => limit("lowBackLimit", v)}
          />
        )}
        {valueAt(curves.grip, s) !== null && (
          <Limit
            name="Grip"
            value={here(curves.grip, "force")}
            limit={report.bearable.grip}
            kind="force"
            set={(v) => limit("gripLimit", v)}
          />
        )}
      </Limits>
    </>
  );
}

type LimitProps = { name: string; value: string; limit: number; kind: string; set: (v: number) => void };

/** One number against the limit that the lifter chose for it. */
function Limit({ name, value, limit, kind, set }: LimitProps) {
  const units = useUnits();
  const [nonsense, setNonsense] = useState<string | null>(null);
  const unit = units.unit(kind);
  const most = kind === "torque" ? 1000 : 2000;
  const enter = (v: number) => {
    if (v > 0 && v <= most) set(v);
    else setNonsense(`The limit has to be above 0 and up to ${units.text(most, kind)}.`);
  };
  return (
    <p>
      {name} <b className="mono">{value}</b> of
      <NumberEntry
        label={`Limit: ${name}`}
        kind={kind}
        value={limit}
        factor={unit.factor}
        digits={0}
        invalid={nonsense !== null}
        onEnter={enter}
        onStep={(d) => enter((Math.round(limit * unit.factor) + 5 * d) / unit.factor)}
        onWrong={setNonsense}
      />
      {unit.name}
      {nonsense !== null && <span role="alert"> {nonsense}</span>}
    </p>
  );
}
