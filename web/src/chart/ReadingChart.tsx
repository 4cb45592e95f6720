import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import styled from "styled-components";
import type { Report } from "../engine/types";
import { type Units, useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { valueAt } from "./along";

const Box = styled.div`
  display: grid;
  gap: 4px;
  svg { display: block; width: 100%; }
  p { color: var(--quiet); }
`;

const height = 64;

/** Force and torque of one load side by side, each over its own largest value: the one is not the other. */
export function ReadingChart({ report, s }: { report: Report; s: number }) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const part = report.parts.find((p) => p.kind === "cable") ?? report.parts.find((p) => p.kind !== "bodyweight");
  if (!part || report.hold) return <p>{jointSentence(report, s, units)}</p>;
  const x = scaleLinear({ domain: [0, 1], range: [2, Math.max(10, width - 2)] });
  const y = scaleLinear({ domain: [0, 1.05], range: [height - 2, 4] });
  const indices = report.curves.s.map((_, i) => i);
  const line = (curve: (number | null)[]) => {
    const most = Math.max(...curve.map((v) => Math.abs(v ?? 0)), 1e-9);
    return {
      data: indices,
      x: (i: number) => x(report.curves.s[i] ?? 0),
      y: (i: number) => y(Math.max(0, (curve[i] ?? 0) / most)),
      defined: (i: number) => curve[i] != null,
    };
  };
  const pull =
    {
      cable: "tension",
      rope: "pull on each hand",
      band: "pull",
      cam: "push of the pad",
      lever: "push of the handle",
    }[part.kind] ?? "weight";
  const [force, torque] = [valueAt(part.tension, s), valueAt(part.torque, s)];
  const forces = part.tension.filter((v): v is number => v != null);
  const [least, most] = [Math.min(...forces), Math.max(...forces)];
  const joint = jointSentence(report, s, units);
  const steady = most - least < 0.01 * most;
  return (
    <Box ref={frame}>
      {width > 0 && (
        <svg
          height={height}
          role="img"
          aria-label={`The ${pull} and the torque over the range, each as a share of its peak.`}
        >
          <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="var(--line)" />
          <LinePath {...line(part.tension)} stroke="var(--ink)" strokeWidth={1.4} />
          <LinePath {...line(part.torque)} stroke="var(--ember)" strokeWidth={2.2} />
          <line x1={x(s)} x2={x(s)} y1={4} y2={height - 2} stroke="var(--ink)" strokeWidth={1} opacity={0.5} />
        </svg>
      )}
      <p>
        {steady ? `The ${pull} is constant, ` : `The ${pull} varies, here `}
        <b className="mono">{force === null ? "–" : units.text(force, "force")}</b>
        {"; the torque it makes is another thing: "}
        <b className="mono">{torque === null ? "none" : units.text(torque, "torque")}</b> here.
      </p>
      {joint && <p>{joint}</p>}
    </Box>
  );
}

/** What the hand and the joint carry here, apart from torque. */
function jointSentence(report: Report, s: number, units: Units): string | null {
  const [grip, along, across] = [report.curves.grip, report.curves.axial, report.curves.shear].map((c) =>
    valueAt(c, s),
  );
  if (grip == null || along == null || across == null) return null;
  const force = (v: number) => units.text(Math.abs(v), "force");
  const way = along < 0 ? "pulls on" : "presses into";
  const limb = report.joint === "shoulder" ? "arm" : "limb";
  const hand = grip > 0.05 ? `Grip force ${force(grip)}. ` : "";
  return `${hand}Loads and ${limb} together: ${force(along)} ${way} the ${report.joint} along the ${limb}, ${force(across)} across it, before muscle forces.`;
}
