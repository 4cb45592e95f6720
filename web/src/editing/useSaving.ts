import { useQueryClient } from "@tanstack/react-query";
import { useCallback, useEffect, useRef, useState } from "react";
import { changed, keptAt } from "../api/changed";
import { isOutage, Refused } from "../api/client";
import { useStable } from "../ui/useStable";
import { draftSaved, dropDraft, readDraft, writeDraft } from "./draft";
import { useOwnSaves } from "./outbox";
import { type Save, type Stored, send } from "./send";

/** How a document that is based on a version goes to the server. */
export type ToSave<D> = (basedOn: number, document: D) => Save;

export type SaveState<D> =
  | { kind: "saved" }
  | { kind: "unsaved" }
  | { kind: "saving" }
  | { kind: "waiting" } // the server does not answer; saving resumes by itself
  | { kind: "refused"; why: string }
  | { kind: "conflict"; theirs: Stored<D> };

export type SaveKind = SaveState<unknown>["kind"];

const retryAfter = 2500; // ms

/**
 * Saves the document to the server. The draft is kept in the browser at every change and dropped when the server has
 * it. While the server is away a save that was asked for waits and is tried again.
 */
export function useSaving<D>(id: string, document: string, savedText: string, startVersion: number, asSave: ToSave<D>) {
  const toSave = useStable(asSave);
  const cache = useQueryClient();
  const [asked] = useState(() => readDraft(id)?.waiting); // and not answered before the screen was left
  const [version, setVersion] = useState(startVersion);
  const [saved, setSaved] = useState(savedText);
  const [state, setState] = useState<SaveKind>(asked ? "waiting" : "saved");
  const [problem, setProblem] = useState<{ why?: string; theirs?: Stored<D> }>({});
  const waiting = useRef<Save>(asked);
  const latest = useRef({ document, version });
  latest.current = { document, version };

  useOwnSaves(id);
  useEffect(() => {
    if (document === saved) dropDraft(id);
    else writeDraft(id, { document, version, waiting: waiting.current });
  }, [document, saved, id, version]);

  const keep = useCallback(
    async (basedOn: number) => {
      const text = latest.current.document;
      const request = toSave(basedOn, JSON.parse(text) as D);
      setState("saving");
      try {
        const row = (await send(request)) as Stored<D>;
        waiting.current = undefined;
        draftSaved(id, text, row.version); // also when the screen was left meanwhile
        setVersion(row.version);
        setSaved(text);
        setState("saved");
        void changed(cache, keptAt(request.path));
      } catch (error) {
        waiting.current = isOutage(error) ? request : undefined;
        const draft = readDraft(id);
        if (draft) writeDraft(id, { ...draft, waiting: waiting.current });
        if (error instanceof Refused && error.failure.status === 409) {
          setProblem({ theirs: error.failure.current as Stored<D> });
          setState("conflict");
        } else if (isOutage(error)) {
          setState("waiting");
        } else {
          setProblem({ why: error instanceof Error ? error.message : String(error) });
          setState("refused");
        }
      }
    },
    [cache, toSave, id],
  );
  const save = useCallback(() => keep(latest.current.version), [keep]);

  useEffect(() => {
    if (state !== "waiting") return;
    const timer = setTimeout(() => void save(), retryAfter);
    return () => clearTimeout(timer);
  }, [state, save]);

  const takeTheirs = useCallback((row: Stored<D>) => {
    setVersion(row.version);
    setSaved(JSON.stringify(row.document));
    setState("saved");
  }, []);

  const dirty = document !== saved;
  let shown: SaveState<D>;
  if (state === "conflict" && problem.theirs) shown = { kind: "conflict", theirs: problem.theirs };
  else if (state === "refused") shown = { kind: "refused", why: problem.why ?? "" };
  else if (state === "saving" || state === "waiting") shown = { kind: state };
  else shown = { kind: dirty ? "unsaved" : "saved" };
  return { saved, save, keepMine: keep, takeTheirs, later: () => setState("saved"), state: shown, version, dirty };
}
