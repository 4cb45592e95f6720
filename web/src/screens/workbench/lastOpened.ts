const lastKey = "dialarc.bench";
const recentKey = "dialarc.recent";

const mostRecent = 8;

/** A setup that was opened in this browser, and when. */
export type Recent = { id: string; at: number };

/** Remembers the setup that was opened last, for the rail and for Home. */
export function rememberBench(id: string): void {
  try {
    sessionStorage.setItem(lastKey, id);
    const others = recentBenches().filter((r) => r.id !== id);
    localStorage.setItem(recentKey, JSON.stringify([{ id, at: Date.now() }, ...others].slice(0, mostRecent)));
  } catch {
    // the rail then leads to the empty bench, and Home has nothing to continue
  }
}

export function lastBench(): string | null {
  try {
    return sessionStorage.getItem(lastKey);
  } catch {
    return null;
  }
}

/** The setups that were opened in this browser, the newest first. */
export function recentBenches(): Recent[] {
  try {
    const list: unknown = JSON.parse(localStorage.getItem(recentKey) ?? "[]");
    return Array.isArray(list) ? list.filter((r) => typeof r?.id === "string" && typeof r.at === "number") : [];
  } catch {
    return [];
  }
}
