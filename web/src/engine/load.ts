import type { RawCalls } from "./bridge.gen";
import "./built/wasm_exec.js";

/** What the core puts on globalThis: its calls, and the report, whose numbers come beside it. */
export type RawCore = RawCalls & {
  evaluate(document: string, sketch?: boolean): { json: string; numbers?: Uint8Array };
};

declare global {
  var dialarc: RawCore | undefined;
  // From the Go distribution's wasm_exec.js.
  var Go: new () => { importObject: WebAssembly.Imports; run(instance: WebAssembly.Instance): Promise<void> };
}

/** Starts the core in this thread. */
export async function loadCore(module: WebAssembly.Module): Promise<RawCore> {
  const go = new globalThis.Go();
  const instance = await WebAssembly.instantiate(module, go.importObject);
  void go.run(instance);
  if (!globalThis.dialarc) throw new Error("The calculation core did not start.");
  return globalThis.dialarc;
}
