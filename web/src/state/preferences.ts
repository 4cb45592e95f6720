import { kept } from "./kept";

export type Preferences = {
  units: "metric" | "imperial";
  theme: "system" | "light" | "dark";
  letterKeys: boolean;
  seen: string[]; // hints that were put away
  room: string | null; // id of the room that was worked in last, empty for any place, null before there was a choice
};

const usual: Preferences = { units: "metric", theme: "system", letterKeys: true, seen: [], room: null };
const preferences = kept("dialarc.preferences", (stored): Preferences => ({ ...usual, ...(stored as object | null) }));

export const setPreferences = (change: Partial<Preferences>): void =>
  preferences.set({ ...preferences.now(), ...change });

export const usePreferences = preferences.use;
