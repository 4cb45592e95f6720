import { Calls } from "./bridge.gen";
import { loadCore, type RawCore } from "./load";
import { compiled } from "./module";
import type { Answer, Report } from "./types";

/** The core on the main thread, with types. */
export class Core extends Calls<RawCore> {
  /** The report of a document, or a sketch of it: at fewer places, in half the time. */
  evaluate(document: string, sketch = false): Answer<Report> {
    return readReport(this.raw.evaluate(document, sketch));
  }
}

/** A report from how the core hands it out. */
export function readReport({ json, numbers }: { json: string; numbers?: Uint8Array }): Answer<Report> {
  const answer = JSON.parse(json) as Answer<Report>;
  if (answer.ok && numbers) unpack(answer.ok, new Float64Array(numbers.buffer));
  return answer;
}

/** Puts the numbers back into the curves of a report, which hold only where they lie. */
function unpack(report: Report, numbers: Float64Array): void {
  const { muscles } = report;
  const lists = [report.parts, report.joints, muscles.regions, muscles.heads, muscles.passive].flatMap(
    (list): object[] => list ?? [],
  );
  for (const holder of [report.curves, report.path, muscles, muscles.target ?? {}, ...lists]) {
    for (const [name, place] of Object.entries(holder)) {
      if (!isPlace(place)) continue;
      const values = numbers.subarray(place[0], place[0] + place[1]);
      Object.assign(holder, { [name]: Array.from(values, (x) => (Number.isNaN(x) ? null : x)) });
    }
  }
}

/** Where a curve lies among the numbers: offset and length. */
const isPlace = (v: unknown): v is [number, number] =>
  Array.isArray(v) && v.length === 2 && typeof v[0] === "number" && typeof v[1] === "number";

let started: Promise<Core> | undefined;
let running: Core | undefined;

/** The core of this page, started once. */
export function core(): Promise<Core> {
  started ??= compiled.then(loadCore).then((raw) => {
    running = new Core(raw);
    return running;
  });
  return started;
}

/** The core, if it has started: for what cannot wait. */
export const coreNow = (): Core | undefined => running;
