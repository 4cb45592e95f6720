import { readdirSync, readFileSync, statSync, writeFileSync } from "node:fs";
import { join } from "node:path";
import { brotliCompressSync, constants } from "node:zlib";
import react from "@vitejs/plugin-react";
import { defineConfig, type Plugin } from "vite";

const outDir = "../internal/webui/dist";

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
            const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: raw.length };
            writeFileSync(`${file}.br`, brotliCompressSync(raw, { params }));
          }
        }
      };
      visit(outDir);
    },
  };
}

export default defineConfig({
  plugins: [react(), packed()],
  build: { outDir, emptyOutDir: true, assetsInlineLimit: 0, chunkSizeWarningLimit: 1500 },
  worker: { format: "es" },
  server: { proxy: { "/api": "http://127.0.0.1:4380" } },
});
