import { StatusIcon } from "../ui/StatusIcon";
import type { SaveKind } from "./useSaving";

/** Whether what is open is saved, in words. */
export function SaveStatus({ state, refusal, version }: { state: SaveKind; refusal: string; version: number }) {
  const words: Record<SaveKind, string> = {
    saved: `version ${version}`,
    unsaved: `version ${version}, not saved`,
    saving: "saving …",
    waiting: "waiting for the server",
    refused: refusal,
    conflict: "changed elsewhere",
  };
  return (
    <span className="status" role="status" data-kind={state} data-testid="save-state">
      {state === "refused" && <StatusIcon tone="error" />}
      {state === "unsaved" && <span aria-hidden>●</span>}
      {words[state]}
    </span>
  );
}
