import { useSyncExternalStore } from "react";

export type Preferences = {
  units: "metric" | "imperial";
  theme: "system" | "light" | "dark";
  letterKeys: boolean;
  seen: string[]; // hints that were put away
  room: string | null; // id of the room that was worked in last, empty for any place, null before there was a choice
};

const key = "dialarc.preferences";
const usual: Preferences = { units: "metric", theme: "system", letterKeys: true, seen: [], room: null };
const listeners = new Set<() => void>();
let current: Preferences = read();

function read(): Preferences {
  try {
    return { ...usual, ...JSON.parse(localStorage.getItem(key) ?? "{}") };
  } catch {
    return usual; // unreadable or forbidden storage: the usual ones serve
  }
}

export function setPreferences(change: Partial<Preferences>): void {
  current = { ...current, ...change };
  try {
    localStorage.setItem(key, JSON.stringify(current));
  } catch {
    // without storage the choice lasts as long as the page
  }
  for (const listener of listeners) listener();
}

export function usePreferences(): Preferences {
  return useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );
}
