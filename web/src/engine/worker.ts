import { loadCore } from "./load";

const ready = loadCore();

/** Paints one document at a time; the page never sends a second before the first is answered. */
self.onmessage = async (event: MessageEvent<string>) => {
  try {
    self.postMessage((await ready).paint(event.data));
  } catch (error) {
    self.postMessage(JSON.stringify({ problems: [{ path: "", what: String(error) }] }));
  }
};
