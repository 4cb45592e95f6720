import { VisuallyHidden } from "react-aria";
import styled from "styled-components";
import type { Block, PlanWeek } from "../../engine/types";
import { QuantityEntry } from "../../ui/Entry";
import { Select } from "../../ui/Select";
import { dayLater, dayWords, today, weekOf } from "./planEdits";

const Box = styled.section`
  display: flex;
  flex-wrap: wrap;
  gap: 8px 20px;
  align-items: end;
  padding: 10px 20px;
  border-bottom: 1px solid var(--line);
  .weeks { display: flex; flex: 1 1 360px; min-width: 0; overflow-x: auto; position: relative; }
  .weeks button {
    flex: 1 1 48px;
    min-width: 48px;
    display: grid;
    gap: 2px;
    justify-items: center;
    padding: 2px 0 4px;
    border: 1px solid transparent;
    border-radius: 6px;
    background: none;
    color: var(--quiet);
    font-size: 12px;
    cursor: pointer;
  }
  .weeks button[aria-pressed="true"] { border-color: var(--ink); color: var(--ink); font-weight: 600; }
  .weeks i { display: flex; align-items: center; height: 40px; width: 100%; }
  .weeks i span { display: block; width: 100%; background: var(--ember); }
  .weeks button[data-ahead="true"] i span {
    background: repeating-linear-gradient(135deg, var(--ember) 0 1.5px, var(--ember-pale) 1.5px 5px);
  }
  .set { display: flex; flex-wrap: wrap; gap: 8px; align-items: end; }
  .set label { width: 72px; }
  .set .date { display: grid; gap: 3px; width: 140px; font-size: 12px; color: var(--quiet); }
  .set input[type="date"] {
    min-height: max(30px, var(--target));
    border: 1px solid var(--line);
    border-radius: 6px;
    background: var(--paper);
    padding: 2px 6px;
    color: var(--ink);
  }
`;

type Props = {
  block: Block;
  week: number;
  setWeek: (week: number) => void;
  counts: PlanWeek["sets"];
  change: (b: Block) => void;
};

/** The weeks of a block as a ribbon, as wide as their sets; one of them is shown below. */
export function Ribbon({ block, week, setWeek, counts, change }: Props) {
  const most = Math.max(1, ...counts.map((c) => c.sets));
  const now = weekOf(block, today());
  const from = dayLater(block.start, 7 * (week - 1));
  const deloads = [
    { key: "0", label: "None" },
    ...Array.from({ length: block.weeks }, (_, i) => ({ key: String(i + 1), label: `Week ${i + 1}` })),
  ];
  return (
    <Box aria-label="Weeks">
      <div className="weeks">
        {counts.map((c) => (
          <button
            key={c.week}
            type="button"
            aria-pressed={c.week === week}
            data-ahead={c.week >= now}
            onClick={() => setWeek(c.week)}
          >
            <span>
              <VisuallyHidden>Week </VisuallyHidden>
              {c.week}
              {c.deload && ", deload"}
            </span>
            <i aria-hidden>
              <span style={{ height: `${Math.max(1, (36 * c.sets) / most)}px` }} />
            </i>
            <span className="mono">
              {c.sets}
              <VisuallyHidden> sets</VisuallyHidden>
            </span>
          </button>
        ))}
      </div>
      <span>
        {dayWords(from)} to {dayWords(dayLater(from, 6))}
      </span>
      <div className="set">
        <label className="date">
          First day
          <input
            type="date"
            value={block.start}
            onChange={(e) => e.target.value && change({ ...block, start: e.target.value })}
          />
        </label>
        <QuantityEntry
          label="Weeks"
          kind="count"
          digits={0}
          value={block.weeks}
          set={(v) => {
            const weeks = Math.round(v ?? block.weeks);
            change({ ...block, weeks, deload: Math.min(block.deload ?? 0, Math.max(0, weeks)) || undefined });
          }}
        />
        <Select
          label="Deload"
          options={deloads}
          value={String(block.deload ?? 0)}
          onChange={(key) => change({ ...block, deload: Number(key) || undefined })}
        />
      </div>
    </Box>
  );
}
