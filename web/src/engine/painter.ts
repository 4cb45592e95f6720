import { compiled } from "./module";
import type { Answer, EqualLoads, Painting, Step, Suggestion, Sweep, Tempo, Uncertainty } from "./types";
import type { Job, Part } from "./worker";

type Made = {
  tempo: Tempo;
  equal: EqualLoads;
  sweep: Sweep;
  paint: Painting;
  suggestions: Suggestion[];
  steps: Step[];
  spread: Uncertainty;
};

/** What is done with each part as it comes. Only the motion is told why it cannot be had; the others are left out then. */
type Done = { [K in Exclude<keyof Made, "tempo">]: (document: string, value: Made[K]) => void } & {
  tempo(document: string, answer: Answer<Tempo>): void;
};

const rest = 150; // ms

/**
 * Has everything that a drag must not wait for worked out in a worker: the motion, the dials one after the other, the suggestions, what
 * single steps do, and at last how far the numbers could be off. The newest document wins: the worker turns to it between two parts.
 */
export class Painter {
  private worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });

  constructor(done: Done) {
    this.ready = compiled.then((module) => this.worker.postMessage(module));
    this.worker.onmessage = (event: MessageEvent<Part>) => {
      const { document, what, json } = event.data;
      const answer = JSON.parse(json);
      if (what === "tempo") done.tempo(document, answer);
      else if (answer.ok !== undefined) done[what](document, answer.ok as never);
    };
  }

  private ready: Promise<void>;
  private waiting = 0;

  /**
   * Asks for all of a document, the dial with a key first. While something is dragged it waits for the hand to rest: the worker
   * would only take time from the page with what is out of date before it is shown.
   */
  paint(document: string, saved: string, first: string | null, dragged: boolean): void {
    clearTimeout(this.waiting);
    const ask = () => void this.ready.then(() => this.worker.postMessage({ document, saved, first } satisfies Job));
    if (dragged) this.waiting = window.setTimeout(ask, rest);
    else ask();
  }

  stop(): void {
    clearTimeout(this.waiting);
    this.worker.terminate();
  }
}
