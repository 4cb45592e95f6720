/** What was changed but not saved, kept in this browser so that a reload loses nothing. */
export type Draft = { document: string; version: number };

const key = (id: string) => `dialarc.draft.${id}`;

function readDraft(id: string): Draft | null {
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

/** What is a setup among the drafts of this browser, by its name. */
export function openDrafts(): { id: string; name: string }[] {
  try {
    return Object.keys(localStorage).flatMap((k) => {
      if (!k.startsWith(key(""))) return [];
      const id = k.slice(key("").length);
      const draft = readDraft(id);
      const document = draft && JSON.parse(draft.document);
      return document?.movement && typeof document.name === "string" ? [{ id, name: document.name }] : [];
    });
  } catch {
    return [];
  }
}
