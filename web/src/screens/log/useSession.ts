import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { client, settled } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Block, PlanWeek, Session, SessionSet, StoredSession } from "../../engine/types";
import { useStable } from "../../ui/useStable";
import { keep, keptSession, listen, refusals, sendKept, serverAway, sessionId } from "./box";

export type Day = { lifterId: string; block: Block; blockId: string; week: number; day: number; date: string };

/** The session of a day: what was kept here, else what the server has, else a fresh one as planned. Every change is kept here first. */
export function useSession(core: Core, day: Day, told: PlanWeek | null) {
  const [id, setId] = useState<string | null>(null);
  const [session, setSession] = useState<Session | null>(null);
  const [pending, setPending] = useState(false);
  const [away, setAway] = useState(false);
  const past = usePast(day.lifterId);
  const ready = told !== null;
  const { blockId, date } = day;
  const name = day.block.days[day.day]?.name ?? "";
  // biome-ignore lint/correctness/useExhaustiveDependencies: once, when what it is made from is there
  useEffect(() => {
    if (!ready || !told) return;
    let gone = false;
    void (async () => {
      const key = await sessionId(blockId, name, date);
      const kept = await keptSession(key);
      const there = (past.data ?? []).find((s) => s.id === key)?.document;
      const fresh = kept?.session ?? there ?? freshSession(day, told);
      if (gone) return;
      setId(key);
      setSession(fresh);
    })();
    return () => {
      gone = true;
    };
  }, [ready, blockId, name, date]);
  useEffect(() => {
    if (!id) return;
    const again = async () => {
      const kept = await keptSession(id);
      if (!kept) return;
      setSession(kept.session);
      setPending(kept.sent < kept.changes);
      setAway(serverAway());
    };
    return listen(() => void again());
  }, [id]);
  const change = useStable(async (next: Session) => {
    if (!id) return;
    setSession(next);
    setPending(true);
    await keep(id, next);
    void sendKept(core);
  });
  return {
    id,
    session,
    pending,
    away,
    refusal: id ? refusals.get(id) : undefined,
    past: past.data ?? [],
    /** Adds a set, or puts one that was changed in its place. */
    put: useStable((set: SessionSet) => {
      if (!session) return;
      const sets = session.sets.some((s) => s.id === set.id)
        ? session.sets.map((s) => (s.id === set.id ? set : s))
        : [...session.sets, set];
      void change({ ...session, sets });
    }),
    /** Changes what stands beside the sets. */
    change: useStable((to: Partial<Session>) => {
      if (session) void change({ ...session, ...to, rev: session.rev + 1 });
    }),
  };
}

/** A lifter's last sessions. */
export const usePast = (lifterId: string) =>
  useQuery({
    queryKey: ["sessions", lifterId],
    queryFn: async () =>
      (await settled(client.GET("/api/sessions", { params: { query: { lifterId, limit: 30 } } }))).items,
    retry: false,
  });

/** The sets of the last time that an entry's setup was done before a day. */
export function lastTime(past: StoredSession[], entry: Session["entries"][number], before: string): SessionSet[] {
  for (const { document: s } of past) {
    if (s.date >= before) continue;
    const same = s.entries.filter((e) =>
      entry.setupId ? e.setupId === entry.setupId : e.document.name === entry.document.name,
    );
    const sets = s.sets.filter((x) => !x.dropped && same.some((e) => e.id === x.entry));
    if (sets.length > 0) return sets;
  }
  return [];
}

/** The last sets of every entry of a block before a day, as the core takes them. */
export function lastOf(past: StoredSession[], block: Block, before: string): string {
  const all = block.days
    .flatMap((d) => d.entries)
    .flatMap((e) => {
      const sets = lastTime(past, e, before).map(({ load, reps, rir }) => ({ load, reps, rir }));
      return sets.length > 0 ? [[e.id, sets] as const] : [];
    });
  return JSON.stringify(Object.fromEntries(all));
}

/** A day as it is planned: each entry with its load. */
function freshSession(day: Day, told: PlanWeek): Session {
  const d = day.block.days[day.day];
  const entries = d?.entries ?? [];
  return {
    schema: "dialarc.session/1",
    rev: 0,
    lifterId: day.lifterId,
    name: d?.name ?? "",
    date: day.date,
    blockId: day.blockId,
    week: day.week,
    entries,
    planned: entries.map((e) => {
      const t = told.days[day.day]?.entries.find((x) => x.id === e.id);
      const reps = t?.loading.reps.value ?? (e.repsFrom + e.repsTo) / 2;
      return {
        entry: e.id,
        sets: t?.sets ?? e.sets,
        load: t?.loading.load.value ?? 0,
        reps: Math.round(Math.max(e.repsFrom, Math.min(e.repsTo, reps))),
        rir: Math.min(4, t?.rirTo ?? e.rirTo),
      };
    }),
    sets: [],
  };
}
