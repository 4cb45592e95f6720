import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useReducer, useState } from "react";
import { useNavigate } from "react-router";
import { changed } from "../../api/changed";
import { client, settled } from "../../api/client";
import { history } from "../../editing/history";
import type { Kept } from "../../engine/types";
import { nothingPicked, picked, setPicked, usePicked } from "../../state/picked";
import { Button } from "../../ui/Button";
import { notify } from "../../ui/Notices";
import { useStable } from "../../ui/useStable";
import { CompareSheet } from "./CompareSheet";

/** What was picked for comparing, which this browser remembers until it is kept under a name. */
export function Picked() {
  const cache = useQueryClient();
  const navigate = useNavigate();
  const [state, dispatch] = useReducer(history, {
    past: [],
    now: JSON.stringify(picked()),
    future: [],
    dragging: null,
  });
  const kept = JSON.parse(state.now) as Kept;
  const [busy, setBusy] = useState(false);
  const [id] = useState(() => crypto.randomUUID());
  useEffect(() => {
    if (JSON.stringify(picked()) !== state.now) setPicked(JSON.parse(state.now));
  }, [state.now]);
  // Another tab may pick setups too.
  const outside = usePicked();
  const take = useStable((text: string) => {
    if (text !== state.now) dispatch({ type: "replace", with: text });
  });
  useEffect(() => take(JSON.stringify(outside)), [outside, take]);
  const change = (to: Kept) => dispatch({ type: "change", to: JSON.stringify(to), drag: null });
  const keep = useStable(async () => {
    setBusy(true);
    try {
      const row = await settled(client.POST("/api/comparisons", { body: { id, document: kept } }));
      setPicked(nothingPicked);
      await changed(cache, "comparisons");
      navigate(`/compare/${row.id}`);
    } catch (error) {
      notify(`It could not be saved: ${error instanceof Error ? error.message : "the server does not answer."}`);
      setBusy(false);
    }
  });
  return (
    <CompareSheet
      kept={kept}
      change={change}
      history={{
        canUndo: state.past.length > 0,
        canRedo: state.future.length > 0,
        undo: () => dispatch({ type: "undo" }),
        redo: () => dispatch({ type: "redo" }),
      }}
      status={<span className="status">not saved yet</span>}
      more={kept.setups.length > 0 ? [{ label: "Clear", run: () => change(nothingPicked) }] : []}
      actions={
        <Button look="strong" onPress={() => void keep()} isDisabled={busy || kept.setups.length === 0}>
          Save
        </Button>
      }
    />
  );
}
