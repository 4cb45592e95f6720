import { Core } from "./core";
import { loadCore } from "./load";
import type { Answer } from "./types";

/** A call that works on recordings, by its name. */
export type ActivityCall =
  | "openRecording"
  | "keepRecording"
  | "workActivity"
  | "activitySamples"
  | "writeEDF"
  | "activityAgainst";

export type ActivityJob = { id: number; call: ActivityCall; args: unknown[] };
export type ActivityNews = { id: number; answer: Answer<unknown> };

let ready: Promise<Core> | undefined;

/** First comes the core's program, then calls, which are answered in their order. The recordings stay in this thread. */
self.onmessage = async (event: MessageEvent<WebAssembly.Module | ActivityJob>) => {
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
    answer = { problems: [{ path: "", what: `The calculation failed: ${error}.`, hint: "Open the recording again." }] };
  }
  const bytes = answer.ok instanceof Uint8Array ? [answer.ok.buffer] : [];
  self.postMessage({ id, answer } satisfies ActivityNews, { transfer: bytes as Transferable[] });
};
