/** The document with its past and future. Documents are JSON text, so that states compare and store as they are. */
export type History = { past: string[]; now: string; future: string[]; dragging: boolean };

export type Move =
  | { type: "change"; to: string; drag: boolean }
  | { type: "dragDone" }
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
      return { past, now: move.to, future: [], dragging: move.drag };
    }
    case "dragDone":
      return state.dragging ? { ...state, dragging: false } : state;
    case "undo": {
      const before = state.past.at(-1);
      if (before === undefined) return state;
      return { past: state.past.slice(0, -1), now: before, future: [state.now, ...state.future], dragging: false };
    }
    case "redo": {
      const [next, ...rest] = state.future;
      if (next === undefined) return state;
      return { past: [...state.past, state.now], now: next, future: rest, dragging: false };
    }
    case "replace":
      return { past: [...state.past, state.now].slice(-longest), now: move.with, future: [], dragging: false };
  }
}
