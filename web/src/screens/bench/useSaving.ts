import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { client, isOutage, Refused, settled } from "../../api/client";
import type { SetupDocument, StoredSetup } from "../../engine/types";
import { dropDraft, writeDraft } from "./draft";

export type SaveState =
  | { kind: "saved" }
  | { kind: "unsaved" }
  | { kind: "saving" }
  | { kind: "waiting" } // the server does not answer; saving resumes by itself
  | { kind: "refused"; why: string }
  | { kind: "conflict"; theirs: StoredSetup };

const retryAfter = 2500; // ms

/**
 * Saves the document to the server. The draft is kept in the browser at every change and dropped when the server has
 * it. While the server is away a save that was asked for waits and is tried again.
 */
export function useSaving(stored: StoredSetup, document: string, savedText: string, startVersion: number) {
  const cache = useQueryClient();
  const [version, setVersion] = useState(startVersion);
  const [saved, setSaved] = useState(savedText);
  const [state, setState] = useState<SaveState["kind"]>("saved");
  const [problem, setProblem] = useState<{ why?: string; theirs?: StoredSetup }>({});
  const latest = useRef({ document, version });
  latest.current = { document, version };

  useEffect(() => {
    if (document === saved) dropDraft(stored.id);
    else writeDraft(stored.id, { document, version });
  }, [document, saved, stored.id, version]);

  const send = useCallback(
    async (basedOn: number) => {
      const text = latest.current.document;
      setState("saving");
      try {
        const row = await settled(
          client.PUT("/api/setups/{id}", {
            params: { path: { id: stored.id } },
            body: { version: basedOn, lifterId: stored.lifterId, document: JSON.parse(text) as SetupDocument },
          }),
        );
        setVersion(row.version);
        setSaved(text);
        setState("saved");
        void cache.invalidateQueries();
      } catch (error) {
        if (error instanceof Refused && error.failure.status === 409) {
          setProblem({ theirs: error.failure.current as StoredSetup });
          setState("conflict");
        } else if (isOutage(error)) {
          setState("waiting");
        } else {
          setProblem({ why: error instanceof Error ? error.message : String(error) });
          setState("refused");
        }
      }
    },
    [cache, stored.id, stored.lifterId],
  );
  const save = useCallback(() => send(latest.current.version), [send]);

  useEffect(() => {
    if (state !== "waiting") return;
    const timer = setTimeout(() => void save(), retryAfter);
    return () => clearTimeout(timer);
  }, [state, save]);

  const takeTheirs = useCallback((row: StoredSetup) => {
    setVersion(row.version);
    setSaved(JSON.stringify(row.document));
    setState("saved");
  }, []);

  const dirty = document !== saved;
  let shown: SaveState;
  if (state === "conflict" && problem.theirs) shown = { kind: "conflict", theirs: problem.theirs };
  else if (state === "refused") shown = { kind: "refused", why: problem.why ?? "" };
  else if (state === "saving" || state === "waiting") shown = { kind: state };
  else shown = { kind: dirty ? "unsaved" : "saved" };
  return { saved, save, keepMine: send, takeTheirs, later: () => setState("saved"), state: shown, version, dirty };
}
