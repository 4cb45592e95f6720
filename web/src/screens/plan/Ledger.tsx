import { useEffect, useRef, useState } from "react";
import styled from "styled-components";
import type { Core } from "../../engine/core";
import { fillers } from "../../engine/search";
import type { Block, Filler, Finding, Line, PlanWeek } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useRooms } from "../../state/rooms";
import { Button } from "../../ui/Button";
import { Disclosure } from "../../ui/Disclosure";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";
import { StatusIcon } from "../../ui/StatusIcon";
import { dayChanged, newEntry, weekdays, withEntry } from "./planEdits";
import { Spindle } from "./Spindle";

const Box = styled.section`
  display: grid;
  gap: 8px;
  h2 { font-size: 14px; }
  table { width: 100%; border-collapse: collapse; }
  th { font-weight: 400; color: var(--quiet); font-size: 12px; text-align: left; padding: 2px 0; }
  td { border-top: 1px solid var(--line); padding: 4px 0; vertical-align: middle; }
  td:first-child { width: 118px; line-height: 15px; padding-right: 6px; }
  td:first-child small { display: block; color: var(--ochre); font-weight: 600; font-size: 12px; }
  .numbers { display: grid; grid-template-columns: repeat(3, 1fr); font-size: 11px; text-align: center; width: 150px; }
  .numbers [data-none] { color: var(--ochre); font-weight: 600; }
  td:last-child { text-align: right; font-weight: 600; }
  .bounds { width: 46px; }
  .finding { display: grid; grid-template-columns: 20px minmax(0, 1fr); gap: 2px 6px; border-top: 1px solid var(--line); padding-top: 8px; }
  .finding > div { grid-column: 2; display: grid; grid-template-columns: auto minmax(0, 1fr) auto; gap: 10px; align-items: center; }
  .finding small { display: block; color: var(--quiet); }
  .set { display: grid; grid-template-columns: repeat(3, minmax(0, 1fr)); gap: 8px; }
  .quiet { color: var(--quiet); }
`;

type Props = { core: Core; block: Block; week: PlanWeek; change: (b: Block) => void };

const words: Record<string, string> = {
  little: "too little",
  much: "too much",
  gap: "a gap",
  close: "too close",
  crowded: "crowded",
};

/** What the week asks of every muscle over its length, and what should be looked at. */
export function Ledger({ core, block, week, change }: Props) {
  const most = Math.max(1, ...week.ledger.flatMap((l) => l.thirds));
  const trained = week.ledger.filter((l) => l.target);
  const others = week.ledger.filter((l) => !l.target && l.sets >= 1);
  const top = Math.max(week.high, ...trained.map((l) => l.sets));
  if (trained.length === 0)
    return (
      <Box aria-label="Hard sets this week">
        <h2>Hard sets this week, by muscle length</h2>
        <p className="quiet">Add exercises to a day: here stands what each muscle gets, and at which of its lengths.</p>
        <Rules block={block} week={week} change={change} />
      </Box>
    );
  return (
    <Box aria-label="Hard sets this week">
      <h2>Hard sets this week, by muscle length</h2>
      <table>
        <thead>
          <tr>
            <th />
            <th>
              <span className="numbers">
                <span>long</span>
                <span>mid</span>
                <span>short</span>
              </span>
            </th>
            <th className="bounds">bounds</th>
            <th style={{ textAlign: "right" }}>week</th>
          </tr>
        </thead>
        <tbody>
          {trained.map((l) => (
            <Row key={l.region} line={l} most={most} week={week} top={top} />
          ))}
        </tbody>
      </table>
      {others.length > 0 && (
        <Disclosure
          title="Works along"
          line={others
            .slice(0, 3)
            .map((l) => l.label.toLowerCase())
            .join(" · ")}
        >
          <table>
            <tbody>
              {others.map((l) => (
                <Row key={l.region} line={l} most={most} week={week} top={top} />
              ))}
            </tbody>
          </table>
        </Disclosure>
      )}
      {week.findings.map((f) => (
        <Told key={f.kind + f.region + f.third + f.day} core={core} finding={f} block={block} change={change} />
      ))}
      {week.findings.length === 0 && <p className="quiet">Nothing stands against this week.</p>}
      <Rules block={block} week={week} change={change} />
    </Box>
  );
}

/** One region: its sets over the thirds of its length, and where they lie between the bounds. */
function Row({ line: l, most, week, top }: { line: Line; most: number; week: PlanWeek; top: number }) {
  const known = l.thirds.some((n) => n > 0);
  const third = (n: number) => (n >= 0.05 ? n.toFixed(1) : l.target ? "none" : "0");
  const names = ["long", "mid", "short"];
  return (
    <tr data-region={l.region}>
      <td>
        {l.target ? <b>{l.label}</b> : l.label}
        {l.finding && <small>{words[l.finding]}</small>}
      </td>
      <td>
        {known ? (
          <>
            <span className="numbers mono">
              {l.thirds.map((n, i) => (
                <span key={names[i]} data-none={(l.target && n < 0.05) || undefined}>
                  {third(n)}
                </span>
              ))}
            </span>
            <Spindle thirds={l.thirds} most={most} width={150} height={20} />
          </>
        ) : (
          <span className="quiet">lengths not known</span>
        )}
      </td>
      <td className="bounds">
        <Bounds line={l} low={week.low} high={week.high} top={Math.max(top, l.sets)} />
      </td>
      <td className="mono">{l.sets.toFixed(1)}</td>
    </tr>
  );
}

