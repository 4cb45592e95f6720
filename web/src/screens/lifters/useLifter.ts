import type { Stored } from "../../editing/send";
import { useEditing } from "../../editing/useEditing";
import type { Core } from "../../engine/core";
import type { Lifter, Problem, StoredLifter } from "../../engine/types";

/** What is edited of a lifter. */
export type Person = { name: string; notes: string; body: Lifter };

const asStored = (l: StoredLifter): Stored<Person> => ({
  id: l.id,
  version: l.version,
  updatedAt: l.updatedAt,
  document: { name: l.name, notes: l.notes, body: l.body },
});

/** The lifter that is open, with history. Problems have the paths of the body, like height or ranges.elbow.flexion.toDeg. */
export function useLifter(core: Core, stored: StoredLifter) {
  return useEditing<Person>(
    asStored(stored),
    (version, document) => ({ path: "/api/lifters/{id}", id: stored.id, body: { version, ...document } }),
    (_, document) => check(core, document),
  );
}

function check(core: Core, { name, body }: Person): Problem[] {
  const found = (core.lifter(body).problems ?? []).map((p) => ({
    ...p,
    path: p.path.replace(/^lifter\.?/, ""),
  }));
  return name.trim() === "" ? [{ path: "name", what: "The name is empty.", hint: "Give a name." }, ...found] : found;
}
