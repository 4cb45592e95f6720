import { useMemo } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import type { BlockEntry, Proposal, SessionSet, StoredSession } from "../../engine/types";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { usePast } from "../log/useSession";
import { dayWords } from "./planEdits";

const Box = styled.div`
  display: grid;
  gap: 8px;
  p { margin: 0; }
  svg { width: 100%; height: auto; }
  text { font-size: 11px; fill: var(--quiet); }
  text.now { fill: var(--ink); font-weight: 600; }
  ul { margin: 0; padding-left: 16px; color: var(--quiet); font-size: 12px; }
  .row { display: flex; gap: 8px; flex-wrap: wrap; }
`;

type Props = { core: Core; lifterId: string; entry: BlockEntry; take: (load: number) => void };

type Time = { date: string; sets: SessionSet[] };

/** The last sets of an exercise on the rungs of its loads, and what comes next, with why. */
export function Ladder({ core, lifterId, entry, take }: Props) {
  const units = useUnits();
  const past = usePast(lifterId).data;
  const times = useMemo(() => timesOf(past ?? [], entry), [past, entry]);
  const last = times[0];
  const next = useMemo(
    () =>
      last
        ? (core.nextLoad(
            JSON.stringify(entry),
            JSON.stringify(last.sets.map(({ load, reps, rir }) => ({ load, reps, rir }))),
          ).ok?.proposal ?? null)
        : null,
    [core, entry, last],
  );
  if (!last) return <p className="quiet">Nothing logged of it yet: what comes next is said after its first sets.</p>;
  return (
    <Box>
      {next && <p>{next.why}</p>}
      {next && <Rungs entry={entry} times={times.slice(0, 3)} next={next} />}
      {next?.tooBig && (
        <ul>
          {next.bridges.map((b) => (
            <li key={b}>{b}</li>
          ))}
        </ul>
      )}
      {next?.rises && (
        <div className="row">
          <Button look="strong" onPress={() => take(next.load)}>
            Use {units.text(next.load, "mass")}
          </Button>
          <Button onPress={() => take(next.now)}>Stay at {units.text(next.now, "mass")}</Button>
        </div>
      )}
    </Box>
  );
}

/** The times at which an entry, or another of the same setup, was done, the latest first. */
function timesOf(sessions: StoredSession[], entry: BlockEntry): Time[] {
  return sessions.flatMap(({ document: s }): Time[] => {
    const same = s.entries.filter(
      (e) =>
        e.id === entry.id || (entry.setupId ? e.setupId === entry.setupId : e.document.name === entry.document.name),
    );
    const ids = new Set(same.map((e) => e.id));
    const sets = s.sets.filter((x) => !x.dropped && ids.has(x.entry));
    return sets.length > 0 ? [{ date: s.date, sets }] : [];
  });
}

/** Loads as rungs, repetitions along them: filled what was done, hollow what comes next; the hatched span is the range planned. */
function Rungs({ entry, times, next }: { entry: BlockEntry; times: Time[]; next: Proposal }) {
  const units = useUnits();
  const loads = [...new Set([next.load, next.now, ...times.flatMap((t) => t.sets.map((s) => s.load))])].sort(
    (a, b) => b - a,
  );
  const reps = times.flatMap((t) => t.sets.map((s) => s.reps));
  const [low, high] = [Math.min(entry.repsFrom, ...reps) - 2, Math.max(entry.repsTo, ...reps) + 2];
  const x = (n: number) => 70 + (220 * (n - low)) / Math.max(1, high - low);
  const y = (load: number) => 16 + 34 * loads.indexOf(load);
  const height = 34 * loads.length + 16;
  return (
    <svg viewBox={`0 0 340 ${height}`} role="img" aria-label={next.why}>
      <rect
        x={x(entry.repsFrom)}
        y={2}
        width={x(entry.repsTo) - x(entry.repsFrom)}
        height={height - 18}
        fill="var(--ember-pale)"
        opacity={0.4}
      />
      {loads.map((load) => (
        <g key={load}>
          <text x={62} y={y(load) + 4} textAnchor="end" className={load === next.load ? "now mono" : "mono"}>
            {units.text(load, "mass")}
          </text>
          <line x1={70} x2={290} y1={y(load)} y2={y(load)} stroke="var(--quiet)" />
        </g>
      ))}
      {times.map((t, k) =>
        t.sets.map((s) => (
          <circle
            key={s.id}
            cx={x(s.reps)}
            cy={y(s.load)}
            r={4.5}
            fill="var(--ember)"
            stroke="var(--ember-deep)"
            opacity={1 - 0.3 * k}
          >
            <title>{`${dayWords(t.date)}: ${s.reps}`}</title>
          </circle>
        )),
      )}
      {next.reps.value != null && (
        <circle
          cx={x(next.reps.value)}
          cy={y(next.load)}
          r={6}
          fill="var(--sheet)"
          stroke="var(--ember-deep)"
          strokeWidth={2}
        />
      )}
      {[low + 2, Math.round((low + high) / 2), high - 2].map((n) => (
        <text key={n} x={x(n)} y={height - 3} textAnchor="middle" className="mono">
          {n}
        </text>
      ))}
      <text x={338} y={height - 3} textAnchor="end">
        reps
      </text>
    </svg>
  );
}
