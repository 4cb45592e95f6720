import { useSyncExternalStore } from "react";

/** Which folded parts of the screens stand open. This browser remembers it. */
const key = "dialarc.open";

type Open = Record<string, boolean>;

const listeners = new Set<() => void>();
let current: Open = read();

function read(): Open {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "{}");
    return kept && typeof kept === "object" ? kept : {};
  } catch {
    return {}; // unreadable or forbidden storage: as usual
  }
}

function setOpen(name: string, open: boolean): void {
  current = { ...current, [name]: open };
  try {
    localStorage.setItem(key, JSON.stringify(current));
  } catch {
    // without storage it lasts as long as the page
  }
  for (const listener of listeners) listener();
}

/** Whether a part stands open, and how to open or close it; every is for all that were never touched. */
export function useOpen(name: string, usual = false): [boolean, (open: boolean) => void] {
  const all = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );
  return [all[name] ?? all.every ?? usual, (open) => setOpen(name, open)];
}
