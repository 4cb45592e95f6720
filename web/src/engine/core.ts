import { loadCore, type RawCore } from "./load";
import type { Answer, Lifter, Ready, Report, Scene, Setting, SetupDocument } from "./types";

/** The core on the main thread, with types. Documents go in as JSON text, so that one text can serve several calls. */
export class Core {
  constructor(private readonly raw: RawCore) {}

  evaluate(document: string): Answer<Report> {
    return JSON.parse(this.raw.evaluate(document));
  }
  scene(document: string, s: number): Answer<Scene> {
    return JSON.parse(this.raw.scene(document, s));
  }
  settings(document: string): Answer<Setting[]> {
    return JSON.parse(this.raw.settings(document));
  }
  apply(document: string, key: string, value: number): Answer<SetupDocument> {
    return JSON.parse(this.raw.apply(document, key, value));
  }
  loadKind(document: string, index: number, kind: string): Answer<SetupDocument> {
    return JSON.parse(this.raw.loadKind(document, index, kind));
  }
  ready(lifter: Lifter): Answer<Ready[]> {
    return JSON.parse(this.raw.ready(JSON.stringify(lifter)));
  }
}

let started: Promise<Core> | undefined;

/** The core of this page, started once. */
export function core(): Promise<Core> {
  started ??= loadCore().then((raw) => new Core(raw));
  return started;
}
