import type { Save } from "./send";

/**
 * What was changed but not saved, kept in this browser so that a reload loses nothing; with the save that waits for the server, if one
 * was asked for.
 */
export type Draft = { document: string; version: number; waiting?: Save };

const key = (id: string) => `dialarc.draft.${id}`;

export function readDraft(id: string): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(key(id)) ?? "null");
    return typeof draft?.document === "string" && typeof draft.version === "number" ? draft : null;
  } catch {
    return null;
  }
}

/** What is open at first: the saved document, or the draft that this browser kept of it. */
export function opened(stored: { id: string; version: number; document: unknown }) {
  const saved = JSON.stringify(stored.document);
  const draft = readDraft(stored.id);
  return { saved, text: draft?.document ?? saved, version: draft?.version ?? stored.version };
}

export function writeDraft(id: string, draft: Draft): void {
  try {
    localStorage.setItem(key(id), JSON.stringify(draft));
  } catch {
    // storage is full or forbidden: the page still holds the work
  }
}

export function dropDraft(id: string): void {
  try {
    localStorage.removeItem(key(id));
  } catch {
    // nothing was kept
  }
}

/** Notes that a text has become a version on the server: its draft is gone, and one that went on since is based on that version. */
export function draftSaved(id: string, text: string, version: number): void {
  const draft = readDraft(id);
  if (!draft) return;
  if (draft.document === text) dropDraft(id);
  else writeDraft(id, { document: draft.document, version });
}

/** Every draft of this browser. */
export function drafts(): ({ id: string } & Draft)[] {
  try {
    return Object.keys(localStorage).flatMap((k) => {
      if (!k.startsWith(key(""))) return [];
      const id = k.slice(key("").length);
      const draft = readDraft(id);
      return draft ? [{ id, ...draft }] : [];
    });
  } catch {
    return []; // storage is forbidden
  }
}

/** What is a setup among the drafts of this browser, by its name. */
export function openDrafts(): { id: string; name: string }[] {
  return drafts().flatMap(({ id, document }) => {
    try {
      const { movement, name } = JSON.parse(document);
      return movement && typeof name === "string" ? [{ id, name }] : [];
    } catch {
      return [];
    }
  });
}
