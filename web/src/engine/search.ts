import { compiled } from "./module";
import type { LongCall, SearchJob, SearchNews } from "./searchWorker";
import type { Answer, Filler, Goal, Grid, Lifter, Partner, Ranked, Search, StoredRoom } from "./types";

type Progress = (share: number) => void;

/** Searches for settings that fit better, in a worker of its own: what it returns ends it at once, whatever it is doing. */
export const search = (document: string, goal: Goal, progress: Progress, done: (answer: Answer<Search>) => void) =>
  run("search", [document, JSON.stringify(goal)], progress, done);

/** Judges every pair of values of two settings, in the same way. */
export const map = (document: string, a: string, b: string, progress: Progress, done: (answer: Answer<Grid>) => void) =>
  run("map", [document, a, b], progress, done);

/** Orders the ready setups for a lifter, in a room or in any place, by how they load a region. */
export const rank = (
  who: Who,
  region: string,
  how: string,
  progress: Progress,
  done: (answer: Answer<Ranked[]>) => void,
) => {
  return run("rank", [...told(who), region, how], progress, done);
};

/** Orders them by the mean over several lifters. */
export const rankFor = (
  lifters: Lifter[],
  room: StoredRoom | null,
  region: string,
  how: string,
  progress: Progress,
  done: (answer: Answer<Ranked[]>) => void,
) =>
  run(
    "rankFor",
    [JSON.stringify(lifters), room ? JSON.stringify(room.document) : "", room?.id ?? "", region, how],
    progress,
    done,
  );

/** Looks among them for those that complement a setup. */
export const partners = (document: string, who: Who, progress: Progress, done: (answer: Answer<Partner[]>) => void) =>
  run("partners", [document, ...told(who)], progress, done);

/** Looks for the exercises that fill a gap of a region in one third of its length. */
export const fillers = (
  who: Who,
  region: string,
  third: number,
  progress: Progress,
  done: (answer: Answer<Filler[]>) => void,
) => run("fillers", [...told(who), region, third], progress, done);

/** For whom, and in which room. */
export type Who = { lifter: Lifter; room: StoredRoom | null };

const told = ({ lifter, room }: Who): string[] => [
  JSON.stringify(lifter),
  room ? JSON.stringify(room.document) : "",
  room?.id ?? "",
];

function run<T>(
  call: LongCall,
  args: (string | number)[],
  progress: Progress,
  done: (answer: Answer<T>) => void,
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
  worker.onerror = (e) => fail(`The calculation stopped: ${e.message}.`);
  compiled.then(
    (module) => worker.postMessage({ module, call, args } satisfies SearchJob),
    () => fail("The calculation core did not load."),
  );
  return () => worker.terminate();
}
