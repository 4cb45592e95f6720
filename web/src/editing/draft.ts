/** What was changed but not saved, kept in this browser so that a reload loses nothing. */
export type Draft = { document: string; version: number };

const key = (id: string) => `dialarc.draft.${id}`;

export function readDraft(id: string): Draft | null {
  try {
    const draft = JSON.parse(localStorage.getItem(key(id)) ?? "null");
    return typeof draft?.document === "string" && typeof draft.version === "number" ? draft : null;
  } catch {
    return null;
  }
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
