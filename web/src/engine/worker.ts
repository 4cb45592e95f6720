import { loadCore, type RawCore } from "./load";
import type { Setting } from "./types";

/** What the page asks for: all that hangs on one document and the saved one, the dial that the coach is at first. */
export type Job = { document: string; saved: string; first: string | null };

/**
 * What comes back, as it gets ready: the motion, the loads that ask as much as the saved ones, one dial after the other, the
 * whole painting, suggestions, what single steps do, and how far off the numbers are.
 */
export type Part = {
  document: string;
  what: "tempo" | "equal" | "sweep" | "paint" | "suggestions" | "steps" | "spread";
  json: string;
};

/** How long a document has to stay before the long one is begun, which a newer one would have to wait for, ms. */
const rest = 500;

let ready: Promise<RawCore> | null = null;
let newest: Job | null = null;
let busy = false;
let wake = () => {};

/** Waits for so many milliseconds, or until a newer document comes. */
function calm(ms: number): Promise<void> {
  return new Promise((done) => {
    wake = done;
    setTimeout(done, ms);
  });
}

/** First comes the core's program, then one job after the other. */
self.onmessage = (event: MessageEvent<WebAssembly.Module | Job>) => {
  if (event.data instanceof WebAssembly.Module) {
    ready = loadCore(event.data);
    return;
  }
  newest = event.data;
  wake();
  if (!busy) void work();
};

/** Works on the newest document; a newer one takes over between two parts. */
async function work(): Promise<void> {
  busy = true;
  const core = await ready;
  if (!core) throw new Error("The core's program did not come first.");
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
    const [first, ...others] = order(core.settings(job.document), job.first);
    let on = first === undefined || (await part("sweep", () => core.sweep(job.document, first)));
    on = on && (await part("tempo", () => core.tempo(job.document)));
    if (job.document !== job.saved) on = on && (await part("equal", () => core.equal(job.document, job.saved)));
    for (const key of others) {
      if (!on) break;
      on = await part("sweep", () => core.sweep(job.document, key));
    }
    on = on && (await part("paint", () => core.paint(job.document)));
    on = on && (await part("suggestions", () => core.suggestions(job.document)));
    on = on && (await part("steps", () => core.steps(job.document)));
    if (on) await calm(rest);
    on = on && !stale() && (await part("spread", () => core.spread(job.document)));
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
