import { loadCore, type RawCore } from "./load";
import type {
  Answer,
  EqualLoads,
  Length,
  Lifter,
  Ready,
  Region,
  Report,
  Scene,
  Setting,
  SetupDocument,
  Tempo,
} from "./types";

/** The core on the main thread, with types. Documents go in as JSON text, so that one text can serve several calls. */
export class Core {
  constructor(private readonly raw: RawCore) {}

  evaluate(document: string): Answer<Report> {
    const { json, numbers } = this.raw.evaluate(document);
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
  tempo(document: string): Answer<Tempo> {
    return JSON.parse(this.raw.tempo(document));
  }
  addLoad(document: string, kind: string): Answer<SetupDocument> {
    return JSON.parse(this.raw.addLoad(document, kind));
  }
  dropLoad(document: string, index: number): Answer<SetupDocument> {
    return JSON.parse(this.raw.dropLoad(document, index));
  }
  lengths(): Answer<Length[]> {
    return JSON.parse(this.raw.lengths());
  }
  equal(document: string, reference: string): Answer<EqualLoads> {
    return JSON.parse(this.raw.equal(document, reference));
  }
  regions(): Answer<Region[]> {
    return JSON.parse(this.raw.regions());
  }
  ready(lifter: Lifter): Answer<Ready[]> {
    return JSON.parse(this.raw.ready(JSON.stringify(lifter)));
  }
}

type Curve = (number | null)[];

/** Puts the numbers back into the curves of a report, which hold only where they lie. */
function unpack(report: Report, numbers: Float64Array): void {
  const fill = (holder: Record<string, Curve>) => {
    for (const [name, place] of Object.entries(holder)) {
      const [offset, length] = place as [number, number];
      holder[name] = Array.from(numbers.subarray(offset, offset + length), (x) => (Number.isNaN(x) ? null : x));
    }
  };
  fill(report.curves as unknown as Record<string, Curve>);
  fill(report.path as unknown as Record<string, Curve>);
  for (const part of report.parts ?? []) {
    const { torque, tension, momentArm, inPlane, lift, stretch } = part;
    const curves = { torque, tension, momentArm, inPlane, lift, stretch };
    fill(curves);
    Object.assign(part, curves);
  }
  const m = report.muscles;
  const whole = { s: m.s, leftTwist: m.leftTwist, leftRest: m.leftRest, largest: m.largest };
  fill(whole);
  Object.assign(m, whole);
  for (const region of m.regions ?? []) {
    const { activation, torque, share, length, lineUpDeg } = region;
    const curves = { activation, torque, share, length, lineUpDeg };
    fill(curves);
    Object.assign(region, curves);
  }
  for (const joint of report.joints ?? []) {
    const { torque, size, along, across, capacity, effort } = joint;
    const curves = { torque, size, along, across, capacity, effort };
    fill(curves);
    Object.assign(joint, curves);
  }
}

let started: Promise<Core> | undefined;

/** The core of this page, started once. */
export function core(): Promise<Core> {
  started ??= loadCore().then((raw) => new Core(raw));
  return started;
}
