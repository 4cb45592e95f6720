import { useQuery } from "@tanstack/react-query";
import { asked } from "../../api/client";
import { useLifterNames } from "../begin/useSaved";
import { today, weekdays, weekOf } from "../plan/planEdits";

/** A day of a block that runs now. */
export type RunningDay = {
  lifterId: string;
  lifter: string;
  blockId: string;
  week: number;
  weeks: number;
  day: number;
  name: string;
  /** By its name and weekday. */
  label: string;
  /** Whether it is planned for today. */
  today: boolean;
  sets: number;
  exercises: number;
};

export const useBlocks = () => useQuery(asked("get", "/api/blocks", { params: { query: { limit: 200 } } }));

/** The days of all blocks that run now, by lifter. */
export function useToday(): RunningDay[] {
  const blocks = useBlocks().data?.items ?? [];
  const whose = useLifterNames();
  const date = today();
  const weekday = new Date(`${date}T12:00:00Z`).getUTCDay() || 7;
  const days = blocks.flatMap(({ id, document: b }): RunningDay[] => {
    const week = weekOf(b, date);
    const lifterId = b.lifterId ?? "";
    if (week < 1 || week > b.weeks || lifterId === "") return [];
    return b.days.map((d, day) => ({
      lifterId,
      lifter: whose(lifterId),
      blockId: id,
      week,
      weeks: b.weeks,
      day,
      name: d.name,
      label: `${d.name}${d.weekday ? `, ${weekdays[d.weekday]?.slice(0, 3)}` : ""}`,
      today: d.weekday === weekday,
      sets: d.entries.reduce((n, e) => n + e.sets, 0),
      exercises: d.entries.length,
    }));
  });
  return days.sort((a, b) => a.lifter.localeCompare(b.lifter) || a.day - b.day);
}
