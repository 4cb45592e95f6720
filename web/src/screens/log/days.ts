import type { Core } from "../../engine/core";
import type { Block, BlockEntry, EntryTold, PlannedEntry, PlanWeek, Session } from "../../engine/types";
import { type Day, lastOf } from "./useSession";

const session = (lifterId: string, name: string, date: string): Session => ({
  schema: "dialarc.session/1",
  rev: 0,
  lifterId,
  name,
  date,
  entries: [],
  sets: [],
});

/** A day of a block as it is planned, each exercise with its load. */
export function plannedDay(b: Block, blockId: string, week: number, day: number, date: string, told: PlanWeek): Day {
  const { name, entries } = b.days[day] ?? { name: "", entries: [] };
  const of = (e: BlockEntry) =>
    planned(
      e,
      told.days[day]?.entries.find((x) => x.id === e.id),
    );
  return {
    fresh: { ...session(b.lifterId ?? "", name, date), blockId, week, entries, planned: entries.map(of) },
    words: [blockId, name, date],
    gym: b.gym,
  };
}

/** A day without a plan: exercises are added as they are done. */
export const unplannedDay = (lifterId: string, date: string, gym?: string): Day => ({
  fresh: { ...session(lifterId, "Without a plan", date), planned: [] },
  words: ["unplanned", lifterId, date],
  gym,
});

/** What an exercise is done with: the load that gives its repetitions with what is to be left in reserve. */
function planned(e: BlockEntry, told?: EntryTold): PlannedEntry {
  const reps = told?.loading.reps.value ?? (e.repsFrom + e.repsTo) / 2;
  return {
    entry: e.id,
    sets: told?.sets ?? e.sets,
    load: told?.loading.load.value ?? 0,
    reps: Math.round(Math.max(e.repsFrom, Math.min(e.repsTo, reps))),
    rir: Math.min(4, told?.rirTo ?? e.rirTo),
  };
}

/** The same for an exercise that was added on the day, by what was done with it before. */
export function plannedNow(core: Core, e: BlockEntry, of: Session, past: Parameters<typeof lastOf>[0]): PlannedEntry {
  const alone: Block = {
    schema: "dialarc.block/1",
    name: of.name,
    start: of.date,
    weeks: 1,
    days: [{ name: of.name, entries: [e] }],
  };
  const told = core.week(JSON.stringify(alone), 1, lastOf(past, alone, of.date)).ok;
  return planned(e, told?.days[0]?.entries[0]);
}
