import type { Calls } from "./bridge.gen";
import { Core } from "./core";
import { loadCore } from "./load";
import type { LongCall } from "./searchWorker";
import type { Answer } from "./types";

/** A call by its name; a long one has a worker of its own, which tells how far it is. */
export type AsideCall = Exclude<keyof Calls, LongCall>;

export type AsideJob = { id: number; call: AsideCall; args: unknown[] };
export type AsideNews = { id: number; answer: Answer<unknown> };

let ready: Promise<Core> | undefined;

/** First comes the core's program, then calls, which are answered in their order. What they keep stays in this thread. */
self.onmessage = async (event: MessageEvent<WebAssembly.Module | AsideJob>) => {
  if (event.data instanceof WebAssembly.Module) {
    ready = loadCore(event.data).then((raw) => new Core(raw));
    return;
  }
  const { id, call, args } = event.data;
  let answer: Answer<unknown>;
  try {
    const core = await ready;
    if (!core) throw new Error("The core's program did not come first.");
    answer = (core[call] as (...args: unknown[]) => Answer<unknown>).apply(core, args);
  } catch (error) {
    console.error(error);
    answer = { problems: [{ path: "", what: "The calculation failed.", hint: "Reload the page." }] };
  }
  const bytes = answer.ok instanceof Uint8Array ? [answer.ok.buffer] : [];
  self.postMessage({ id, answer } satisfies AsideNews, { transfer: bytes as Transferable[] });
};
