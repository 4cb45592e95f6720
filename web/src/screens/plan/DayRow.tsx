import { MoreHorizontal } from "lucide-react";
import { useNavigate } from "react-router";
import styled from "styled-components";
import { NameField } from "../../editing/NameField";
import type { Block, BlockEntry, DayTold, EntryTold } from "../../engine/types";
import { SetupPicture } from "../../figure/SetupPicture";
import { useUnits } from "../../state/units";
import { Button } from "../../ui/Button";
import { Menu } from "../../ui/Menu";
import { Select } from "../../ui/Select";
import { dayChanged, dayCopied, moved, ordered, type Spot, setsWords, weekdays, withoutDay } from "./planEdits";
import { Spindle } from "./Spindle";

const Row = styled.section`
  display: grid;
  grid-template-columns: 132px minmax(0, 1fr);
  gap: 12px;
  padding: 12px 20px;
  border-bottom: 1px solid var(--line);
  > header { display: grid; gap: 4px; align-content: start; }
  > header input {
    font-size: 22px;
    font-weight: 600;
    width: 100%;
    border: 1px solid transparent;
    border-radius: 5px;
    background: none;
    padding: 0 4px;
    margin-left: -5px;
  }
  > header input:hover { border-color: var(--line); }
  > header small { color: var(--quiet); font-size: 12px; }
  .line { display: flex; flex-wrap: wrap; gap: 8px 0; align-items: stretch; min-height: 120px; }
  .end { align-self: end; display: grid; gap: 2px; padding: 0 0 34px 12px; }
  .better { grid-column: 2; display: flex; flex-wrap: wrap; gap: 4px 12px; align-items: baseline; color: var(--quiet); font-size: 12px; }
  .better b { color: var(--ink); }
  @media (max-width: 700px) {
    grid-template-columns: minmax(0, 1fr);
    .better { grid-column: 1;
    } > header { grid-template-columns: 1fr 1fr;
    };
  }
`;

const Card = styled.div`
  display: grid;
  grid-template-rows: auto 1fr;
  min-width: 118px;
  max-width: 220px;
  border: 2px solid transparent;
  border-radius: 8px;
  padding: 3px;
  &[data-chosen="true"] { border-color: var(--ink); background: var(--sheet); }
  &[data-over="true"] { box-shadow: inset 4px 0 0 var(--ember); }
  > button {
    display: grid;
    gap: 2px;
    justify-items: start;
    align-content: start;
    border: 0;
    background: none;
    padding: 0;
    text-align: left;
    color: inherit;
    cursor: pointer;
    border-radius: 5px;
  }
  > button > div { border: 0; background: none; width: 100%; }
  .floor { display: block; width: 100%; height: 3px; background: var(--ink); margin-bottom: 3px; }
  b { font-size: 12.5px; line-height: 16px; }
  small { font-size: 12px; line-height: 16px; color: var(--quiet); display: flex; gap: 5px; align-items: center; }
  .changes { align-self: end; font-size: 11px; color: var(--quiet); }
`;

type Props = {
  block: Block;
  day: number;
  told: DayTold | null;
  chosen: string | null;
  choose: (id: string | null) => void;
  change: (b: Block) => void;
  add: () => void;
  give: () => void;
  lifterId: string;
  blockId: string;
  week: number;
};

