import { createStore, entries, get, update } from "idb-keyval";
import { client, isOutage, settled } from "../../api/client";
import type { Core } from "../../engine/core";
import type { Session } from "../../engine/types";

/** A session as this phone keeps it: what it has, and how often that was changed and sent. */
export type Kept = { session: Session; changes: number; sent: number };

/** In the browser's database, so that a set is safe before anything is sent. */
const store = createStore("dialarc-log", "sessions");

export const keptSession = (id: string): Promise<Kept | undefined> => get<Kept>(id, store);

const listeners = new Set<() => void>();

/** Is told whenever a session that this phone keeps is changed or sent. */
export function listen(told: () => void): () => void {
  listeners.add(told);
  return () => listeners.delete(told);
}

const tell = () => {
  for (const told of listeners) told();
};

/** Keeps a session that was changed here. */
export async function keep(id: string, session: Session): Promise<void> {
  await update<Kept>(id, (was) => ({ session, changes: (was?.changes ?? 0) + 1, sent: was?.sent ?? 0 }), store);
  tell();
}

/** Whether something that was logged here has not been sent. A page that is left while it opens the database keeps it from the next one. */
export const anyUnsent = async (): Promise<boolean> =>
  performance.now() > settledAfter && (await entries<string, Kept>(store)).some(([, kept]) => kept.sent < kept.changes);

/** From when on a page is taken to stay open, ms. */
const settledAfter = 3000;

let away = false;

/** Whether the server could not be reached when something was to be sent last. */
export const serverAway = (): boolean => away;

/** Sends what was not sent yet and takes what others have logged. */
export async function sendKept(core: Core): Promise<void> {
  let reached = true;
  for (const [id, kept] of await entries<string, Kept>(store)) {
    if (kept.sent >= kept.changes) continue;
    try {
      const row = await settled(client.PUT("/api/sessions/{id}", { params: { path: { id } }, body: kept.session }));
      await update<Kept>(
        id,
        (now) => {
          if (!now) return { session: row.document, changes: kept.changes, sent: kept.changes };
          const { ok } = core.mergeSessions(JSON.stringify(now.session), JSON.stringify(row.document));
          return { ...now, session: ok ?? now.session, sent: Math.max(now.sent, kept.changes) };
        },
        store,
      );
      refusals.delete(id);
      tell();
    } catch (error) {
      if (isOutage(error)) reached = false;
      else refusals.set(id, error instanceof Error ? error.message : String(error));
    }
  }
  if (away === reached) {
    away = !reached;
    tell();
  }
}

/** Why the server did not take a session, by its id; it is kept here and tried again. */
export const refusals = new Map<string, string>();

/** The id of a day's session, the same on every phone that logs it. */
export async function sessionId(words: string): Promise<string> {
  const bytes = new Uint8Array(await crypto.subtle.digest("SHA-1", new TextEncoder().encode(words))).slice(0, 16);
  bytes[6] = ((bytes[6] ?? 0) & 0x0f) | 0x50; // a name-based UUID, RFC 9562
  bytes[8] = ((bytes[8] ?? 0) & 0x3f) | 0x80;
  const hex = [...bytes].map((b) => b.toString(16).padStart(2, "0")).join("");
  return [hex.slice(0, 8), hex.slice(8, 12), hex.slice(12, 16), hex.slice(16, 20), hex.slice(20)].join("-");
}
