import { loadCore, type RawCore } from "./load";
import { compiled } from "./module";
import type {
  Answer,
  Choices,
  Comparison,
  CoordinateInfo,
  CountedExercise,
  Effect,
  Equalised,
  Fitted,
  Kept,
  Known,
  Length,
  Lifter,
  Missing,
  Places,
  Ready,
  Region,
  Report,
  Room,
  Scene,
  Setting,
  SetupDocument,
  Tempo,
} from "./types";

/** The core on the main thread, with types. Documents go in as JSON text, so that one text can serve several calls. */
export class Core {
  constructor(private readonly raw: RawCore) {}

  /** The report of a document, or a sketch of it: at fewer places, in half the time. */
  evaluate(document: string, sketch = false): Answer<Report> {
    const { json, numbers } = this.raw.evaluate(document, sketch);
    const answer = JSON.parse(json) as Answer<Report>;
    if (answer.ok && numbers) unpack(answer.ok, new Float64Array(numbers.buffer));
    return answer;
  }
  scene(document: string, s: number): Answer<Scene> {
    return JSON.parse(this.raw.scene(document, s));
  }
  settings(document: string): Answer<Setting[]> {
    return JSON.parse(this.raw.settings(document));
  }
  apply(document: string, key: string, value: number): Answer<SetupDocument> {
    return JSON.parse(this.raw.apply(document, key, value));
  }
  loadKind(document: string, index: number, kind: string): Answer<SetupDocument> {
    return JSON.parse(this.raw.loadKind(document, index, kind));
  }
  places(document: string): Answer<Places> {
    return JSON.parse(this.raw.places(document));
  }
  addLoad(document: string, kind: string): Answer<SetupDocument> {
    return JSON.parse(this.raw.addLoad(document, kind));
  }
  dropLoad(document: string, index: number): Answer<SetupDocument> {
    return JSON.parse(this.raw.dropLoad(document, index));
  }
  choices(document: string): Answer<Choices> {
    return JSON.parse(this.raw.choices(document));
  }
  change(document: string, what: string, key: string, index: number): Answer<SetupDocument> {
    return JSON.parse(this.raw.change(document, what, key, index));
  }
  begin(lifter: Lifter, region: string, kind: string, position: string): Answer<SetupDocument> {
    return JSON.parse(this.raw.begin(JSON.stringify(lifter), region, kind, position));
  }
  /** The document moved into a room, given as text, that has an id. */
  fit(document: string, room: string, id: string): Answer<Fitted> {
    return JSON.parse(this.raw.fit(document, room, id));
  }
  effect(document: string): Answer<Effect> {
    return JSON.parse(this.raw.effect(document));
  }
  tempo(document: string): Answer<Tempo> {
    return JSON.parse(this.raw.tempo(document));
  }
  /** Setups side by side. */
  compare(documents: SetupDocument[]): Answer<Comparison> {
    return JSON.parse(this.raw.compare(JSON.stringify(documents)));
  }
  /** Setups with loads that ask as much as the first. */
  equalise(documents: SetupDocument[], by: string, atDeg: number): Answer<Equalised[]> {
    return JSON.parse(this.raw.equalise(JSON.stringify(documents), by, atDeg));
  }
  /** A comparison, given as text, or what is wrong with it. */
  comparison(comparison: string): Answer<Kept> {
    return JSON.parse(this.raw.comparison(comparison));
  }
  /** The room, or what is wrong with it. */
  room(room: string): Answer<Room> {
    return JSON.parse(this.raw.room(room));
  }
  /** The body of a lifter, given as text, or what is wrong with it. */
  lifter(lifter: string): Answer<Lifter> {
    return JSON.parse(this.raw.lifter(lifter));
  }
  /** What is known of a lifter's strength, given as text. */
  strength(lifter: string): Answer<Known> {
    return JSON.parse(this.raw.strength(lifter));
  }
  /** The exercises in which a set says something about strength. */
  counted(): Answer<CountedExercise[]> {
    return JSON.parse(this.raw.counted());
  }
  /** What a search for a text means that is not here yet. */
  notYet(text: string): Answer<Missing[]> {
    return JSON.parse(this.raw.notYet(text));
  }
  /** What a typed text means as a quantity of a kind, in SI; a number without a unit counts in one of so much. */
  quantity(text: string, kind: string, unit: number): Answer<{ value: number }> {
    return JSON.parse(this.raw.quantity(text, kind, unit));
  }
  coordinates(): Answer<CoordinateInfo[]> {
    return JSON.parse(this.raw.coordinates());
  }
  lengths(): Answer<Length[]> {
    return JSON.parse(this.raw.lengths());
  }
  regions(): Answer<Region[]> {
    return JSON.parse(this.raw.regions());
  }
  /** The setups to begin with for a lifter, in a room, given as text, or in any place. */
  ready(lifter: Lifter, room: string, id: string): Answer<Ready[]> {
    return JSON.parse(this.raw.ready(JSON.stringify(lifter), room, id));
  }
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
