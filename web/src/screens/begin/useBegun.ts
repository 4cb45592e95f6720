import { useEffect, useState } from "react";
import { core } from "../../engine/core";
import { search } from "../../engine/search";
import type { Found, Problem, SetupDocument, StoredLifter, StoredRoom } from "../../engine/types";
import { fitted } from "./fitted";

type Asked = { region: string; kind: string; position: string };

type Begun = {
  /** As it was composed and fitted to the gym; null until it is. */
  document: SetupDocument | null;
  problems: Problem[];
  /** How far the search for better settings is; null when there is none running. */
  share: number | null;
  found: Found | null;
  before: Found | null;
  /** Why it stays as it came, when nothing better was found. */
  why: string;
};

const nothing: Begun = { document: null, problems: [], share: null, found: null, before: null, why: "" };

/** How many setups are looked at first: with more it takes twice as long and fits hardly better. */
const few = 40;

/** A setup composed from three answers and dialled in with the settings that can be changed between two sets. */
export function useBegun(lifter: StoredLifter, room: StoredRoom | null, asked: Asked | null): Begun {
  const key = JSON.stringify([lifter.body, room?.id, room?.version, asked]);
  const [of, setOf] = useState({ key: "", begun: nothing });
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key holds what matters of them
  useEffect(() => {
    let stop = () => {};
    let gone = false;
    const setBegun = (begun: Begun) => setOf({ key, begun });
    const run = async () => {
      if (!asked) return setBegun(nothing);
      const engine = await core();
      const { ok, problems = [] } = engine.begin(lifter.body, asked.region, asked.kind, asked.position);
      if (!ok) return setBegun({ ...nothing, problems });
      const document = await fitted(ok, room);
      if (gone) return;
      const text = JSON.stringify(document);
      // The path is what was asked for: only what is around it is dialled in.
      const free = (engine.settings(text).ok ?? []).filter((s) => s.usual && s.group !== "path").map((s) => s.key);
      if (free.length === 0) return setBegun({ ...nothing, document, why: "There is nothing to dial in on it." });
      setBegun({ ...nothing, document, share: 0 });
      stop = search(
        text,
        { free, seed: 1, budget: few },
        (share) => setBegun({ ...nothing, document, share }),
        ({ ok: told }) => {
          const found = told?.answers[0] ?? null;
          const why = told?.why || "Its usual settings are the best that were found.";
          setBegun({ ...nothing, document, found, before: told?.before ?? null, why });
        },
      );
    };
    void run();
    return () => {
      gone = true;
      stop();
    };
  }, [key]);
  return of.key === key ? of.begun : nothing; // what answers asked before is no answer to these
}
