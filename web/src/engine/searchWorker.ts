import { loadCore } from "./load";

/** What is to be searched, with the core's program. */
export type SearchJob = { module: WebAssembly.Module; document: string; goal: string };

/** How far it is, and at last what was found. */
export type SearchNews = { share: number } | { json: string };

self.onmessage = async (event: MessageEvent<SearchJob>) => {
  const { module, document, goal } = event.data;
  const core = await loadCore(module);
  const tell = (news: SearchNews) => self.postMessage(news);
  tell({ json: core.search(document, goal, (share) => tell({ share })) });
};
