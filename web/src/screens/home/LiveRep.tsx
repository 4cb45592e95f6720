import { useMemo, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { Ready, Report } from "../../engine/types";
import { firstView } from "../../figure/firstView";
import { Still } from "../../figure/Still";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { usePlay } from "../workbench/usePlay";

const Box = styled.figure`
  margin: 0;
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  gap: 12px;
  align-items: center;
  padding: 12px 16px;
  background: var(--sheet);
  border: 1px solid var(--line);
  border-radius: 10px;
  > svg { width: 100%; height: auto; }
  figcaption {
    grid-column: 1 / -1;
    display: flex;
    justify-content: space-between;
    align-items: center;
    color: var(--quiet);
    font-size: 12px;
  }
  text { font-size: 13px; font-weight: 600; }
  @media (max-width: 700px) { grid-template-columns: minmax(0, 1fr); }
`;

const size = { width: 260, height: 210, top: 26, bottom: 26, side: 8 };

/** The torque over the range with a point that moves along it, each curve named on itself. */
function Unrolled({ report, s }: { report: Report; s: number }) {
  const units = useUnits();
  const { torque, capacity, angleDeg } = report.curves;
  const most = Math.max(...torque.map((v) => v ?? 0), ...capacity.map((v) => v ?? 0), 1e-9);
  const n = torque.length - 1;
  const x = (i: number) => size.side + ((size.width - 2 * size.side) * i) / n;
  const y = (v: number) => size.height - size.bottom - ((size.height - size.top - size.bottom) * Math.max(0, v)) / most;
  const line = (curve: (number | null)[]) =>
    curve.map((v, i) => `${x(i).toFixed(1)} ${y(v ?? 0).toFixed(1)}`).join("L");
  const at = Math.round(s * n);
  const hardest = torque.reduce<number>((best, v, i) => ((v ?? 0) > (torque[best] ?? 0) ? i : best), 0);
  const low = size.height - size.bottom;
  return (
    <svg viewBox={`0 0 ${size.width} ${size.height}`} role="img" aria-label="Torque over the range beside strength">
      <path d={`M${x(0)} ${low}L${line(torque)}L${x(n)} ${low}Z`} fill="var(--ember-pale)" opacity={0.5} />
      <path d={`M${line(torque)}`} fill="none" stroke="var(--ember)" strokeWidth={3} />
      <path d={`M${line(capacity)}`} fill="none" stroke="var(--slate)" strokeWidth={1.6} strokeDasharray="5 4" />
      <text x={x(0)} y={Math.max(12, y(capacity[0] ?? 0) - 8)} fill="var(--slate)">
        what it can do
      </text>
      <text x={Math.min(size.width - 120, x(hardest))} y={y(torque[hardest] ?? 0) - 10} fill="var(--ember-deep)">
        hardest at {Math.round(angleDeg[hardest] ?? 0)}°
      </text>
      <line x1={0} x2={size.width} y1={low} y2={low} stroke="var(--line)" />
      <line x1={x(at)} x2={x(at)} y1={y(torque[at] ?? 0)} y2={low} stroke="var(--ink)" />
      <circle cx={x(at)} cy={y(torque[at] ?? 0)} r={5} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={2} />
      <text
        x={Math.max(54, Math.min(size.width - 54, x(at)))}
        y={size.height - 6}
        textAnchor="middle"
        className="mono"
        fill="var(--ink)"
      >
        {Math.round(angleDeg[at] ?? 0)}° {units.text(torque[at] ?? 0, "torque")}
      </text>
    </svg>
  );
}

const still = () => matchMedia("(prefers-reduced-motion: reduce)").matches;

/** How many repetitions play by themselves: a page that nobody looks at has to come to rest. */
const shown = 3;

/** An exercise that moves, with its torque unrolled beside it. */
export function LiveRep({ core, example }: { core: Core; example: Ready }) {
  const units = useUnits();
  const [s, moveTo] = useState(0.5);
  const [playing, play] = usePlay(example.document.tempo, moveTo, still() ? 0 : shown);
  const text = useMemo(() => JSON.stringify(example.document), [example]);
  const report = useMemo(() => core.evaluate(text).ok, [core, text]);
  const scene = useMemo(() => core.scene(text, s).ok, [core, text, s]);
  if (!report || !scene) return null;
  return (
    <Box>
      <Still
        document={example.document}
        report={report}
        scene={scene}
        viewName={firstView(example.document)}
        units={units}
        width={420}
        height={330}
        small
      />
      <Unrolled report={report} s={s} />
      <figcaption>
        {example.name}
        <Button look="link" onPress={play}>
          {playing ? "Pause" : "Play"}
        </Button>
      </figcaption>
    </Box>
  );
}
