import { useEffect, useMemo, useReducer, useState } from "react";
import type { Problem } from "../engine/types";
import { useStable } from "../ui/useStable";
import { opened } from "./draft";
import { history } from "./history";
import type { Stored } from "./send";
import { type ToSave, useSaving } from "./useSaving";

/**
 * A document that is open with its history: the saved one, or the draft that this browser kept. Problems are told as it changes,
 * and one with problems is not sent to the server.
 */
export function useEditing<D>(stored: Stored<D>, toSave: ToSave<D>, check: (text: string, document: D) => Problem[]) {
  const [start] = useState(() => opened(stored));
  const [state, dispatch] = useReducer(history, { past: [], now: start.text, future: [], dragging: null });
  const text = state.now;
  const document = useMemo(() => JSON.parse(text) as D, [text]);
  const judge = useStable(check);
  const problems = useMemo(() => judge(text, document), [judge, text, document]);
  const saving = useSaving<D>(stored.id, text, start.saved, start.version, toSave);
  const save = useStable(() => {
    if (problems.length === 0) void saving.save();
  });
  const undo = useStable(() => dispatch({ type: "undo" }));
  const redo = useStable(() => dispatch({ type: "redo" }));
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey)) return;
      const typing =
        (e.target instanceof HTMLInputElement && e.target.type !== "checkbox") ||
        e.target instanceof HTMLTextAreaElement;
      if (e.key === "s") save();
      else if (e.key.toLowerCase() === "z" && !typing) (e.shiftKey ? redo : undo)();
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [save, undo, redo]);
  return {
    document,
    problems,
    saving,
    save,
    change: useStable((to: D, drag = false) =>
      dispatch({ type: "change", to: JSON.stringify(to), drag: drag ? "beside" : null }),
    ),
    dragDone: useStable((cancelled: boolean) => dispatch({ type: cancelled ? "dragCancelled" : "dragDone" })),
    replace: useStable((to: D) => dispatch({ type: "replace", with: JSON.stringify(to) })),
    undo,
    redo,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
  };
}