/** One day: its exercises along the floor, each as wide as it is long in minutes, with what the day takes. */
export function DayRow(props: Props) {
  const { block, day, told, chosen, choose, change, add } = props;
  const d = block.days[day];
  const navigate = useNavigate();
  if (!d) return null;
  const sets = told?.entries.reduce((n, e) => n + e.sets, 0) ?? 0;
  const move = (from: Spot, to: Spot) => change(moved(block, from, to));
  const onKey = (at: number) => (e: React.KeyboardEvent) => {
    if (!e.altKey) return;
    const to: Record<string, Spot | undefined> = {
      ArrowLeft: at > 0 ? { day, at: at - 1 } : undefined,
      ArrowRight: at < d.entries.length - 1 ? { day, at: at + 1 } : undefined,
      ArrowUp: day > 0 ? { day: day - 1, at: 99 } : undefined,
      ArrowDown: day < block.days.length - 1 ? { day: day + 1, at: 99 } : undefined,
    };
    const spot = to[e.key];
    if (!spot) return;
    e.preventDefault();
    move({ day, at }, spot);
  };
  return (
    <Row
      aria-label={`Day ${d.name}`}
      onDragOver={(e) => e.preventDefault()}
      onDrop={dropped(move, { day, at: d.entries.length })}
    >
      <header>
        <NameField
          key={d.name}
          label={`Name of day ${d.name}`}
          name={d.name}
          rename={(name) => change(dayChanged(block, day, { name: name.slice(0, 40) }))}
        />
        <Select
          label={`Weekday of ${d.name}`}
          hideLabel
          options={weekdays.map((w, i) => ({ key: String(i), label: w }))}
          value={String(d.weekday ?? 0)}
          onChange={(key) => change(dayChanged(block, day, { weekday: Number(key) || undefined }))}
        />
        <small>
          {sets} sets{told && told.changes > 0 && `, ${told.changes} changes`}
        </small>
        <span>
          <Menu
            label={`More about day ${d.name}`}
            actions={[
              {
                label: "Log this day",
                run: () => navigate(`/log/${props.lifterId}/${props.blockId}/${props.week}/${day}`),
              },
              { label: "Print cards", run: () => navigate(`/cards/${props.blockId}/${day}`) },
              { label: "Duplicate the day", run: () => change(dayCopied(block, day)) },
              { label: "Give to another lifter", run: props.give },
              { label: "Remove the day", run: () => change(withoutDay(block, day)) },
            ]}
          >
            <MoreHorizontal size={15} aria-hidden />
          </Menu>
        </span>
      </header>
      <div className="line">
        {d.entries.map((e, at) => (
          <Entry
            key={e.id}
            entry={e}
            told={told?.entries.find((t) => t.id === e.id) ?? null}
            longest={Math.max(1, ...(told?.entries.map((t) => t.minutes) ?? []))}
            chosen={e.id === chosen}
            choose={() => choose(e.id === chosen ? null : e.id)}
            spot={{ day, at }}
            move={move}
            onKey={onKey(at)}
          />
        ))}
        <div className="end">
          {told && d.entries.length > 0 && <b className="mono">{Math.round(told.minutes)} min</b>}
          <Button look="link" aria-label={`Add an exercise to ${d.name}`} onPress={add}>
            + Add
          </Button>
        </div>
      </div>
      {told?.better && (
        <div className="better">
          <span>
            A better order: <b>{told.better.order.map((i) => d.entries[i]?.document.name).join(", ")}</b>
            {told.better.changes < told.changes && `, ${told.changes - told.better.changes} changes fewer`}.{" "}
            {told.better.reasons[0] && `First ${told.better.reasons[0]}.`}
          </span>
          <Button look="link" onPress={() => change(ordered(block, day, told.better.order))}>
            Use this order
          </Button>
        </div>
      )}
    </Row>
  );
}

const carried = "text/dialarc-entry";

const dropped = (move: (from: Spot, to: Spot) => void, to: Spot) => (e: React.DragEvent) => {
  const text = e.dataTransfer.getData(carried);
  if (!text) return;
  e.preventDefault();
  e.stopPropagation();
  move(JSON.parse(text) as Spot, to);
};

type EntryProps = {
  entry: BlockEntry;
  told: EntryTold | null;
  longest: number;
  chosen: boolean;
  choose: () => void;
  spot: Spot;
  move: (from: Spot, to: Spot) => void;
  onKey: (e: React.KeyboardEvent) => void;
};

function Entry({ entry, told, longest, chosen, choose, spot, move, onKey }: EntryProps) {
  const units = useUnits();
  const load = told?.loading.load.value;
  const work = told?.digest.work.find((w) => w.region === told.digest.target) ?? told?.digest.work[0];
  return (
    <Card
      data-chosen={chosen}
      data-entry={entry.id}
      draggable
      onDragStart={(e) => e.dataTransfer.setData(carried, JSON.stringify(spot))}
      onDragOver={(e) => e.preventDefault()}
      onDrop={dropped(move, spot)}
      style={{ flex: `${told ? Math.max(0.6, told.minutes / longest) : 1} 1 118px` }}
    >
      <button type="button" aria-pressed={chosen} onClick={choose} onKeyDown={onKey}>
        <SetupPicture document={entry.document} width={118} height={92} />
        <span className="floor" aria-hidden />
        <b>{entry.document.name}</b>
        <small className="mono">
          {setsWords(entry, told?.sets)}
          {load != null && ` ${units.text(load, "mass")}`}
        </small>
        {work && told && (
          <small>
            <Spindle thirds={work.thirds} most={Math.max(...work.thirds)} width={36} height={10} />
            {told.digest.label}
          </small>
        )}
      </button>
      {told && told.move.changes > 0 && (
        <span className="changes" title={told.move.what.join(", ")}>
          {told.move.changes} {told.move.changes === 1 ? "change" : "changes"} first
        </span>
      )}
    </Card>
  );
}