/** Where the sets of a week lie between the coach's bounds. */
function Bounds({ line, low, high, top }: { line: Line; low: number; high: number; top: number }) {
  const x = (sets: number) => 2 + (40 * sets) / top;
  return (
    <svg width={46} height={16} role="img" aria-label={`${line.sets.toFixed(1)} of ${low} to ${high}`}>
      <rect x={x(low)} y={3} width={Math.max(1, x(high) - x(low))} height={10} fill="url(#hatch-bounds)" />
      <path d={`M${x(low)} 2v12M${x(high)} 2v12`} stroke="var(--slate)" />
      <path d={`M${x(line.sets)} 0v16`} stroke="var(--ink)" strokeWidth={2.5} />
      <defs>
        <pattern id="hatch-bounds" width="5" height="5" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
          <path d="M0 0v5" stroke="var(--line)" strokeWidth={2} />
        </pattern>
      </defs>
    </svg>
  );
}

type ToldProps = { core: Core; finding: Finding; block: Block; change: (b: Block) => void };

/** One finding with what would mend it. */
function Told({ core, finding, block, change }: ToldProps) {
  return (
    <div className="finding">
      <StatusIcon tone={finding.kind === "gap" || finding.kind === "little" ? "warning" : "caution"} />
      <span>
        {finding.text} {finding.kind === "close" && <MoveDay block={block} day={finding.day} change={change} />}
      </span>
      {(finding.kind === "gap" || finding.kind === "little") && (
        <Fill core={core} finding={finding} block={block} change={change} />
      )}
    </div>
  );
}

/** The day moved to the next weekday that is free. */
function MoveDay({ block, day, change }: { block: Block; day: number; change: (b: Block) => void }) {
  const d = block.days[day];
  const taken = new Set(block.days.map((x) => x.weekday));
  const to = [1, 2, 3, 4, 5, 6].map((n) => (((d?.weekday ?? 1) + n - 1) % 7) + 1).find((w) => !taken.has(w));
  if (!d || to === undefined) return null;
  return (
    <Button look="link" onPress={() => change(dayChanged(block, day, { weekday: to }))}>
      Move {d.name} to {weekdays[to]}
    </Button>
  );
}

/** The exercises that fill a gap best, looked for on a press: it takes a second or two. */
function Fill({ core, finding, block, change }: ToldProps) {
  const rooms = useRooms().data?.items ?? [];
  const [share, setShare] = useState<number | null>(null);
  const [found, setFound] = useState<Filler[] | null>(null);
  const stop = useRef<(() => void) | null>(null);
  useEffect(() => () => stop.current?.(), []);
  const lifter = block.days.flatMap((d) => d.entries)[0]?.document.lifter;
  if (!lifter || !finding.region) return null;
  const room = rooms.find((r) => r.id === block.gym) ?? rooms[0] ?? null;
  const look = () => {
    setShare(0);
    stop.current = fillers({ lifter, room }, finding.region ?? "", Math.max(0, finding.third), setShare, ({ ok }) => {
      setShare(null);
      setFound(ok ?? []);
    });
  };
  const day = shortest(block);
  const add = (f: Filler) => {
    const entry = newEntry(core, f.document);
    if (entry) change(withEntry(block, day, entry));
  };
  if (share !== null) return <div role="status">Looking: {Math.round(100 * share)}%</div>;
  if (!found)
    return (
      <div>
        <Button look="link" onPress={look}>
          What fills it here?
        </Button>
      </div>
    );
  if (found.length === 0) return <div>No exercise here works it hard.</div>;
  return found.map((f) => (
    <div key={f.key}>
      <SetupPicture document={f.document} width={64} height={52} />
      <span>
        <b>{f.name}</b>
        <small className="mono">
          +{f.adds.toFixed(1)}, +{Math.round(f.minutes)} min
        </small>
      </span>
      <Button onPress={() => add(f)}>Add to {block.days[day]?.name}</Button>
    </div>
  ));
}

/** The day with the fewest sets. */
function shortest(b: Block): number {
  const sets = b.days.map((d) => d.entries.reduce((n, e) => n + e.sets, 0));
  return Math.max(0, sets.indexOf(Math.min(...sets)));
}

/** The coach's bounds, what lags, and how long a change takes. */
function Rules({ block, week, change }: { block: Block; week: PlanWeek; change: (b: Block) => void }) {
  const lags = block.lags ?? [];
  const others = week.ledger.filter((l) => !lags.includes(l.region));
  return (
    <Disclosure title="Rules" line={`${week.low} to ${week.high} hard sets`}>
      <div className="set">
        <QuantityEntry
          label="At least"
          kind="count"
          digits={0}
          value={week.low}
          set={(low) => change({ ...block, low })}
        />
        <QuantityEntry
          label="At most"
          kind="count"
          digits={0}
          value={week.high}
          set={(high) => change({ ...block, high })}
        />
        <QuantityEntry
          label="A change takes"
          kind="time"
          digits={0}
          value={block.seconds ?? 45}
          set={(seconds) => change({ ...block, seconds })}
        />
      </div>
      <p className="quiet">Hard: at most 4 left in reserve. 6 to 20 a week unless you set it, common practice.</p>
      <Select
        label="Comes first because it lags"
        options={[
          { key: "", label: lags.length ? "Another" : "Nothing" },
          ...others.map((l) => ({ key: l.region, label: l.label })),
        ]}
        value=""
        onChange={(key) => key && change({ ...block, lags: [...lags, key] })}
      />
      {lags.map((key) => (
        <Button key={key} look="link" onPress={() => change({ ...block, lags: lags.filter((k) => k !== key) })}>
          {week.ledger.find((l) => l.region === key)?.label ?? key} no longer
        </Button>
      ))}
    </Disclosure>
  );
}
