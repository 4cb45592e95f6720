import type { DialName } from "../engine/bridge.gen";

/** Whether a setting, or what a suggestion turns, is a dial of that name, whichever load it belongs to. */
export const isDial = (x: { key?: string }, name: DialName): boolean =>
  x.key === name || (x.key?.startsWith(`${name}/`) ?? false);
