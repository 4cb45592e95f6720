import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { core } from "../../engine/core";
import type { Comparison, Equalised, Kept, Problem, Report, SetupDocument, Tempo } from "../../engine/types";

/** Everything that is shown of a comparison. The lists have one entry for each setup. */
export type Compared = {
  of: Kept;
  /** The setups with the loads that are shown: equal ones where that is wanted and can be had. */
  documents: SetupDocument[];
  equalised: Equalised[] | null;
  reports: (Report | null)[];
  problems: Problem[][];
  tempos: (Tempo | null)[];
  comparison: Comparison | null;
};

async function compared(kept: Kept): Promise<Compared> {
  const c = await core();
  const own = kept.setups.map((m) => m.document);
  const equalised = kept.equal && own.length > 1 ? (c.equalise(own, kept.equal, kept.atDeg ?? 0).ok ?? null) : null;
  const documents = own.map((d, i) => equalised?.[i]?.document ?? d);
  const answers = documents.map((d) => c.evaluate(JSON.stringify(d)));
  const timed = kept.along === "time";
  return {
    of: kept,
    documents,
    equalised,
    reports: answers.map((a) => a.ok ?? null),
    problems: answers.map((a) => a.problems ?? []),
    tempos: documents.map((d) => (timed ? (c.tempo(JSON.stringify(d)).ok ?? null) : null)),
    comparison: documents.length > 1 ? (c.compare(documents).ok ?? null) : null,
  };
}

/** What is shown of a comparison; while it is made anew what was shown before stays. */
export const useCompared = (kept: Kept) =>
  useQuery({
    queryKey: ["compared", kept.setups, kept.equal, kept.atDeg, kept.along === "time"],
    queryFn: () => compared(kept),
    staleTime: Number.POSITIVE_INFINITY,
    gcTime: 60_000,
    structuralSharing: false,
    placeholderData: keepPreviousData,
  });
