import { kept } from "./kept";

/** Which folded parts of the screens stand open. */
const parts = kept("dialarc.open", (stored): Record<string, boolean> => ({ ...(stored as object | null) }));

/** Whether a part stands open, and how to open or close it; every is for all that were never touched. */
export function useOpen(name: string, usual = false): [boolean, (open: boolean) => void] {
  const all = parts.use();
  return [all[name] ?? all.every ?? usual, (open) => parts.set({ ...parts.now(), [name]: open })];
}
