import type { Mend, Painting, Sweep, Uncertainty } from "./types";
import type { Job, Part } from "./worker";

type Done = {
  swept(document: string, sweep: Sweep): void;
  painted(document: string, painting: Painting): void;
  mended(document: string, mends: Mend[]): void;
  spread(document: string, uncertainty: Uncertainty): void;
};

/**
 * Has the dials painted in a worker, one after the other, then the mends looked for, and at last worked out how far the numbers
 * could be off. The newest document wins: the worker turns to it between two dials, however fast one is dragged.
 */
export class Painter {
  private worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });

  constructor(done: Done) {
    this.worker.onmessage = (event: MessageEvent<Part>) => {
      const { document, what, json } = event.data;
      const { ok } = JSON.parse(json) as { ok?: unknown };
      if (ok === undefined) return;
      if (what === "sweep") done.swept(document, ok as Sweep);
      else if (what === "paint") done.painted(document, ok as Painting);
      else if (what === "mends") done.mended(document, ok as Mend[]);
      else done.spread(document, ok as Uncertainty);
    };
  }

  /** Asks for all of a document, the dial with a key first. */
  paint(document: string, first: string | null): void {
    this.worker.postMessage({ document, first } satisfies Job);
  }

  stop(): void {
    this.worker.terminate();
  }
}
