import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants } from "node:zlib";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

const outDir = "../internal/webui/dist";

/** How hard files are packed: for a release as small as they get, else in a fiftieth of the time and a sixth larger. */
const quality = process.env.PACKING === "release" ? 11 : 5;

/** Packs what is worth it once at build time, so that the server only sends. */
function packed(): Plugin {
  return {
    name: "packed",
    apply: "build",
    closeBundle() {
      const visit = (dir: string): void => {
        for (const name of readdirSync(dir)) {
          const file = join(dir, name);
          if (statSync(file).isDirectory()) {
            visit(file);
          } else if (/\.(js|css|html|wasm|svg)$/.test(name)) {
            const raw = readFileSync(file);
            const params = {
              [constants.BROTLI_PARAM_QUALITY]: quality,
              [constants.BROTLI_PARAM_SIZE_HINT]: raw.length,
            };
            writeFileSync(`${file}.br`, brotliCompressSync(raw, { params }));
          }
        }
      };
      visit(outDir);
    },
  };
}

/** Tells the service worker what was built; names in assets hold a hash, so that none of them needs a version. */
function listed(): Plugin {
  return {
    name: "listed",
    apply: "build",
    generateBundle(_, bundle) {
      const worker = bundle[offline];
      if (worker?.type !== "chunk") throw new Error(`there is no ${offline} to fill in`);
      const files = Object.keys(bundle)
        .filter((name) => name.startsWith("assets/"))
        .map((name) => ({ url: `/${name}`, revision: null }));
      worker.code = worker.code.replace("__BUILT_FILES__", JSON.stringify(files));
    },
  };
}

/** The service worker's file: its name stays, so that browsers find the next one. */
const offline = "offline.js";

export default defineConfig({
  plugins: [react(), listed(), packed()],
  build: {
    outDir,
    emptyOutDir: true,
    assetsInlineLimit: 0,
    chunkSizeWarningLimit: 1500,
    rolldownOptions: {
      input: { page: "index.html", offline: "src/offline/worker.ts" },
      output: { entryFileNames: ({ name }) => (name === "offline" ? offline : "assets/[name]-[hash].js") },
    },
  },
  worker: { format: "es" },
  server: { proxy: { "/api": "http://127.0.0.1:4380" } },
});
