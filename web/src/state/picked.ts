import { useSyncExternalStore } from "react";
import type { Kept, Member, SetupDocument } from "../engine/types";

/** What was picked for comparing and is not kept under a name yet. This browser remembers it. */
const key = "dialarc.compare";

export const mostCompared = 24;

/** How many curves can be told apart: the first ones are drawn. */
export const mostDrawn = 6;

export const nothingPicked: Kept = { schema: "dialarc.comparison/1", name: "Comparison", setups: [] };

const listeners = new Set<() => void>();
let current: Kept = read();

function read(): Kept {
  try {
    const kept = JSON.parse(localStorage.getItem(key) ?? "null");
    return Array.isArray(kept?.setups) && kept.schema === nothingPicked.schema ? kept : nothingPicked;
  } catch {
    return nothingPicked; // unreadable or forbidden storage: begin with none
  }
}

window.addEventListener("storage", (e) => {
  if (e.key !== key) return;
  current = read();
  for (const listener of listeners) listener();
});

export const picked = (): Kept => current;

export function setPicked(kept: Kept): void {
  current = kept;
  try {
    localStorage.setItem(key, JSON.stringify(kept));
  } catch {
    // without storage it lasts as long as the page
  }
  for (const listener of listeners) listener();
}

export const usePicked = (): Kept =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => current,
  );

/** What a setup is called in a comparison. */
export const letter = (index: number): string => String.fromCharCode(65 + index);

/** A comparison with one more setup, or why it cannot be taken in. */
export function withMember(kept: Kept, member: Member): { kept: Kept } | { why: string } {
  const text = JSON.stringify(member.document);
  const there = kept.setups.findIndex((m) => JSON.stringify(m.document) === text);
  if (there >= 0) return { why: `It is in the comparison already, as ${letter(there)}.` };
  if (kept.setups.length >= mostCompared)
    return { why: `${mostCompared} setups are compared already. Remove one first.` };
  return { kept: { ...kept, setups: [...kept.setups, member] } };
}

/** Picks a setup for comparing, and says what came of it. */
export function pick(document: SetupDocument, setupId: string): string {
  const answer = withMember(current, { document, setupId });
  if ("why" in answer) return answer.why;
  setPicked(answer.kept);
  return `${document.name} was added to the comparison as ${letter(answer.kept.setups.length - 1)}.`;
}

/** Puts several setups among those that are compared, all of them or none: then it says why. What is among them already stays. */
export function pickAll(members: Member[]): string | null {
  const fresh = members.filter(
    (m) => !current.setups.some((x) => JSON.stringify(x.document) === JSON.stringify(m.document)),
  );
  if (current.setups.length + fresh.length > mostCompared)
    return `${mostCompared} setups are compared at most. Remove some from Compare first.`;
  setPicked({ ...current, setups: [...current.setups, ...fresh] });
  return null;
}
