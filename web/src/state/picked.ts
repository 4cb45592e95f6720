import type { Kept, Member, SetupDocument } from "../engine/types";
import { kept } from "./kept";

/** What was picked for comparing and is not kept under a name yet. This browser remembers it. */
const key = "dialarc.compare";

export const mostCompared = 24;

/** How many curves can be told apart: the first ones are drawn. */
export const mostDrawn = 6;

export const nothingPicked: Kept = { schema: "dialarc.comparison/1", name: "Comparison", setups: [] };

const store = kept(key, (stored): Kept => {
  const list = stored as Kept | null;
  return Array.isArray(list?.setups) && list.schema === nothingPicked.schema ? list : nothingPicked;
});

window.addEventListener("storage", (e) => e.key === key && store.again());

export const picked = store.now;
export const setPicked = store.set;
export const usePicked = store.use;

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
  const answer = withMember(picked(), { document, setupId });
  if ("why" in answer) return answer.why;
  setPicked(answer.kept);
  return `${document.name} was added to the comparison as ${letter(answer.kept.setups.length - 1)}.`;
}

/** Puts several setups among those that are compared, all of them or none: then it says why. What is among them already stays. */
export function pickAll(members: Member[]): string | null {
  const fresh = members.filter(
    (m) => !picked().setups.some((x) => JSON.stringify(x.document) === JSON.stringify(m.document)),
  );
  if (picked().setups.length + fresh.length > mostCompared)
    return `${mostCompared} setups are compared at most. Remove some from Compare first.`;
  setPicked({ ...picked(), setups: [...picked().setups, ...fresh] });
  return null;
}
