import { loadCore, type RawCore } from "./load";

/** What is to be done: a search by a goal as text, a map of two settings by their keys, a ranking of the ready setups, or a look for partners. */
export type Task =
  | { kind: "search"; document: string; goal: string }
  | { kind: "map"; document: string; a: string; b: string }
  | { kind: "partners"; document: string; lifter: string; room: string; roomId: string }
  | { kind: "rank"; lifter: string; room: string; roomId: string; region: string; how: string };

/** A task, with the core's program. */
export type SearchJob = { module: WebAssembly.Module; task: Task };

/** How far it is, and at last what came of it. */
export type SearchNews = { share: number } | { json: string };

function work(core: RawCore, task: Task, progress: (share: number) => void): string {
  switch (task.kind) {
    case "search":
      return core.search(task.document, task.goal, progress);
    case "map":
      return core.map(task.document, task.a, task.b, progress);
    case "partners":
      return core.partners(task.document, task.lifter, task.room, task.roomId, progress);
    case "rank":
      return core.rank(task.lifter, task.room, task.roomId, task.region, task.how, progress);
  }
}

self.onmessage = async (event: MessageEvent<SearchJob>) => {
  const { module, task } = event.data;
  const core = await loadCore(module);
  const tell = (news: SearchNews) => self.postMessage(news);
  tell({ json: work(core, task, (share) => tell({ share })) });
};
