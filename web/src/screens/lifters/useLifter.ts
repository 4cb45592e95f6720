import { client, Refused, settled } from "../../api/client";
import { useEditing } from "../../editing/useEditing";
import type { Stored } from "../../editing/useSaving";
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
    async (version, document) => {
      try {
        const path = { id: stored.id };
        return asStored(
          await settled(client.PUT("/api/lifters/{id}", { params: { path }, body: { version, ...document } })),
        );
      } catch (error) {
        const now = error instanceof Refused ? (error.failure.current as StoredLifter | undefined) : undefined;
        throw now ? new Refused({ ...(error as Refused).failure, current: asStored(now) }) : error;
      }
    },
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
