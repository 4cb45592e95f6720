import type { Core } from "../../engine/core";
import type { Block, BlockDay, BlockEntry, SetupDocument } from "../../engine/types";

/** Where an entry stands: the place of its day and its place in it. */
export type Spot = { day: number; at: number };

const withDay = (b: Block, day: number, change: (d: BlockDay) => BlockDay): Block => ({
  ...b,
  days: b.days.map((d, i) => (i === day ? change(d) : d)),
});

/** A setup as it is planned until the coach says otherwise; undefined where it cannot be used. */
export function newEntry(
  core: Core,
  document: SetupDocument,
  from?: { id: string; version: number },
): BlockEntry | undefined {
  const { ok } = core.entry(JSON.stringify(document));
  return ok && { ...ok, id: crypto.randomUUID(), ...(from && { setupId: from.id, setupVersion: from.version }) };
}

export const withEntry = (b: Block, day: number, entry: BlockEntry): Block =>
  withDay(b, day, (d) => ({ ...d, entries: [...d.entries, entry] }));

export const changed = (b: Block, { day, at }: Spot, change: Partial<BlockEntry>): Block =>
  withDay(b, day, (d) => ({ ...d, entries: d.entries.map((e, i) => (i === at ? { ...e, ...change } : e)) }));

export const without = (b: Block, { day, at }: Spot): Block =>
  withDay(b, day, (d) => ({ ...d, entries: d.entries.toSpliced(at, 1) }));

/** A copy of an entry behind it, with sets of its own. */
export const entryCopied = (b: Block, { day, at }: Spot): Block =>
  withDay(b, day, (d) => {
    const e = d.entries[at];
    return e ? { ...d, entries: d.entries.toSpliced(at + 1, 0, { ...e, id: crypto.randomUUID() }) } : d;
  });

/** An entry moved to another place, in its day or another. */
export function moved(b: Block, from: Spot, to: Spot): Block {
  const entry = b.days[from.day]?.entries[from.at];
  if (!entry || !b.days[to.day]) return b;
  return withDay(without(b, from), to.day, (d) => ({ ...d, entries: d.entries.toSpliced(to.at, 0, entry) }));
}

/** A day whose entries stand in another order. */
export const ordered = (b: Block, day: number, order: number[]): Block =>
  withDay(b, day, (d) => ({ ...d, entries: order.flatMap((i) => d.entries[i] ?? []) }));

const letters = "ABCDEFGHIJKLMN";

const freeLetter = (b: Block): string =>
  [...letters].find((l) => !b.days.some((d) => d.name === l)) ?? `${b.days.length + 1}`;

/** One more day, called by the first letter that is free. */
export const withNewDay = (b: Block): Block => ({ ...b, days: [...b.days, { name: freeLetter(b), entries: [] }] });

/** A day of another plan behind its own; called otherwise when there is one of that name. */
export function withDayOf(b: Block, d: BlockDay): Block {
  const name = b.days.some((x) => x.name === d.name) ? freeLetter(b) : d.name;
  return { ...b, days: [...b.days, { ...d, name }] };
}

export const withoutDay = (b: Block, day: number): Block => ({ ...b, days: b.days.toSpliced(day, 1) });

export const dayChanged = (b: Block, day: number, change: Partial<BlockDay>): Block =>
  withDay(b, day, (d) => ({ ...d, ...change }));

/** A copy of a day with entries of its own. */
export function dayCopied(b: Block, day: number): Block {
  const d = b.days[day];
  if (!d) return b;
  const entries = d.entries.map((e) => ({ ...e, id: crypto.randomUUID() }));
  return withDayOf(b, { ...d, weekday: 0, entries });
}

export const weekdays = ["Any day", "Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** A day of the calendar so many days later. */
export function dayLater(date: string, days: number): string {
  const at = new Date(`${date}T12:00:00Z`);
  at.setUTCDate(at.getUTCDate() + days);
  return at.toISOString().slice(0, 10);
}

/** A day of the calendar in words: 18 Jan. */
export const dayWords = (date: string): string =>
  new Date(`${date}T12:00:00Z`).toLocaleDateString("en-GB", { day: "numeric", month: "short", timeZone: "UTC" });

/** Today by the machine's own calendar. */
export function today(): string {
  const now = new Date();
  const two = (n: number) => String(n).padStart(2, "0");
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}

/** The week of a block in which a day lies, from 1; 0 before it and one more than there are after it. */
export function weekOf(b: Block, date: string): number {
  const days = Math.round((Date.parse(`${date}T12:00:00Z`) - Date.parse(`${b.start}T12:00:00Z`)) / 86_400_000);
  return Math.max(0, Math.min(b.weeks + 1, Math.floor(days / 7) + 1));
}

/** Sets, repetitions: "4 × 8–12". */
export const setsWords = (e: BlockEntry, sets = e.sets): string =>
  `${sets} × ${e.repsFrom === e.repsTo ? e.repsFrom : `${e.repsFrom}–${e.repsTo}`}`;
