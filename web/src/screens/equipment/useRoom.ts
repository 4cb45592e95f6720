import { useEditing } from "../../editing/useEditing";
import type { Core } from "../../engine/core";
import type { Room, StoredRoom } from "../../engine/types";
import { useStable } from "../../ui/useStable";
import { freeKey, type Item, type ListName } from "./fields";

/** What can be done to a room that is open. */
export type RoomEdits = {
  change(room: Room, drag?: boolean): void;
  dragDone(cancelled: boolean): void;
  setItem(list: ListName, index: number, item: Item, drag?: boolean): void;
  add(list: ListName, item: Item): void;
  remove(list: ListName, index: number): void;
  /** Puts a thing that was taken out where it was. */
  putBack(list: ListName, index: number, item: Item): void;
  undo(): void;
  redo(): void;
};

/** The room that is open, its history, and what can be done to it. */
export function useRoom(core: Core, stored: StoredRoom) {
  const editing = useEditing<Room>(
    stored,
    (version, document) => ({ path: "/api/rooms/{id}", id: stored.id, body: { version, document } }),
    (text) => core.room(text).problems ?? [],
  );
  const { document: room, problems, saving, save, change, dragDone, undo, redo, canUndo, canRedo, replace } = editing;
  const items = (list: ListName) => room[list] as unknown as Item[];
  const edits: RoomEdits = {
    change,
    dragDone,
    setItem: useStable((list, index, item, drag) =>
      change({ ...room, [list]: items(list).map((x, i) => (i === index ? item : x)) }, drag),
    ),
    add: useStable((list, item) =>
      change({ ...room, [list]: [...items(list), { ...item, key: freeKey(room, item.name) }] }),
    ),
    remove: useStable((list, index) => change({ ...room, [list]: items(list).filter((_, i) => i !== index) })),
    putBack: useStable((list, index, item) => change({ ...room, [list]: items(list).toSpliced(index, 0, item) })),
    undo,
    redo,
  };
  return { room, problems, saving, save, edits, canUndo, canRedo, replace };
}
