import { loadCore } from "./load";

/** What is to be done with a document: a search by a goal as text, or a map of two settings by their keys. */
export type Task = { goal: string } | { a: string; b: string };

/** A task, with the core's program. */
export type SearchJob = { module: WebAssembly.Module; document: string; task: Task };

/** How far it is, and at last what came of it. */
export type SearchNews = { share: number } | { json: string };

self.onmessage = async (event: MessageEvent<SearchJob>) => {
  const { module, document, task } = event.data;
  const core = await loadCore(module);
  const tell = (news: SearchNews) => self.postMessage(news);
  const progress = (share: number) => tell({ share });
  tell({
    json: "goal" in task ? core.search(document, task.goal, progress) : core.map(document, task.a, task.b, progress),
  });
};
