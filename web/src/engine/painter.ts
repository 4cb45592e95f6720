import type { Answer, Painting } from "./types";

/**
 * Paints the dials in a worker. Newest wins: while the worker is busy only the last request is remembered, so nothing
 * queues up however fast a dial is dragged.
 */
export class Painter {
  private worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  private busy: string | null = null;
  private next: string | null = null;

  constructor(private readonly done: (document: string, painting: Answer<Painting>) => void) {
    this.worker.onmessage = (event: MessageEvent<string>) => {
      const document = this.busy;
      this.busy = null;
      if (document !== null) this.done(document, JSON.parse(event.data));
      if (this.next !== null) {
        const waiting = this.next;
        this.next = null;
        this.paint(waiting);
      }
    };
  }

  paint(document: string): void {
    if (this.busy === document) {
      this.next = null;
    } else if (this.busy !== null) {
      this.next = document;
    } else {
      this.busy = document;
      this.worker.postMessage(document);
    }
  }

  stop(): void {
    this.worker.terminate();
  }
}
