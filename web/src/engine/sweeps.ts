import { useSyncExternalStore } from "react";
import type { Sweep } from "./types";

/** The newest sweep of every dial. Dials listen to it by themselves, so that one that is painted does not redraw the page. */
export class Sweeps {
  private of = new Map<string, Sweep>();
  private listeners = new Set<() => void>();

  get = (key: string | undefined): Sweep | undefined => (key === undefined ? undefined : this.of.get(key));

  set(sweep: Sweep): void {
    this.of.set(sweep.key, sweep);
    for (const tell of this.listeners) tell();
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };
}

/** The sweep of a dial, as it is painted anew. */
export function useSweep(sweeps: Sweeps, key: string | undefined): Sweep | undefined {
  return useSyncExternalStore(sweeps.subscribe, () => sweeps.get(key));
}
