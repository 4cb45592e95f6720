import { compiled } from "./module";
import type { SearchJob, SearchNews } from "./searchWorker";
import type { Answer, Goal, Search } from "./types";

/**
 * Searches for settings that fit better, in a worker of its own: what it returns ends it at once, whatever it is doing.
 */
export function search(
  document: string,
  goal: Goal,
  progress: (share: number) => void,
  done: (answer: Answer<Search>) => void,
): () => void {
  const worker = new Worker(new URL("./searchWorker.ts", import.meta.url), { type: "module" });
  const fail = (what: string) => done({ problems: [{ path: "", what }] });
  worker.onmessage = (event: MessageEvent<SearchNews>) => {
    if ("share" in event.data) progress(event.data.share);
    else {
      worker.terminate();
      done(JSON.parse(event.data.json));
    }
  };
  worker.onerror = (e) => fail(`The search stopped: ${e.message}.`);
  compiled.then(
    (module) => worker.postMessage({ module, document, goal: JSON.stringify(goal) } satisfies SearchJob),
    () => fail("The calculation core did not load."),
  );
  return () => worker.terminate();
}
