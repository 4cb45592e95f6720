import type { ActivityCall, ActivityNews } from "./activityWorker";
import type { Core } from "./core";
import { compiled } from "./module";
import type { Answer } from "./types";

type Called<C extends ActivityCall> = Core[C] extends (...args: infer A) => infer R ? { args: A; answer: R } : never;

/** The core in a worker that keeps recordings: minutes of samples are read and filtered there, while the page goes on. */
export class ActivityCore {
  private readonly worker = new Worker(new URL("./activityWorker.ts", import.meta.url), { type: "module" });
  private readonly waiting = new Map<number, (answer: Answer<unknown>) => void>();
  private next = 0;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<ActivityNews>) => {
      this.waiting.get(event.data.id)?.(event.data.answer);
      this.waiting.delete(event.data.id);
    };
    this.worker.onerror = (e) => this.fail(`The calculation stopped: ${e.message}.`);
    compiled.then(
      (module) => this.worker.postMessage(module),
      () => this.fail("The calculation core did not load."),
    );
  }

  call<C extends ActivityCall>(call: C, ...args: Called<C>["args"]): Promise<Called<C>["answer"]> {
    const id = this.next++;
    return new Promise((done) => {
      this.waiting.set(id, done as (answer: Answer<unknown>) => void);
      this.worker.postMessage({ id, call, args });
    });
  }

  private fail(what: string): void {
    for (const done of this.waiting.values()) done({ problems: [{ path: "", what }] });
    this.waiting.clear();
  }

  end(): void {
    this.worker.terminate();
  }
}
