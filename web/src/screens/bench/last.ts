const key = "dialarc.bench";

/** Remembers the setup that was opened last, for the rail. */
export function rememberBench(id: string): void {
  try {
    sessionStorage.setItem(key, id);
  } catch {
    // the rail then leads to the empty bench
  }
}

export function lastBench(): string | null {
  try {
    return sessionStorage.getItem(key);
  } catch {
    return null;
  }
}
