import { client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { SaveButton } from "../../editing/EditTools";
import { SaveStatus } from "../../editing/SaveStatus";
import { useEditing } from "../../editing/useEditing";
import { useWhole } from "../../editing/useWhole";
import type { Core } from "../../engine/core";
import type { Kept, StoredComparison } from "../../engine/types";
import { CompareSheet } from "./CompareSheet";

/** A comparison that is kept under a name, open for changes. */
export function KeptComparison({ core, stored }: { core: Core; stored: StoredComparison }) {
  const editing = useEditing<Kept>(
    stored,
    (version, document) => ({ path: "/api/comparisons/{id}", id: stored.id, body: { version, document } }),
    (text) => core.comparison(text).problems ?? [],
  );
  const { document: kept, problems, saving, save, change, undo, redo, canUndo, canRedo } = editing;
  const { state } = saving;
  const path = { id: stored.id };
  const whole = useWhole({
    name: kept.name,
    kind: "comparisons",
    home: "/compare",
    copyAs: (name) =>
      settled(client.POST("/api/comparisons", { body: { id: crypto.randomUUID(), document: { ...kept, name } } })),
    remove: () =>
      settled(client.DELETE("/api/comparisons/{id}", { params: { path, query: { version: saving.version } } })),
    restore: () => settled(client.POST("/api/comparisons/{id}/restore", { params: { path } })),
  });
  return (
    <>
      <CompareSheet
        kept={kept}
        change={change}
        history={{ canUndo, canRedo, undo, redo }}
        status={
          <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        }
        more={[
          { label: "Duplicate", run: () => void whole.copy() },
          { label: "Delete", run: () => void whole.remove() },
        ]}
        actions={<SaveButton state={state.kind} blocked={problems.length > 0} save={save} />}
      />
      <Conflict what="comparison" mine={kept} saving={saving} replace={editing.replace} />
    </>
  );
}
