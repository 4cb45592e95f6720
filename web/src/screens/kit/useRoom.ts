import { useEffect, useMemo, useReducer, useState } from "react";
import { client, settled } from "../../api/client";
import { readDraft } from "../../editing/draft";
import { history } from "../../editing/history";
import { useSaving } from "../../editing/useSaving";
import type { Core } from "../../engine/core";
import type { Problem, Room, StoredRoom } from "../../engine/types";
import { useStable } from "../../ui/useStable";
import { freeKey, type Item, type ListName } from "./fields";

/** What can be done to a room that is open. */
export type RoomEdits = {
  change(room: Room, drag?: boolean): void;
  dragDone(cancelled: boolean): void;
  setItem(list: ListName, index: number, item: Item, drag?: boolean): void;
  add(list: ListName, item: Item): void;
  remove(list: ListName, index: number): void;
  undo(): void;
  redo(): void;
};

/** The room that is open with its history: the saved one, or the draft that this browser kept. Problems are told as it changes. */
export function useRoom(core: Core, stored: StoredRoom) {
  const [start] = useState(() => {
    const saved = JSON.stringify(stored.document);
    const draft = readDraft(stored.id);
    return { saved, text: draft?.document ?? saved, version: draft?.version ?? stored.version };
  });
  const [state, dispatch] = useReducer(history, { past: [], now: start.text, future: [], dragging: null });
  const text = state.now;
  const room = useMemo(() => JSON.parse(text) as Room, [text]);
  const problems = useMemo((): Problem[] => core.room(text).problems ?? [], [core, text]);
  const saving = useSaving<Room>(stored.id, text, start.saved, start.version, (version, document) =>
    settled(client.PUT("/api/rooms/{id}", { params: { path: { id: stored.id } }, body: { version, document } })),
  );
  const change = (to: Room, drag = false) =>
    dispatch({ type: "change", to: JSON.stringify(to), drag: drag ? "beside" : null });
  const items = (list: ListName) => room[list] as unknown as Item[];
  const edits: RoomEdits = {
    change: useStable(change),
    dragDone: useStable((cancelled) => dispatch({ type: cancelled ? "dragCancelled" : "dragDone" })),
    setItem: useStable((list, index, item, drag) =>
      change({ ...room, [list]: items(list).map((x, i) => (i === index ? item : x)) }, drag),
    ),
    add: useStable((list, item) =>
      change({ ...room, [list]: [...items(list), { ...item, key: freeKey(room, item.name) }] }),
    ),
    remove: useStable((list, index) => change({ ...room, [list]: items(list).filter((_, i) => i !== index) })),
    undo: useStable(() => dispatch({ type: "undo" })),
    redo: useStable(() => dispatch({ type: "redo" })),
  };
  const save = useStable(() => {
    if (problems.length === 0) void saving.save();
  });
  useEffect(() => {
    const key = (e: KeyboardEvent) => {
      if (!(e.ctrlKey || e.metaKey)) return;
      const typing = e.target instanceof HTMLInputElement || e.target instanceof HTMLTextAreaElement;
      if (e.key === "s") save();
      else if (e.key.toLowerCase() === "z" && !typing) dispatch({ type: e.shiftKey ? "redo" : "undo" });
      else return;
      e.preventDefault();
    };
    window.addEventListener("keydown", key);
    return () => window.removeEventListener("keydown", key);
  }, [save]);
  return {
    room,
    problems,
    saving,
    save,
    edits,
    canUndo: state.past.length > 0,
    canRedo: state.future.length > 0,
    replace: (to: Room) => dispatch({ type: "replace", with: JSON.stringify(to) }),
  };
}
