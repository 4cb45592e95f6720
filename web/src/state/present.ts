import { core as startedCore } from "../engine/core";

const old = /dialarc\.setup\/1|\\?"stature\\?"/;

/** Puts what an earlier version of the page kept in this browser into the words of the present one, before anything reads it. */
export async function makeKeptPresent(): Promise<void> {
  const keys = keptKeys().filter((k) => old.test(localStorage.getItem(k) ?? ""));
  if (keys.length === 0) return;
  const core = await startedCore();
  const present = (text: string) => core.present(text).ok?.text ?? text;
  for (const key of keys) {
    const kept = JSON.parse(localStorage.getItem(key) ?? "null");
    if (typeof kept?.document === "string") kept.document = present(kept.document);
    localStorage.setItem(key, present(JSON.stringify(kept)));
    window.dispatchEvent(new StorageEvent("storage", { key })); // whoever has read it already reads it again
  }
}

function keptKeys(): string[] {
  try {
    return Object.keys(localStorage).filter((k) => k.startsWith("dialarc."));
  } catch {
    return []; // storage is forbidden: nothing was kept
  }
}
