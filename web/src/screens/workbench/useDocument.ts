import { useReducer, useState } from "react";
import { opened } from "../../editing/draft";
import { history, type Where } from "../../editing/history";
import type { Core } from "../../engine/core";
import type { Answer, Setting, SetupDocument, StoredSetup } from "../../engine/types";
import { useStable } from "../../ui/useStable";

export type Edits = {
  turn(key: string, value: number, drag: boolean): void;
  turnDone(): void;
  /** Several settings at once, as a drag in the picture turns them. */
  drag(turned: { setting: Setting; value: number }[]): void;
  dragCancelled(): void;
  setLoadKind(index: number, kind: string): void;
  addLoad(kind: string): void;
  dropLoad(index: number): void;
  /** Takes over a document that the core has made. */
  change(document: SetupDocument): void;
  /** Sets a plain part of the document, by its path; undefined takes it out. */
  set(path: string, value: unknown, drag?: boolean): void;
  /** Changes a pose of the path, adds or drops one; says why where that is refused. */
  pose(index: number, what: string, value: number): string | null;
  /** Leads the arm in one pose of the path by hand or elbow to a place in the room. */
  leadArm(pose: number, by: "hand" | "elbow", to: { x: number; y: number; z: number }): void;
  /** Changes what the setup consists of: its position, way, side, or a load's hold, copy or mirror. */
  restructure(
    what:
      | "position"
      | "way"
      | "side"
      | "hold"
      | "hand"
      | "feet"
      | "turn"
      | "copy"
      | "mirror"
      | "poses"
      | "lock"
      | "unlock",
    key: string,
    index?: number,
  ): void;
  replace(document: SetupDocument): void;
  undo(): void;
  redo(): void;
};

/** The document on the bench with its history: the saved one, or the draft that this browser kept. */
export function useDocument(core: Core, stored: StoredSetup) {
  const [start] = useState(() => opened(stored));
  const [state, dispatch] = useReducer(history, { past: [], now: start.text, future: [], dragging: null });
  const text = state.now;
  /** Takes over what the core made of the document; what it refuses changes nothing. */
  const take = (answer: Answer<SetupDocument>, drag: Where | null = null) => {
    if (answer.ok) dispatch({ type: "change", to: JSON.stringify(answer.ok), drag });
  };
  const edits: Edits = {
    turn: useStable((key, value, drag) => take(core.apply(text, key, value), drag ? "beside" : null)),
    drag: useStable((turned) => {
      let json = text;
      for (const { setting, value } of turned) {
        const { ok } = core.apply(json, setting.key, value);
        if (!ok) return;
        json = JSON.stringify(ok);
      }
      dispatch({ type: "change", to: json, drag: "picture" });
    }),
    dragCancelled: useStable(() => dispatch({ type: "dragCancelled" })),
    turnDone: useStable(() => dispatch({ type: "dragDone" })),
    setLoadKind: useStable((index, kind) => take(core.loadKind(text, index, kind))),
    addLoad: useStable((kind) => take(core.addLoad(text, kind))),
    dropLoad: useStable((index) => take(core.dropLoad(text, index))),
    change: useStable((document) => take({ ok: document })),
    pose: useStable((index, what, value) => {
      const answer = core.pose(text, index, what, value);
      take(answer);
      const why = answer.problems?.[0];
      return why ? `${why.what} ${why.hint ?? ""}` : null;
    }),
    leadArm: useStable((pose, by, { x, y, z }) => take(core.poseLed(text, pose, by, x, y, z), "picture")),
    restructure: useStable((what, key, index = 0) => take(core.change(text, what, key, index))),
    set: useStable((path, value, drag = false) =>
      take(core.set(text, path, JSON.stringify(value ?? null)), drag ? "beside" : null),
    ),
    replace: useStable((document) => dispatch({ type: "replace", with: JSON.stringify(document) })),
    undo: useStable(() => dispatch({ type: "undo" })),
    redo: useStable(() => dispatch({ type: "redo" })),
  };
  const [kept] = useState(edits); // all of it stays the same
  return {
    text,
    start,
    edits: kept,
    dragged: state.dragging?.where ?? null,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
  };
}
