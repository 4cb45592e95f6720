// Runs the page's core under node: reads setup documents (one JSON text per line) and prints for each the report's
// numbers, in the order of its curves, as one JSON list per line.
import { readFileSync } from "node:fs";

const [, , runtime, wasm] = process.argv;
await import(runtime);
const go = new globalThis.Go();
const { instance } = await WebAssembly.instantiate(readFileSync(wasm), go.importObject);
void go.run(instance);

for (const line of readFileSync(0, "utf8").split("\n").filter(Boolean)) {
  const { json, numbers } = globalThis.dialarc.evaluate(line);
  const { ok, problems } = JSON.parse(json);
  const values = ok ? Array.from(new Float64Array(numbers.buffer), (x) => (Number.isNaN(x) ? null : x)) : [];
  console.log(JSON.stringify({ match: ok?.profile.match.value ?? null, values, problems }));
}
process.exit(0);
