import { loadCore, type RawCore } from "./load";

/** A document to tell of while it is dragged, at a place along its path; exactly, once the hand has let go. */
export type Look = { document: string; s: number; exact: boolean };

/** What is told of it, as the core wrote it. */
export type Told = Look & { json: string; numbers?: Uint8Array<ArrayBuffer>; scene: string; settings: string };

let ready: Promise<RawCore> | null = null;

/** First comes the core's program, then one document after the other; the page sends the next when it has this one's answer. */
self.onmessage = async (event: MessageEvent<WebAssembly.Module | Look>) => {
  if (event.data instanceof WebAssembly.Module) {
    ready = loadCore(event.data);
    await ready;
    self.postMessage("ready");
    return;
  }
  const core = await ready;
  if (!core) throw new Error("The core's program did not come first.");
  const look = event.data;
  const { json, numbers } = core.evaluate(look.document, !look.exact);
  const told: Told = {
    ...look,
    json,
    numbers: numbers as Uint8Array<ArrayBuffer> | undefined,
    scene: core.scene(look.document, look.s),
    settings: core.settings(look.document),
  };
  self.postMessage(told, { transfer: told.numbers ? [told.numbers.buffer] : [] });
};
