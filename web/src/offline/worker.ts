/**
 * The service worker: the page opens and shows what this browser has seen while the server is away. What is built is kept from the first
 * visit on; what is read from the server is kept as it was last read. Nothing that is written goes through here.
 */
import { ExpirationPlugin } from "workbox-expiration";
import { cleanupOutdatedCaches, type PrecacheEntry, precacheAndRoute } from "workbox-precaching";
import { registerRoute } from "workbox-routing";
import { NetworkFirst } from "workbox-strategies";

declare const self: ServiceWorkerGlobalScope;

/** What the build made, filled in by it. */
declare const __BUILT_FILES__: PrecacheEntry[];

self.addEventListener("install", () => void self.skipWaiting());
self.addEventListener("activate", (event) => event.waitUntil(self.clients.claim()));

cleanupOutdatedCaches();
precacheAndRoute(__BUILT_FILES__);

/** How long the server may take for the page itself before the kept one is shown, s. */
const patience = 3;

// Every address of the application is the same page, which reads its address itself.
const page = { cacheKeyWillBeUsed: async () => "/" };
registerRoute(
  ({ request, url }) => request.mode === "navigate" && !url.pathname.startsWith("/api/"),
  new NetworkFirst({ cacheName: "page", networkTimeoutSeconds: patience, plugins: [page] }),
);

/** How many answers of the server are kept. */
const most = 500;

registerRoute(
  ({ request, url }) =>
    url.pathname.startsWith("/api/") &&
    url.pathname !== "/api/health" && // it says whether the server is there
    request.headers.get("accept") !== "text/event-stream",
  new NetworkFirst({ cacheName: "read", plugins: [new ExpirationPlugin({ maxEntries: most })] }),
);
