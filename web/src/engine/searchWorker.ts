import type { RawCalls } from "./bridge.gen";
import { loadCore } from "./load";

/** A long call: one that tells how far it is, which is its last parameter. */
export type LongCall = "search" | "map" | "rank" | "rankFor" | "partners" | "fillers";

/** A call with all that crosses but the last, and the core's program. */
export type SearchJob = { module: WebAssembly.Module; call: LongCall; args: (string | number)[] };

/** How far it is, and at last what came of it. */
export type SearchNews = { share: number } | { json: string };

self.onmessage = async (event: MessageEvent<SearchJob>) => {
  const { module, call, args } = event.data;
  const core = await loadCore(module);
  const tell = (news: SearchNews) => self.postMessage(news);
  const run = core[call] as (...crossed: [...(string | number)[], Parameters<RawCalls["search"]>[2]]) => string;
  tell({ json: run(...args, (share) => tell({ share })) });
};
