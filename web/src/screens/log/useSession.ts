import { useQuery } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { asked } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Block, Session, SessionSet, StoredSession } from "../../engine/types";
import { useStable } from "../../ui/useStable";
import { keep, keptSession, listen, refusals, sendKept, serverAway, sessionId } from "./box";

/** What a day is begun with, and what its session is known by: the same words on every phone. */
export type Day = { fresh: Session; words: string[]; gym?: string };

/** The session of a day: what was kept here, else what the server has, else a fresh one as planned. Every change is kept here first. */
export function useSession(core: Core, day: Day) {
  const [id, setId] = useState<string | null>(null);
  const [session, setSession] = useState<Session | null>(null);
  const [pending, setPending] = useState(false);
  const [away, setAway] = useState(false);
  const past = usePast(day.fresh.lifterId ?? "");
  const words = day.words.join("\n");
  // biome-ignore lint/correctness/useExhaustiveDependencies: once for a day
  useEffect(() => {
    let gone = false;
    void (async () => {
      const key = await sessionId(words);
      const kept = await keptSession(key);
      const there = (past.data ?? []).find((s) => s.id === key)?.document;
      if (gone) return;
      setId(key);
      setSession(kept?.session ?? there ?? day.fresh);
    })();
    return () => {
      gone = true;
    };
  }, [words]);
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
    ...asked("get", "/api/sessions", { params: { query: { lifterId, limit: 30 } } }),
    select: ({ items }) => items,
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
