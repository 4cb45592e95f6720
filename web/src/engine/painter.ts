import type { Answer, Mend, Painting, Uncertainty } from "./types";
import type { Job } from "./worker";

type Done = {
  painted(document: string, painting: Answer<Painting>): void;
  mended(document: string, mends: Answer<Mend[]>): void;
  spread(document: string, uncertainty: Answer<Uncertainty>): void;
};

/**
 * Paints the dials in a worker and then, when nothing newer waits, looks for what would mend the verdicts and works out how
 * far the numbers could be off. Newest
 * wins: while the worker is busy only the last document is remembered, so nothing queues up however fast a dial is
 * dragged.
 */
export class Painter {
  private worker = new Worker(new URL("./worker.ts", import.meta.url), { type: "module" });
  private busy: Job | null = null;
  private next: Job | null = null;

  constructor(private readonly done: Done) {
    this.worker.onmessage = (event: MessageEvent<string>) => {
      const job = this.busy;
      this.busy = null;
      if (!job) return;
      const answer = JSON.parse(event.data);
      if (job.what === "paint") {
        this.next ??= { what: "mends", document: job.document };
        this.done.painted(job.document, answer);
      } else if (job.what === "mends") {
        this.next ??= { what: "spread", document: job.document };
        this.done.mended(job.document, answer);
      } else {
        this.done.spread(job.document, answer);
      }
      const waiting = this.next;
      this.next = null;
      if (waiting) this.start(waiting);
    };
  }

  paint(document: string): void {
    const job: Job = { what: "paint", document };
    if (this.busy) this.next = job;
    else this.start(job);
  }

  stop(): void {
    this.worker.terminate();
  }

  private start(job: Job): void {
    this.busy = job;
    this.worker.postMessage(job);
  }
}
