/** The document with its past and future. Documents are JSON text, so that states compare and store as they are. */
export type History = {
  past: string[];
  now: string;
  future: string[];
  /** While something is dragged: where, and the future as it was before, in case the drag is cancelled. */
  dragging: { where: Where; future: string[] } | null;
};

/** Whether a drag goes on in the picture or on a dial or chart beside it. */
export type Where = "picture" | "beside";

export type Move =
  | { type: "change"; to: string; drag: Where | null }
  | { type: "dragDone" }
  | { type: "dragCancelled" }
  | { type: "undo" }
  | { type: "redo" }
  | { type: "replace"; with: string };

const longest = 200;

export function history(state: History, move: Move): History {
  switch (move.type) {
    case "change": {
      if (move.to === state.now) return state;
      // A drag is one step: only its first move remembers what was before.
      const past = state.dragging && move.drag ? state.past : [...state.past, state.now].slice(-longest);
      const dragging = move.drag && { where: move.drag, future: (state.dragging ?? state).future };
      return { past, now: move.to, future: [], dragging };
    }
    case "dragDone":
      return state.dragging ? { ...state, dragging: null } : state;
    case "dragCancelled": {
      const before = state.past.at(-1);
      if (!state.dragging || before === undefined) return state;
      return { past: state.past.slice(0, -1), now: before, future: state.dragging.future, dragging: null };
    }
    case "undo": {
      const before = state.past.at(-1);
      if (before === undefined) return state;
      return { past: state.past.slice(0, -1), now: before, future: [state.now, ...state.future], dragging: null };
    }
    case "redo": {
      const [next, ...rest] = state.future;
      if (next === undefined) return state;
      return { past: [...state.past, state.now], now: next, future: rest, dragging: null };
    }
    case "replace":
      return { past: [...state.past, state.now].slice(-longest), now: move.with, future: [], dragging: null };
  }
}
