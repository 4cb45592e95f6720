import "./built/wasm_exec.js";

/** The functions that the core puts on globalThis: JSON text in, JSON text out. */
export type RawCore = {
  evaluate(document: string, sketch?: boolean): { json: string; numbers?: Uint8Array };
  scene(document: string, s: number): string;
  settings(document: string): string;
  apply(document: string, key: string, value: number): string;
  loadKind(document: string, index: number, kind: string): string;
  addLoad(document: string, kind: string): string;
  dropLoad(document: string, index: number): string;
  paint(document: string): string;
  mends(document: string): string;
  steps(document: string): string;
  places(document: string): string;
  tempo(document: string): string;
  spread(document: string): string;
  equal(document: string, reference: string): string;
  sweep(document: string, key: string): string;
  choices(document: string): string;
  change(document: string, what: string, key: string, index: number): string;
  begin(lifter: string, region: string, kind: string, position: string): string;
  ready(lifter: string, room: string, id: string): string;
  fit(document: string, room: string, id: string): string;
  effect(document: string): string;
  room(room: string): string;
  map(document: string, a: string, b: string, progress: (share: number) => void): string;
  search(document: string, goal: string, progress: (share: number) => void): string;
  compare(documents: string): string;
  equalise(documents: string, by: string, atDeg: number): string;
  comparison(comparison: string): string;
  rank(
    lifter: string,
    room: string,
    id: string,
    region: string,
    how: string,
    progress: (share: number) => void,
  ): string;
  partners(document: string, lifter: string, room: string, id: string, progress: (share: number) => void): string;
  lifter(lifter: string): string;
  strength(lifter: string): string;
  counted(): string;
  notYet(text: string): string;
  quantity(text: string, kind: string, unit: number): string;
  coordinates(): string;
  lengths(): string;
  regions(): string;
  bench(document: string, times: number): number;
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
