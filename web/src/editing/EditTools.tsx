import { Redo2, Undo2 } from "lucide-react";
import { Button } from "../ui/Button";
import type { SaveKind } from "./useSaving";

type Props = { canUndo: boolean; canRedo: boolean; undo: () => void; redo: () => void };

/** Undo and redo. */
export function UndoRedo({ canUndo, canRedo, undo, redo }: Props) {
  return (
    <>
      <Button look="quiet" aria-label="Undo" isDisabled={!canUndo} onPress={undo}>
        <Undo2 size={16} aria-hidden />
      </Button>
      <Button look="quiet" aria-label="Redo" isDisabled={!canRedo} onPress={redo}>
        <Redo2 size={16} aria-hidden />
      </Button>
    </>
  );
}

/** Saves what is open, when there is something to save and nothing is wrong with it. */
export function SaveButton({ state, blocked, save }: { state: SaveKind; blocked?: boolean; save: () => void }) {
  return (
    <Button look="strong" onPress={save} isDisabled={blocked || state === "saving" || state === "saved"}>
      Save
    </Button>
  );
}
