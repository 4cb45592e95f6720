// Runs the page's core under node: reads setup documents (one JSON text per line) from the first file and writes for
// each the report's numbers, in the order of its curves, as one line of JSON to the second.
import { readFileSync, writeFileSync } from "node:fs";

const [, , runtime, wasm, from, to] = process.argv;
const lines = [];
await import(runtime);
const go = new globalThis.Go();
const { instance } = await WebAssembly.instantiate(readFileSync(wasm), go.importObject);
void go.run(instance);

for (const line of readFileSync(from, "utf8").split("\n").filter(Boolean)) {
  const { json, numbers } = globalThis.dialarc.evaluate(line);
  const { ok, problems } = JSON.parse(json);
  const values = ok ? Array.from(new Float64Array(numbers.buffer), (x) => (Number.isNaN(x) ? null : x)) : [];
  lines.push(JSON.stringify({ fit: ok?.profile.fit.value ?? null, values, problems }));
}
writeFileSync(to, lines.join("\n"));
process.exit(0);
