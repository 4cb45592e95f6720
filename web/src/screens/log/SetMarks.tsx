import type { SessionSet } from "../../engine/types";
import { useUnits } from "../../state/units";

type Props = {
  done: SessionSet[];
  last: SessionSet[];
  planned: { sets: number; load: number; reps: number; rir: number };
  from: number;
  to: number;
  edit: (set: SessionSet) => void;
};

/** Sets as bars: solid as long as the repetitions, a dashed tail for what was left; outlined while planned, a hairline for last time. */
export function SetMarks({ done, last, planned, from, to, edit }: Props) {
  const units = useUnits();
  const most = Math.max(20, to + 6);
  const x = (n: number) => 56 + (200 * Math.min(n, most)) / most;
  const count = Math.max(planned.sets, done.length);
  const height = 24 * count + 22;
  return (
    <svg viewBox={`0 0 362 ${height}`} role="img" aria-label={marksWords(done, planned.sets)}>
      <rect x={x(from)} y={18} width={x(to) - x(from)} height={height - 20} fill="var(--ember-pale)" opacity={0.45} />
      <text x={(x(from) + x(to)) / 2} y={11} textAnchor="middle" className="quiet">
        {from === to ? from : `${from} to ${to}`}
      </text>
      {Array.from({ length: count }, (_, i) => {
        const set = done[i];
        const was = last[i];
        const y = 20 + 24 * i;
        const n = set?.reps ?? planned.reps;
        const left = set?.rir ?? planned.rir;
        return (
          // biome-ignore lint/a11y/noStaticElementInteractions: the list of sets below says the same for keys
          <g key={i} onClick={() => set && edit(set)} style={set && { cursor: "pointer" }}>
            <text x={0} y={y + 14} className={i === done.length ? "now" : "quiet"}>
              set {i + 1}
            </text>
            {was && <line x1={x(0)} x2={x(was.reps)} y1={y + 1} y2={y + 1} stroke="var(--ink)" strokeWidth={1.5} />}
            <rect
              x={x(0)}
              y={y + 4}
              width={x(n) - x(0)}
              height={14}
              fill={set ? "var(--ember)" : "none"}
              stroke={set ? "var(--ember-deep)" : i === done.length ? "var(--ink)" : "var(--quiet)"}
              strokeWidth={i === done.length ? 1.8 : 1}
            />
            <rect
              x={x(n)}
              y={y + 4}
              width={x(n + left) - x(n)}
              height={14}
              fill="none"
              stroke={set ? "var(--ember-deep)" : "var(--quiet)"}
              strokeDasharray="3 2"
            />
            <text x={360} y={y + 15} textAnchor="end" className={set ? "mono" : "mono quiet"}>
              {set
                ? `${units.text(set.load, "mass")} × ${set.reps}, ${set.rir === 4 ? "4+" : set.rir} left`
                : was
                  ? `last ${was.reps}, ${was.rir} left`
                  : ""}
            </text>
          </g>
        );
      })}
    </svg>
  );
}

const marksWords = (done: SessionSet[], planned: number) => `${done.length} of ${planned} sets done`;
