import { readReport } from "./core";
import type { Look, Told } from "./liveWorker";
import { compiled } from "./module";
import type { Answer, Report, Scene, Setting } from "./types";

/** What is known of a document that is being dragged. */
export type Seen = { text: string; exact: boolean; answer: Answer<Report>; scene: Scene | null; settings: Setting[] };

/**
 * The core beside the page, for what has to keep up with a hand: one document at a time, and the newest next. Whatever came between two
 * answers is never looked at.
 */
export class Live {
  private worker = new Worker(new URL("./liveWorker.ts", import.meta.url), { type: "module" });
  private next: Look | null = null;
  private busy = false;
  /** Whether it can be asked; until then the page looks by itself. */
  ready = false;

  constructor(seen: (of: Seen) => void) {
    void compiled.then((module) => this.worker.postMessage(module)).catch(() => {}); // told to whoever asks for the core
    this.worker.onmessage = ({ data }: MessageEvent<Told | "ready">) => {
      if (data === "ready") {
        this.ready = true;
        return;
      }
      this.busy = false;
      this.send();
      seen({
        text: data.document,
        exact: data.exact,
        answer: readReport(data),
        scene: JSON.parse(data.scene).ok ?? null,
        settings: JSON.parse(data.settings).ok ?? [],
      });
    };
  }

  look(document: string, s: number, exact: boolean): void {
    this.next = { document, s, exact };
    if (!this.busy) this.send();
  }

  private send(): void {
    if (!this.next) return;
    this.busy = true;
    this.worker.postMessage(this.next);
    this.next = null;
  }

  stop(): void {
    this.worker.terminate();
  }
}
