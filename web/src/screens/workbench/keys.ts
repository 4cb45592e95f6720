import { useEffect, useRef } from "react";
import type { DialName } from "../../engine/bridge.gen";
import { usePreferences } from "../../state/preferences";

/** What the keys of the bench do, in the order in which the help lists them. */
export type KeyActions = {
  along(direction: number): void;
  /** Turns the first of these dials that the setup has by a step. */
  nudge(dials: DialName[], direction: number): void;
  view(name: "side" | "front" | "top" | "free"): void;
  play(): void;
  undo(): void;
  redo(): void;
  save(): void;
  help(): void;
  dialIn(): void;
  pick(): void;
  print(): void;
};

export const keyHelp: [string, string][] = [
  ["← →", "along the range"],
  ["Page Up, Page Down", "pulley up, down one hole"],
  [", .", "step closer, further away"],
  ["− +", "load down, up one step"],
  ["< >", "one step to the left, right"],
  ["A, Shift A", "columns or anchors further apart, closer"],
  ["B, Shift B", "bench up, down one notch"],
  ["S, Shift S", "seat or bench higher, lower"],
  ["L, Shift L", "lean forward, back"],
  ["H, Shift H", "turn the lifter left, right"],
  ["W, Shift W", "plane of the raise, or the elbows, forward, back"],
  ["R, Shift R", "start of the range later, earlier"],
  ["E, Shift E", "end of the range later, earlier"],
  ["C, Shift C", "cuff towards the hand, the body; or a longer, shorter strap"],
  ["1 2 3 4", "side, front, top, free view"],
  ["P", "play at the tempo"],
  ["D", "dial in: find settings that fit better"],
  ["M", "add to comparison, as it stands"],
  ["Ctrl Z, Ctrl Shift Z", "undo, redo"],
  ["Ctrl S", "save"],
  ["Ctrl P", "setup card, to print or send"],
  ["?", "this list"],
];

type Table = Record<string, (act: KeyActions, shift: boolean) => void>;

const turns = (dials: DialName[], direction: number) => (act: KeyActions) => act.nudge(dials, direction);

/** A letter turns one way, with Shift the other. */
const either = (dials: DialName[]) => (act: KeyActions, shift: boolean) => act.nudge(dials, shift ? -1 : 1);

const pulley: DialName[] = ["pulley.height", "band.height"];
const load: DialName[] = ["load.stack", "load.mass", "lever.plates", "band.pull"];

/** Keys that move; a focused dial keeps them for itself. */
const moves: Table = {
  ArrowLeft: (act) => act.along(-1),
  ArrowRight: (act) => act.along(1),
  PageUp: turns(pulley, 1),
  PageDown: turns(pulley, -1),
};

/** Single keys, which can be switched off. */
const letters: Table = {
  ",": turns(["stance.out"], -1),
  ".": turns(["stance.out"], 1),
  "-": turns(load, -1),
  "+": turns(load, 1),
  "=": turns(load, 1),
  "<": turns(["stance.aside"], -1),
  ">": turns(["stance.aside"], 1),
  a: either(["columns.apart", "band.apart", "pulley.aside", "band.aside"]),
  b: either(["bench.angle"]),
  d: (act) => act.dialIn(),
  m: (act) => act.pick(),
  s: either(["seat.height", "bench.height"]),
  l: either(["trunk.lean"]),
  h: either(["heading"]),
  w: either(["path.plane", "guide.swivel", "hold.plane"]),
  r: either(["range.from"]),
  e: either(["range.to"]),
  c: either(["cuff", "strap", "strand"]),
  "1": (act) => act.view("side"),
  "2": (act) => act.view("front"),
  "3": (act) => act.view("top"),
  "4": (act) => act.view("free"),
  p: (act) => act.play(),
  "?": (act) => act.help(),
};

/** Whether the element takes keys for itself: a field that is typed in, or a dial that the arrows turn. */
function takesKeys(target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('[role="dialog"], [role="listbox"]')) return true;
  if (target.isContentEditable || target instanceof HTMLTextAreaElement) return true;
  return target instanceof HTMLInputElement && !wordless.includes(target.type);
}

/** Inputs that take no typing, so that a letter pressed on them is a shortcut still. */
const wordless = ["range", "checkbox", "radio"];

const isDial = (target: EventTarget | null): boolean => target instanceof HTMLInputElement && target.type === "range";

export function useKeys(actions: KeyActions): void {
  const { letterKeys } = usePreferences();
  const latest = useRef(actions);
  latest.current = actions;
  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const act = latest.current;
      if ((e.ctrlKey || e.metaKey) && !e.altKey) {
        const key = e.key.toLowerCase();
        if (key === "s") act.save();
        else if (key === "p") act.print();
        else if (takesKeys(e.target)) return;
        else if (key === "z" && e.shiftKey) act.redo();
        else if (key === "z") act.undo();
        else if (key === "y") act.redo();
        else return;
        e.preventDefault();
        return;
      }
      if (e.altKey || takesKeys(e.target)) return;
      const move =
        (isDial(e.target) ? undefined : moves[e.key]) ?? (letterKeys ? letters[e.key.toLowerCase()] : undefined);
      if (!move) return;
      e.preventDefault();
      move(act, e.shiftKey);
    };
    window.addEventListener("keydown", onKey);
    return () => window.removeEventListener("keydown", onKey);
  }, [letterKeys]);
}
