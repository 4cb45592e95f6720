import { useQueryClient } from "@tanstack/react-query";
import { useEffect } from "react";
import { changed, keptAt } from "../api/changed";
import { isOutage, Refused } from "../api/client";
import { notify } from "../ui/Notices";
import { useRepeat } from "../ui/useRepeat";
import { type Draft, draftSaved, drafts, writeDraft } from "./draft";
import { send } from "./send";

/** The documents that are open; each of them sends its own saves. */
const open = new Set<string>();

/** Leaves the saves of a document to whoever calls it, as long as it is shown. */
export function useOwnSaves(id: string): void {
  useEffect(() => {
    open.add(id);
    return () => {
      open.delete(id);
    };
  }, [id]);
}

const every = 3000; // ms

/** Sends the saves that were asked for while the server was away and whose screen was left. */
export function useOutbox(): void {
  const cache = useQueryClient();
  useRepeat(async () => {
    for (const draft of drafts()) {
      if (!draft.waiting || open.has(draft.id)) continue;
      const told = await deliverOne(draft.id, draft as Draft & Required<Pick<Draft, "waiting">>);
      if (told === null) return; // still away: the others would wait in vain too
      notify(told);
      void changed(cache, keptAt(draft.waiting.path));
    }
  }, every);
}

/** Sends one save and says what came of it; null while the server is away. */
async function deliverOne(id: string, { waiting, ...draft }: Draft & { waiting: NonNullable<Draft["waiting"]> }) {
  const document = documentOf(waiting);
  const name = typeof document.name === "string" ? document.name : "A document";
  try {
    const row = await send(waiting);
    draftSaved(id, JSON.stringify(document), row.version);
    return `${name} was saved: the server is back.`;
  } catch (error) {
    if (isOutage(error)) return null;
    writeDraft(id, draft); // it waits no longer; opened, it says what is wrong
    if (error instanceof Refused && error.failure.status === 409)
      return `${name} was not saved: it was changed elsewhere meanwhile. Your changes are kept here; open it to choose.`;
    return `${name} was not saved: ${error instanceof Error ? error.message : String(error)} Your changes are kept here.`;
  }
}

function documentOf({ body }: NonNullable<Draft["waiting"]>): Record<string, unknown> {
  if ("document" in body) return body.document as Record<string, unknown>;
  const { name, notes, body: lifter } = body as { name: string; notes?: string; body: unknown };
  return { name, notes, body: lifter };
}
