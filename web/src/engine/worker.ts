import { loadCore } from "./load";
import type { Setting } from "./types";

/** What the page asks for: all that hangs on one document, the dial that the coach is at first. */
export type Job = { document: string; first: string | null };

/** What comes back, as it gets ready: one dial after the other, the whole painting, mends, and how far off the numbers are. */
export type Part = { document: string; what: "sweep" | "paint" | "mends" | "spread"; json: string };

const ready = loadCore();
let newest: Job | null = null;
let busy = false;

self.onmessage = (event: MessageEvent<Job>) => {
  newest = event.data;
  if (!busy) void work();
};

/** Works on the newest document; a newer one takes over between two parts. */
async function work(): Promise<void> {
  busy = true;
  const core = await ready;
  while (newest) {
    const job = newest;
    const stale = () => newest !== job;
    const part = async (what: Part["what"], make: () => string): Promise<boolean> => {
      let json: string;
      try {
        json = make();
      } catch (error) {
        json = JSON.stringify({ problems: [{ path: "", what: String(error) }] });
      }
      self.postMessage({ document: job.document, what, json } satisfies Part);
      await new Promise((done) => setTimeout(done)); // lets a newer document in
      return !stale();
    };
    let on = true;
    for (const key of order(core.settings(job.document), job.first)) {
      on = await part("sweep", () => core.sweep(job.document, key));
      if (!on) break;
    }
    on = on && (await part("paint", () => core.paint(job.document)));
    on = on && (await part("mends", () => core.mends(job.document)));
    on = on && (await part("spread", () => core.spread(job.document)));
    if (on) newest = null;
  }
  busy = false;
}

/** The keys of the painted dials, the wanted one first. */
function order(json: string, first: string | null): string[] {
  const settings = (JSON.parse(json).ok ?? []) as Setting[];
  const keys = settings.filter((s) => s.paint !== "none").map((s) => s.key);
  return first && keys.includes(first) ? [first, ...keys.filter((k) => k !== first)] : keys;
}
