import { useQueryClient } from "@tanstack/react-query";
import { Copy, Trash2 } from "lucide-react";
import { useNavigate } from "react-router";
import { client, settled } from "../../api/client";
import { Conflict } from "../../editing/Conflict";
import { SaveButton } from "../../editing/EditTools";
import { SaveStatus } from "../../editing/SaveStatus";
import { useEditing } from "../../editing/useEditing";
import type { Core } from "../../engine/core";
import type { Kept, StoredComparison } from "../../engine/types";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { CompareSheet } from "./CompareSheet";

/** A comparison that is kept under a name, open for changes. */
export function KeptComparison({ core, stored }: { core: Core; stored: StoredComparison }) {
  const cache = useQueryClient();
  const navigate = useNavigate();
  const editing = useEditing<Kept>(
    stored,
    (version, document) =>
      settled(
        client.PUT("/api/comparisons/{id}", { params: { path: { id: stored.id } }, body: { version, document } }),
      ),
    (text) => core.comparison(text).problems ?? [],
  );
  const { document: kept, problems, saving, save, change, undo, redo, canUndo, canRedo } = editing;
  const { state } = saving;
  const remove = async () => {
    const path = { id: stored.id };
    try {
      await settled(client.DELETE("/api/comparisons/{id}", { params: { path, query: { version: saving.version } } }));
      navigate("/compare");
      await cache.invalidateQueries();
      notify(`${kept.name} was deleted.`, {
        label: "Undo",
        run: () =>
          void settled(client.POST("/api/comparisons/{id}/restore", { params: { path } })).then(() =>
            cache.invalidateQueries(),
          ),
      });
    } catch {
      notify("It could not be deleted: it was changed elsewhere, or the server does not answer.");
    }
  };
  const copy = async () => {
    const document = { ...kept, name: `${kept.name}, copy`.slice(0, 200) };
    try {
      const row = await settled(client.POST("/api/comparisons", { body: { id: crypto.randomUUID(), document } }));
      await cache.invalidateQueries();
      navigate(`/compare/${row.id}`);
    } catch {
      notify("The copy could not be made; nothing was changed.");
    }
  };
  return (
    <>
      <CompareSheet
        kept={kept}
        change={change}
        history={{ canUndo, canRedo, undo, redo }}
        status={
          <SaveStatus state={state.kind} refusal={state.kind === "refused" ? state.why : ""} version={saving.version} />
        }
        actions={
          <>
            <Button look="quiet" aria-label="Copy the comparison" onPress={() => void copy()}>
              <Copy size={16} aria-hidden />
            </Button>
            <Button look="quiet" aria-label="Delete the comparison" onPress={() => void remove()}>
              <Trash2 size={16} aria-hidden />
            </Button>
            <SaveButton state={state.kind} blocked={problems.length > 0} save={save} />
          </>
        }
      />
      <Conflict what="comparison" mine={kept} saving={saving} replace={editing.replace} />
    </>
  );
}
