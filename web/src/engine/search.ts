import { compiled } from "./module";
import type { SearchJob, SearchNews, Task } from "./searchWorker";
import type { Answer, Goal, Grid, Lifter, Ranked, Search, StoredRoom } from "./types";

type Progress = (share: number) => void;

/** Searches for settings that fit better, in a worker of its own: what it returns ends it at once, whatever it is doing. */
export const search = (document: string, goal: Goal, progress: Progress, done: (answer: Answer<Search>) => void) =>
  run({ kind: "search", document, goal: JSON.stringify(goal) }, progress, done);

/** Judges every pair of values of two settings, in the same way. */
export const map = (document: string, a: string, b: string, progress: Progress, done: (answer: Answer<Grid>) => void) =>
  run({ kind: "map", document, a, b }, progress, done);

/** Orders the ready setups for a lifter, in a room or in any place, by how they load a region. */
export const rank = (
  who: { lifter: Lifter; room: StoredRoom | null },
  region: string,
  how: string,
  progress: Progress,
  done: (answer: Answer<Ranked[]>) => void,
) => {
  const [room, roomId] = who.room ? [JSON.stringify(who.room.document), who.room.id] : ["", ""];
  return run({ kind: "rank", lifter: JSON.stringify(who.lifter), room, roomId, region, how }, progress, done);
};

function run<T>(task: Task, progress: Progress, done: (answer: Answer<T>) => void): () => void {
  const worker = new Worker(new URL("./searchWorker.ts", import.meta.url), { type: "module" });
  const fail = (what: string) => done({ problems: [{ path: "", what }] });
  worker.onmessage = (event: MessageEvent<SearchNews>) => {
    if ("share" in event.data) progress(event.data.share);
    else {
      worker.terminate();
      done(JSON.parse(event.data.json));
    }
  };
  worker.onerror = (e) => fail(`The calculation stopped: ${e.message}.`);
  compiled.then(
    (module) => worker.postMessage({ module, task } satisfies SearchJob),
    () => fail("The calculation core did not load."),
  );
  return () => worker.terminate();
}
