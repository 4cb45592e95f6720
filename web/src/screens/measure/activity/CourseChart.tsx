import { scaleLinear } from "@visx/scale";
import { Area, LinePath } from "@visx/shape";
import styled from "styled-components";
import type { Agreement, Worked, WorkedChannel } from "../../../engine/types";
import { Segments } from "../../../ui/Select";
import { useSize } from "../../../ui/useSize";

const Box = styled.div`
  header { display: flex; justify-content: space-between; align-items: center; gap: 10px; flex-wrap: wrap; min-height: 34px; }
  svg { display: block; width: 100%; }
  text { font-size: 12px; fill: var(--quiet); }
  text.measured { fill: var(--plum); font-weight: 600; }
  text.model { fill: var(--slate); font-weight: 600; }
  text.apart { fill: var(--ember-deep); font-weight: 600; }
`;

const height = 270;
const [left, right, top, bottom] = [44, 96, 18, 30];

type Props = {
  channel: WorkedChannel;
  worked: Worked;
  agreement: Agreement | undefined;
  phase: "lifting" | "lowering";
  setPhase: (phase: "lifting" | "lowering") => void;
  name: string;
};

type Point = { deg: number; y: number; sd: number };

/** A channel over the range: the mean of the repetitions with its spread, and what the model expects. */
export function CourseChart({ channel, worked, agreement, phase, setPhase, name }: Props) {
  const [frame, { width }] = useSize<HTMLDivElement>();
  const course = channel[phase];
  const percent = channel.strongest.value != null;
  const points = worked.angleDeg.flatMap((deg, i): Point[] => {
    const y = course.mean[i];
    return y == null ? [] : [{ deg, y, sd: course.sd[i] ?? 0 }];
  });
  const expected = worked.angleDeg.flatMap((deg, i): Point[] => {
    const y = agreement?.expected[i];
    return y == null || !percent ? [] : [{ deg, y, sd: 0 }];
  });
  const ends = [worked.fromDeg, worked.toDeg].sort((a, b) => a - b);
  const x = scaleLinear({ domain: ends, range: [left, Math.max(left + 40, width - right)] });
  const most = Math.max(percent ? 50 : 10, ...points.map((p) => p.y + p.sd), ...expected.map((p) => p.y));
  const y = scaleLinear({ domain: [0, most], range: [height - bottom, top], nice: true });
  const [lastMeasured, lastModel] = [points.at(-1), expected.at(-1)];
  const [ym, ye] = besideEachOther(lastMeasured && y(lastMeasured.y), lastModel && y(lastModel.y));
  return (
    <Box ref={frame}>
      <header>
        <h2>{name} over the range</h2>
        <Segments
          label="Phase"
          options={[
            { key: "lifting", label: "Lifting" },
            { key: "lowering", label: "Lowering" },
          ]}
          value={phase}
          onChange={(key) => setPhase(key as Props["phase"])}
        />
      </header>
      {points.length === 0 ? (
        <p className="quiet">{channel.mean.why ?? worked.why ?? "There is nothing to show."}</p>
      ) : (
        width > 0 && (
          <svg height={height} role="img" aria-label={inWords(name, points, percent)}>
            {y.ticks(5).map((k) => (
              <g key={k}>
                <line x1={left} x2={width - right} y1={y(k)} y2={y(k)} stroke="var(--line)" />
                <text x={left - 6} y={y(k) + 4} textAnchor="end">
                  {k}
                </text>
              </g>
            ))}
            {x.ticks(7).map((k) => (
              <text key={k} x={x(k)} y={height - 10} textAnchor="middle">
                {k}°
              </text>
            ))}
            <text x={left} y={11}>
              {percent ? "% of the strongest contraction" : "µV"}
            </text>
            {agreement?.apart.map((s) => (
              <g key={s.fromDeg}>
                <rect
                  x={x(Math.min(s.fromDeg, s.toDeg))}
                  width={Math.max(3, Math.abs(x(s.toDeg) - x(s.fromDeg)))}
                  y={top}
                  height={height - top - bottom}
                  fill="var(--ember)"
                  opacity={0.12}
                />
                <text
                  className="apart mono"
                  x={(x(s.fromDeg) + x(s.toDeg)) / 2}
                  y={height - bottom - 8}
                  textAnchor="middle"
                >
                  {Math.abs(Math.round(s.by))} points
                </text>
              </g>
            ))}
            <Area
              data={points}
              x={(p) => x(p.deg)}
              y0={(p) => y(Math.max(0, p.y - p.sd))}
              y1={(p) => y(p.y + p.sd)}
              fill="var(--plum)"
              opacity={0.18}
            />
            <LinePath data={points} x={(p) => x(p.deg)} y={(p) => y(p.y)} stroke="var(--plum)" strokeWidth={2.4} />
            <LinePath
              data={expected}
              x={(p) => x(p.deg)}
              y={(p) => y(p.y)}
              stroke="var(--slate)"
              strokeDasharray="6 4"
              strokeWidth={2}
            />
            {lastMeasured && (
              <text className="measured" x={x(ends[1] ?? 0) + 6} y={ym}>
                measured
              </text>
            )}
            {lastModel && (
              <text className="model" x={x(ends[1] ?? 0) + 6} y={ye}>
                model
              </text>
            )}
          </svg>
        )
      )}
    </Box>
  );
}

/** Two heights for names, moved apart where they would lie on each other. */
function besideEachOther(a: number | undefined, b: number | undefined): [number, number] {
  const [m, e] = [(a ?? 0) + 4, (b ?? 0) + 4];
  if (a === undefined || b === undefined || Math.abs(m - e) > 14) return [m, e];
  return m <= e ? [m - (14 - (e - m)), e] : [m + (14 - (m - e)), e];
}

function inWords(name: string, points: Point[], percent: boolean): string {
  const unit = percent ? "%" : " µV";
  const at = (p: Point | undefined) => (p ? `${Math.round(p.y)}${unit} at ${Math.round(p.deg)}°` : "");
  return `Activity of ${name} over the joint angle: ${at(points[0])}, ${at(points.at(-1))}`;
}
