import { scaleLinear } from "@visx/scale";
import { LinePath } from "@visx/shape";
import { memo } from "react";
import styled from "styled-components";
import type { Answer, Tempo } from "../engine/types";
import { motionTable } from "../share/tables";
import { type Units, useUnits } from "../state/units";
import { useSize } from "../ui/useSize";
import { ChartFrame } from "./ChartFrame";

const Box = styled.div`
  display: grid;
  gap: 4px;
  svg { display: block; width: 100%; }
  p { color: var(--quiet); }
  b { color: var(--ink); }
`;

const height = 92;
const foot = 16;

type Props = { motion: { answer: Answer<Tempo>; fresh: boolean }; name: string };

/** The repetition in time: the torque in motion over the torque at rest. It comes a little after a drag, pale until then. */
export const MotionChart = memo(
  function MotionChart({ motion: { answer, fresh }, name }: Props) {
    const units = useUnits();
    if (answer.problems) return <p>{answer.problems.map((p) => `${p.what} ${p.hint ?? ""}`).join(" ")}</p>;
    return (
      <ChartFrame
        title="In motion"
        name={name}
        caption={["Thick: torque in motion. Dotted: at rest. Lifting (concentric), then lowering (eccentric)."]}
        table={() => motionTable(answer.ok, units)}
      >
        <div style={{ opacity: fresh ? 1 : 0.45 }}>
          <Chart tempo={answer.ok} />
        </div>
      </ChartFrame>
    );
  },
  (a, b) => a.motion.answer === b.motion.answer && a.motion.fresh === b.motion.fresh && a.name === b.name,
);

const Chart = memo(function Chart({ tempo }: { tempo: Tempo }) {
  const units = useUnits();
  const [frame, { width }] = useSize<HTMLDivElement>();
  const values = [...tempo.dynamic, ...tempo.static].map((v) => v ?? 0);
  const x = scaleLinear({ domain: [0, tempo.duration], range: [2, Math.max(10, width - 2)] });
  const y = scaleLinear({ domain: [Math.min(0, ...values), Math.max(...values, 1)], range: [height - foot, 4] });
  const phases = [indices(0, tempo.lifting), indices(tempo.lifting, tempo.time.length)];
  const line = (curve: (number | null)[], data: number[]) => ({
    data,
    x: (i: number) => x(tempo.time[i] ?? 0),
    y: (i: number) => y(curve[i] ?? 0),
  });
  return (
    <Box ref={frame}>
      {width > 0 && (
        <svg height={height} role="img" aria-label={sentence(tempo, units)}>
          <line x1={0} x2={width} y1={y(0)} y2={y(0)} stroke="var(--line)" />
          {phases.map((data, k) => (
            <g key={k}>
              <LinePath {...line(tempo.static, data)} stroke="var(--ember)" strokeWidth={1.2} strokeDasharray="2 3" />
              <LinePath {...line(tempo.dynamic, data)} stroke="var(--ember)" strokeWidth={2.4} />
              <text x={x(tempo.time[data[0] ?? 0] ?? 0)} y={height - 3} fontSize={11} fill="var(--quiet)">
                {k === 0 ? "lifting" : "lowering"}
              </text>
            </g>
          ))}
        </svg>
      )}
      <p data-testid="motion">{sentence(tempo, units)}</p>
    </Box>
  );
});

const indices = (from: number, to: number): number[] => Array.from({ length: to - from }, (_, i) => from + i);

function swaying({ bracing: b }: Tempo, units: Units): string {
  const where = `${units.text(b.angleDeg, "angle")} while ${b.phase}`;
  if (!b.holds) return `In motion the lifter is not stable, worst at ${where}.`;
  const { value } = b.margin;
  return value == null
    ? "Stable in motion too."
    : `In motion ${units.text(value, "length")} from the edge of support at worst, at ${where}.`;
}

function sentence(t: Tempo, units: Units): string {
  const { peak, peakAngleDeg, overStatic, floating } = t;
  if (peak.value == null || peakAngleDeg.value == null) return peak.why ?? "";
  const parts = [
    `At this tempo, peak torque ${units.text(peak.value, "torque")} at ${units.text(peakAngleDeg.value, "angle")} while ${t.peakPhase}`,
  ];
  if (overStatic.value != null) parts.push(`${overStatic.value.toFixed(2)} times the peak at rest`);
  if (floating.value != null && floating.value >= 0.005)
    parts.push(`${units.text(100 * floating.value, "percent")} of the way the weight floats`);
  if (t.slack) parts.push("the cable goes slack: slow down");
  return `${parts.join("; ")}. ${swaying(t, units)}`;
}
