import type { AsideCall, AsideNews } from "./asideWorker";
import type { Core } from "./core";
import { compiled } from "./module";
import type { Answer } from "./types";

type Called<C extends AsideCall> = Core[C] extends (...args: infer A) => Answer<infer T>
  ? { args: A; answer: Answer<T>; ok: T }
  : never;

/** A core in a worker of its own, which answers one call after the other while the page goes on. What it was given it keeps. */
export class Aside {
  private readonly worker = new Worker(new URL("./asideWorker.ts", import.meta.url), { type: "module" });
  private readonly waiting = new Map<number, (answer: Answer<unknown>) => void>();
  private next = 0;

  constructor() {
    this.worker.onmessage = (event: MessageEvent<AsideNews>) => {
      this.waiting.get(event.data.id)?.(event.data.answer);
      this.waiting.delete(event.data.id);
    };
    this.worker.onerror = (e) => this.fail(`The calculation stopped: ${e.message}.`);
    this.begun = compiled.then(
      (module) => this.worker.postMessage(module),
      () => this.fail("The calculation core did not load."),
    );
  }

  private readonly begun: Promise<void>;

  call<C extends AsideCall>(call: C, ...args: Called<C>["args"]): Promise<Called<C>["answer"]> {
    const id = this.next++;
    return new Promise((done) => {
      this.waiting.set(id, done as (answer: Answer<unknown>) => void);
      void this.begun.then(() => this.worker.postMessage({ id, call, args }));
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

/**
 * What comes of one call that takes longer than a page may stand still; an error where it cannot be had. Who asked may end it by the
 * signal: then it is never answered.
 */
export async function aside<C extends AsideCall>(signal: AbortSignal, call: C, ...args: Called<C>["args"]) {
  const core = new Aside();
  const end = () => core.end();
  signal.addEventListener("abort", end);
  const answer = (await core.call(call, ...args)) as Answer<Called<C>["ok"]>;
  signal.removeEventListener("abort", end);
  end();
  if (answer.problems) throw new Error([answer.problems[0]?.what, answer.problems[0]?.hint].filter(Boolean).join(" "));
  return answer.ok;
}
