import { kept } from "../../../state/kept";
import { useUnits } from "../../../state/units";

/** A test under way: how it is set up and the trials so far, one a row. */
export type TestState = { position: string; strap?: number; rows: string };

const usual: TestState = { position: "upright", rows: "" };

/** Tests that are not taken over yet; this browser remembers them, so that leaving the page loses none. */
const drafts = kept("dialarc.trials", (stored): Record<string, TestState> => ({ ...(stored as object | null) }));

/** The test of an action of a lifter. */
export function useTrials(lifterId: string, action: string) {
  const key = `${lifterId} ${action}`;
  const state = { ...usual, ...drafts.use()[key] };
  const force = useUnits().unit("force");
  const set = (part: Partial<TestState>) =>
    drafts.set({ ...drafts.now(), [key]: { ...usual, ...drafts.now()[key], ...part } });
  return {
    state,
    set,
    /** Adds a trial: degrees, N. */
    add(angleDeg: number, newtons: number) {
      const before = (drafts.now()[key]?.rows ?? "").trimEnd();
      const row = `${Math.round(angleDeg)}  ${(newtons * force.factor).toFixed(1)}`;
      set({ rows: before === "" ? `${row}\n` : `${before}\n${row}\n` });
    },
    clear() {
      const { [key]: _, ...others } = drafts.now();
      drafts.set(others);
    },
  };
}

export type TrialsOf = ReturnType<typeof useTrials>;
