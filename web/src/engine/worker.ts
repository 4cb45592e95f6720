import { loadCore } from "./load";

export type Job = { what: "paint" | "mends" | "spread"; document: string };

const ready = loadCore();

/** Does one job at a time; the page never sends a second before the first is answered. */
self.onmessage = async (event: MessageEvent<Job>) => {
  const { what, document } = event.data;
  try {
    self.postMessage((await ready)[what](document));
  } catch (error) {
    self.postMessage(JSON.stringify({ problems: [{ path: "", what: String(error) }] }));
  }
};
