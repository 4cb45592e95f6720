/** When the worker is asked for: what the screen needs comes first, ms. */
const settledAfter = 3000;

/** Has this browser keep the page and what was read, so that both are there while the server is away. */
export function registerOffline(): void {
  if (import.meta.env.DEV || !("serviceWorker" in navigator)) return;
  setTimeout(() => {
    navigator.serviceWorker.register("/offline.js").catch(() => {
      // Without it the page needs the server, as any page does.
    });
  }, settledAfter);
}
