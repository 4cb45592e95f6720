import { useSyncExternalStore } from "react";

/** Something that this browser remembers: what is stored under a key is made sense of by read, which gets null when there is nothing. */
export function kept<T>(key: string, read: (stored: unknown) => T) {
  const load = (): T => {
    try {
      return read(JSON.parse(localStorage.getItem(key) ?? "null"));
    } catch {
      return read(null); // unreadable or forbidden storage: as if there was nothing
    }
  };
  const listeners = new Set<() => void>();
  let current = load();
  const tell = () => {
    for (const listener of listeners) listener();
  };
  const listen = (listener: () => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  };
  return {
    now: () => current,
    set(next: T): void {
      current = next;
      try {
        localStorage.setItem(key, JSON.stringify(next));
      } catch {
        // without storage it lasts as long as the page
      }
      tell();
    },
    /** Reads it again, because somebody else has written it. */
    again(): void {
      current = load();
      tell();
    },
    use: (): T => useSyncExternalStore(listen, () => current),
  };
}
