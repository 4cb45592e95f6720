// Made by "make generate" from the calls in internal/bridge; not to be edited.
import type { components } from "../api/schema.gen";
import type { Answer } from "./types";

type Schemas = components["schemas"];
type Progress = (share: number) => void;

/** An answer as text, with bytes beside it. */
export type Beside = { json: string; numbers?: Uint8Array };

const bytesOf = ({ json, numbers }: Beside): Answer<Uint8Array> => (numbers ? { ok: numbers } : JSON.parse(json));

/** The names of the dials; a setting's key is its dial's, with the load's place where it belongs to one. */
export type DialName =
  | "pulley.height"
  | "columns.apart"
  | "pulley.out"
  | "pulley.aside"
  | "load.stack"
  | "band.height"
  | "band.out"
  | "band.aside"
  | "band.apart"
  | "band.rest"
  | "band.pull"
  | "strap"
  | "strand"
  | "cuff"
  | "load.mass"
  | "lever.plates"
  | "sled.plates"
  | "sled.feet"
  | "sled.rails"
  | "assist.stack"
  | "pad.radius"
  | "axis.forward"
  | "axis.up"
  | "stance.out"
  | "stance.aside"
  | "heading"
  | "seat.height"
  | "bench.height"
  | "feet.apart"
  | "feet.stagger"
  | "front.share"
  | "rear.height"
  | "feet.out"
  | "riser"
  | "hand.out"
  | "hand.height"
  | "hand.aside"
  | "free.hip.start"
  | "free.hip.end"
  | "free.knee"
  | "bench.angle"
  | "bench.mass"
  | "trunk.lean"
  | "trunk.bend"
  | "trunk.turn"
  | "path.plane"
  | "path.startPlane"
  | "path.elbow"
  | "path.rotation"
  | "hold.elevation"
  | "hold.plane"
  | "hold.rotation"
  | "hold.elbow"
  | "hold.pronation"
  | "hold.wrist"
  | "blades.up"
  | "blades.forward"
  | "grip.width"
  | "guide.swivel"
  | "guide.travel"
  | "guide.turn"
  | "guide.begins"
  | "guide.startX"
  | "guide.startY"
  | "guide.startZ"
  | "guide.endX"
  | "guide.endY"
  | "guide.endZ"
  | "guide.centreX"
  | "guide.centreY"
  | "guide.centreZ"
  | "pose.from"
  | "pose.to"
  | "range.from"
  | "range.to"
  | "tempo.up"
  | "tempo.top"
  | "tempo.down"
  | "tempo.bottom";

/** The calls as they cross: JSON text in, JSON text out. */
export type RawCalls = {
  scene(document: string, s: number): string;
  settings(document: string): string;
  apply(document: string, key: string, value: number): string;
  loadKind(document: string, index: number, kind: string): string;
  addLoad(document: string, kind: string): string;
  dropLoad(document: string, index: number): string;
  choices(document: string): string;
  change(document: string, what: string, key: string, index: number): string;
  pose(document: string, index: number, what: string, value: number): string;
  poseLed(document: string, index: number, by: string, x: number, y: number, z: number): string;
  set(document: string, path: string, value: string): string;
  begin(lifter: string, region: string, kind: string, position: string): string;
  beginnings(lifter: string): string;
  fit(document: string, room: string, id: string): string;
  effect(document: string): string;
  sweep(document: string, key: string): string;
  paint(document: string): string;
  suggestions(document: string): string;
  steps(document: string): string;
  attachmentSites(document: string): string;
  tempo(document: string): string;
  spread(document: string): string;
  equal(document: string, reference: string): string;
  search(document: string, goal: string, progress: Progress): string;
  map(document: string, a: string, b: string, progress: Progress): string;
  compare(documents: string): string;
  equalise(documents: string, by: string, atDeg: number): string;
  study(documents: string): string;
  comparison(comparison: string): string;
  ready(lifter: string, room: string, id: string): string;
  rank(lifter: string, room: string, id: string, region: string, how: string, progress: Progress): string;
  rankFor(lifters: string, room: string, id: string, region: string, how: string, progress: Progress): string;
  partners(document: string, lifter: string, room: string, id: string, progress: Progress): string;
  measureBand(table: string, length: number, force: number, rest: number, strands: number): string;
  measureStack(table: string, mass: number, force: number): string;
  measureCam(table: string, force: number, pin: number, ratio: number, pad: number): string;
  measureLever(table: string, force: number, mass: number, handle: number): string;
  measurePath(table: string): string;
  measureStrength(
    lifter: string,
    table: string,
    action: string,
    position: string,
    strap: number,
    force: number,
  ): string;
  trials(trace: string): string;
  bandTraces(tape: string, cell: string): string;
  stackTrace(pin: number, cell: string): string;
  sources(document: string): string;
  disagreements(lifter: string): string;
  worth(documents: string): string;
  photo(photo: string): string;
  openRecording(slot: string, name: string, file: Uint8Array): string;
  keepRecording(slot: string, channels: string, samples: Uint8Array): string;
  workActivity(slot: string, strongest: string, settings: string): string;
  activitySamples(slot: string, place: number, what: string, settings: string): Beside;
  writeEDF(slot: string): Beside;
  activityAgainst(document: string, region: string, measured: string): string;
  studyTable(study: string, captures: string): string;
  activityStudy(study: string): string;
  room(room: string): string;
  lifter(lifter: string): string;
  strength(lifter: string): string;
  counted(): string;
  block(block: string): string;
  blockTable(block: string): string;
  blockDays(table: string, lifter: string, saved: string): string;
  entry(document: string): string;
  week(block: string, week: number, last: string): string;
  nextLoad(entry: string, sets: string): string;
  digest(document: string): string;
  fillers(lifter: string, room: string, id: string, region: string, third: number, progress: Progress): string;
  instead(document: string, lifter: string, room: string, id: string, joint: string): string;
  mergeSessions(a: string, b: string): string;
  find(text: string): string;
  notYet(text: string): string;
  quantity(text: string, kind: string, unit: number): string;
  present(text: string): string;
  coordinates(): string;
  lengths(): string;
  regions(): string;
};

/** The calls with their types. Documents and gyms go in as JSON text, so that one text can serve several calls. */
export class Calls<Raw extends RawCalls = RawCalls> {
  constructor(protected readonly raw: Raw) {}

  /** The figure and what pulls on it at a place along the path, 0 to 1. */
  scene(document: string, s: number): Answer<Schemas["Scene"]> {
    return JSON.parse(this.raw.scene(document, s));
  }
  /** What can be set. A document with problems is served too, since turning a dial is how they are mended. */
  settings(document: string): Answer<Schemas["Setting"][]> {
    return JSON.parse(this.raw.settings(document));
  }
  /** The document with a setting turned to a value. */
  apply(document: string, key: string, value: number): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.apply(document, key, value));
  }
  /** The document with a load of another kind. */
  loadKind(document: string, index: number, kind: string): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.loadKind(document, index, kind));
  }
  /** The document with one more load. */
  addLoad(document: string, kind: string): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.addLoad(document, kind));
  }
  /** The document without a load. */
  dropLoad(document: string, index: number): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.dropLoad(document, index));
  }
  /** What the setup consists of, and what else it could. */
  choices(document: string): Answer<Schemas["EditsChoices"]> {
    return JSON.parse(this.raw.choices(document));
  }
  /** The document with something else of what it could consist of. */
  change(document: string, what: string, key: string, index: number): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.change(document, what, key, index));
  }
  /** The document with a pose of its path changed, added or dropped. */
  pose(document: string, index: number, what: string, value: number): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.pose(document, index, what, value));
  }
  /** The document with the arm in one pose of its path led by hand or elbow to a place in the room. */
  poseLed(document: string, index: number, by: string, x: number, y: number, z: number): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.poseLed(document, index, by, x, y, z));
  }
  /** The document with a plain part of it set to a value, given as JSON. */
  set(document: string, path: string, value: string): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.set(document, path, value));
  }
  /** A setup for a lifter from a region, a kind of load and a position. */
  begin(
    lifter: Schemas["DocumentLifter"],
    region: string,
    kind: string,
    position: string,
  ): Answer<Schemas["Document"]> {
    return JSON.parse(this.raw.begin(JSON.stringify(lifter), region, kind, position));
  }
  /** What setups for a lifter can be begun with. */
  beginnings(lifter: Schemas["DocumentLifter"]): Answer<Schemas["EditsBeginning"][]> {
    return JSON.parse(this.raw.beginnings(JSON.stringify(lifter)));
  }
  /** The document moved into a gym that has an id. */
  fit(document: string, room: string, id: string): Answer<Schemas["EditsFitted"]> {
    return JSON.parse(this.raw.fit(document, room, id));
  }
  /** What tells two setups apart at a glance: fit, torque, effort. */
  effect(document: string): Answer<Schemas["EditsEffect"]> {
    return JSON.parse(this.raw.effect(document));
  }
  /** How well every value of one setting would fit. */
  sweep(document: string, key: string): Answer<Schemas["Sweep"]> {
    return JSON.parse(this.raw.sweep(document, key));
  }
  /** How well every value of every setting would fit; what was swept of the same document is not judged again. */
  paint(document: string): Answer<Schemas["Painting"]> {
    return JSON.parse(this.raw.paint(document));
  }
  /** The smallest changes that would fix what the verdicts find. */
  suggestions(document: string): Answer<Schemas["Suggestion"][]> {
    return JSON.parse(this.raw.suggestions(document));
  }
  /** What one step of each setting would do. */
  steps(document: string): Answer<Schemas["Step"][]> {
    return JSON.parse(this.raw.steps(document));
  }
  /** A load attached elsewhere along the arm, at the same peak torque. */
  attachmentSites(document: string): Answer<Schemas["ReportAttachmentSites"]> {
    return JSON.parse(this.raw.attachmentSites(document));
  }
  /** The torque in motion. */
  tempo(document: string): Answer<Schemas["ReportTempo"]> {
    return JSON.parse(this.raw.tempo(document));
  }
  /** How far the numbers could be off. */
  spread(document: string): Answer<Schemas["ReportUncertainty"]> {
    return JSON.parse(this.raw.spread(document));
  }
  /** The loads that ask as much as a reference does. */
  equal(document: string, reference: string): Answer<Schemas["ReportEqualLoads"]> {
    return JSON.parse(this.raw.equal(document, reference));
  }
  /** Settings that fit better, by a goal. */
  search(document: string, goal: Schemas["Goal"], progress: Progress): Answer<Schemas["Search"]> {
    return JSON.parse(this.raw.search(document, JSON.stringify(goal), progress));
  }
  /** How well every pair of values of two settings would fit. */
  map(document: string, a: string, b: string, progress: Progress): Answer<Schemas["Grid"]> {
    return JSON.parse(this.raw.map(document, a, b, progress));
  }
  /** Setups side by side. */
  compare(documents: Schemas["Document"][]): Answer<Schemas["CompareComparison"]> {
    return JSON.parse(this.raw.compare(JSON.stringify(documents)));
  }
  /** Setups with loads that ask as much as the first, in a way, at an angle. */
  equalise(documents: Schemas["Document"][], by: string, atDeg: number): Answer<Schemas["CompareEqualised"][]> {
    return JSON.parse(this.raw.equalise(JSON.stringify(documents), by, atDeg));
  }
  /** What the second of two setups differs in from the first, one thing at a time. */
  study(documents: Schemas["Document"][]): Answer<Schemas["CompareStudy"]> {
    return JSON.parse(this.raw.study(JSON.stringify(documents)));
  }
  /** A comparison given as text, or what is wrong with it. */
  comparison(comparison: string): Answer<Schemas["CompareKept"]> {
    return JSON.parse(this.raw.comparison(comparison));
  }
  /** The setups to begin with for a lifter, in a gym that has an id, or in any. */
  ready(lifter: Schemas["DocumentLifter"], room: string, id: string): Answer<Schemas["EditsHere"][]> {
    return JSON.parse(this.raw.ready(JSON.stringify(lifter), room, id));
  }
  /** Those setups in the order in which they load a region long, short or evenly. */
  rank(
    lifter: Schemas["DocumentLifter"],
    room: string,
    id: string,
    region: string,
    how: string,
    progress: Progress,
  ): Answer<Schemas["CompareRankedReady"][]> {
    return JSON.parse(this.raw.rank(JSON.stringify(lifter), room, id, region, how, progress));
  }
  /** The same as a mean over several lifters. */
  rankFor(
    lifters: Schemas["DocumentLifter"][],
    room: string,
    id: string,
    region: string,
    how: string,
    progress: Progress,
  ): Answer<Schemas["CompareRankedReady"][]> {
    return JSON.parse(this.raw.rankFor(JSON.stringify(lifters), room, id, region, how, progress));
  }
  /** Those of them that complement a setup. */
  partners(
    document: string,
    lifter: Schemas["DocumentLifter"],
    room: string,
    id: string,
    progress: Progress,
  ): Answer<Schemas["ComparePartner"][]> {
    return JSON.parse(this.raw.partners(document, JSON.stringify(lifter), room, id, progress));
  }
  /** What readings of length and pull make of a band with a length at rest and so many strands. */
  measureBand(table: string, length: number, force: number, rest: number, strands: number): Answer<Schemas["BandFit"]> {
    return JSON.parse(this.raw.measureBand(table, length, force, rest, strands));
  }
  /** What readings of pin, pull going up and pull going down make of a cable station. */
  measureStack(table: string, mass: number, force: number): Answer<Schemas["StackFit"]> {
    return JSON.parse(this.raw.measureStack(table, mass, force));
  }
  /** What readings of angle and pull at the pad make of a machine's cam, on a pin, with a pad at a distance. */
  measureCam(table: string, force: number, pin: number, ratio: number, pad: number): Answer<Schemas["CamFit"]> {
    return JSON.parse(this.raw.measureCam(table, force, pin, ratio, pad));
  }
  /** What readings of angle from level and pull at the handle make of a bare lever of a mass. */
  measureLever(table: string, force: number, mass: number, handle: number): Answer<Schemas["LeverFit"]> {
    return JSON.parse(this.raw.measureLever(table, force, mass, handle));
  }
  /** The natural path of a raise from comfortable positions, one plane of elevation a row. */
  measurePath(table: string): Answer<Schemas["PathFit"]> {
    return JSON.parse(this.raw.measurePath(table));
  }
  /** What trials at angles make of a lifter's strength in an action; a trial's pull counts in units of so many newtons. */
  measureStrength(
    lifter: Schemas["DocumentLifter"],
    table: string,
    action: string,
    position: string,
    strap: number,
    force: number,
  ): Answer<Schemas["StrengthFit"]> {
    return JSON.parse(this.raw.measureStrength(JSON.stringify(lifter), table, action, position, strap, force));
  }
  /** The trials in what a load cell sent, each with its best second. */
  trials(trace: Schemas["Trace"]): Answer<Schemas["Trials"]> {
    return JSON.parse(this.raw.trials(JSON.stringify(trace)));
  }
  /** Readings of a band from what a tape and a load cell sent. */
  bandTraces(tape: Schemas["Trace"], cell: Schemas["Trace"]): Answer<Schemas["BandReading"][]> {
    return JSON.parse(this.raw.bandTraces(JSON.stringify(tape), JSON.stringify(cell)));
  }
  /** A reading of a pin, kg, from what a load cell at the handle sent. */
  stackTrace(pin: number, cell: Schemas["Trace"]): Answer<Schemas["StackReading"]> {
    return JSON.parse(this.raw.stackTrace(pin, JSON.stringify(cell)));
  }
  /** What the peak effort of a setup is uncertain by. */
  sources(document: string): Answer<Schemas["ReportSources"]> {
    return JSON.parse(this.raw.sources(document));
  }
  /** The tests of a lifter that contradict what else is known. */
  disagreements(lifter: Schemas["DocumentLifter"]): Answer<Schemas["Disagreement"][]> {
    return JSON.parse(this.raw.disagreements(JSON.stringify(lifter)));
  }
  /** What is worth measuring for setups, the most first. */
  worth(documents: Schemas["Document"][]): Answer<Schemas["Worth"][]> {
    return JSON.parse(this.raw.worth(JSON.stringify(documents)));
  }
  /** Lengths and angles from marks on a photograph. */
  photo(photo: Schemas["Photo"]): Answer<Schemas["PhotoFit"]> {
    return JSON.parse(this.raw.photo(JSON.stringify(photo)));
  }
  /** Reads a file of samples, EDF or a table, and keeps it under a name. */
  openRecording(slot: string, name: string, file: Uint8Array): Answer<Schemas["Opened"]> {
    return JSON.parse(this.raw.openRecording(slot, name, file));
  }
  /** Keeps what devices sent: 32-bit numbers, one channel after the other. */
  keepRecording(slot: string, channels: Schemas["OpenedChannel"][], samples: Uint8Array): Answer<Schemas["Opened"]> {
    return JSON.parse(this.raw.keepRecording(slot, JSON.stringify(channels), samples));
  }
  /** What a recording of muscles' activity comes to, with recordings of strongest contraction (names parted by commas). */
  workActivity(
    slot: string,
    strongest: string,
    settings: Schemas["ActivitySettings"],
  ): Answer<Schemas["ActivityWorked"]> {
    return JSON.parse(this.raw.workActivity(slot, strongest, JSON.stringify(settings)));
  }
  /** A channel as 32-bit numbers: as recorded (raw), in the band, or its envelope. */
  activitySamples(
    slot: string,
    place: number,
    what: string,
    settings: Schemas["ActivitySettings"],
  ): Answer<Uint8Array> {
    return bytesOf(this.raw.activitySamples(slot, place, what, JSON.stringify(settings)));
  }
  /** A recording as an EDF+ file. */
  writeEDF(slot: string): Answer<Uint8Array> {
    return bytesOf(this.raw.writeEDF(slot));
  }
  /** How measured activity over the range and the model's go together for a muscle. */
  activityAgainst(
    document: string,
    region: string,
    measured: Schemas["MeasuredCourse"],
  ): Answer<Schemas["ActivityAgreement"]> {
    return JSON.parse(this.raw.activityAgainst(document, region, JSON.stringify(measured)));
  }
  /** What a study has come to by what was measured. */
  studyTable(
    study: Schemas["ActivityStudy"],
    captures: Schemas["ActivityCapture"][],
  ): Answer<Schemas["ActivityStudyTable"]> {
    return JSON.parse(this.raw.studyTable(JSON.stringify(study), JSON.stringify(captures)));
  }
  /** A study of activity given as text, or what is wrong with it. */
  activityStudy(study: string): Answer<Schemas["ActivityStudy"]> {
    return JSON.parse(this.raw.activityStudy(study));
  }
  /** A gym given as text, or what is wrong with it. */
  room(room: string): Answer<Schemas["KitRoom"]> {
    return JSON.parse(this.raw.room(room));
  }
  /** The body of a lifter, or what is wrong with it. */
  lifter(lifter: Schemas["DocumentLifter"]): Answer<Schemas["DocumentLifter"]> {
    return JSON.parse(this.raw.lifter(JSON.stringify(lifter)));
  }
  /** What is known of a lifter's strength. */
  strength(lifter: Schemas["DocumentLifter"]): Answer<Schemas["ReportKnown"]> {
    return JSON.parse(this.raw.strength(JSON.stringify(lifter)));
  }
  /** The exercises in which a set says something about strength. */
  counted(): Answer<Schemas["ReportCountedExercise"][]> {
    return JSON.parse(this.raw.counted());
  }
  /** A block given as text, or what is wrong with it. */
  block(block: string): Answer<Schemas["PlanBlock"]> {
    return JSON.parse(this.raw.block(block));
  }
  /** The days of a block as comma-separated values. */
  blockTable(block: string): Answer<Schemas["Table"]> {
    return JSON.parse(this.raw.blockTable(block));
  }
  /** The days of a plan from such a table, for a lifter who has saved setups (id, version, document). */
  blockDays(table: string, lifter: Schemas["DocumentLifter"], saved: string): Answer<Schemas["PlanDay"][]> {
    return JSON.parse(this.raw.blockDays(table, JSON.stringify(lifter), saved));
  }
  /** A setup as it is planned until the coach says otherwise. */
  entry(document: string): Answer<Schemas["PlanEntry"]> {
    return JSON.parse(this.raw.entry(document));
  }
  /** What a block comes to in one of its weeks, from 1, after the sets that were logged last of each entry. */
  week(block: string, week: number, last: string): Answer<Schemas["PlanWeek"]> {
    return JSON.parse(this.raw.week(block, week, last));
  }
  /** What comes after sets of an entry, as load, repetitions and reserve. */
  nextLoad(entry: string, sets: string): Answer<Schemas["Next"]> {
    return JSON.parse(this.raw.nextLoad(entry, sets));
  }
  /** What a plan has to know of a setup. */
  digest(document: string): Answer<Schemas["PlanDigest"]> {
    return JSON.parse(this.raw.digest(document));
  }
  /** The exercises that fill a gap of a region best in one third of its length (0 long, 1 middle, 2 short). */
  fillers(
    lifter: Schemas["DocumentLifter"],
    room: string,
    id: string,
    region: string,
    third: number,
    progress: Progress,
  ): Answer<Schemas["PlanFiller"][]> {
    return JSON.parse(this.raw.fillers(JSON.stringify(lifter), room, id, region, third, progress));
  }
  /** The exercises that can stand in for a setup at another station, or, with a joint, spare that joint. */
  instead(
    document: string,
    lifter: Schemas["DocumentLifter"],
    room: string,
    id: string,
    joint: string,
  ): Answer<Schemas["PlanSwap"][]> {
    return JSON.parse(this.raw.instead(document, JSON.stringify(lifter), room, id, joint));
  }
  /** What two states of a session come to. */
  mergeSessions(a: string, b: string): Answer<Schemas["Session"]> {
    return JSON.parse(this.raw.mergeSessions(a, b));
  }
  /** The exercises that a search for a text means, the best first. */
  find(text: string): Answer<Schemas["Hits"]> {
    return JSON.parse(this.raw.find(text));
  }
  /** What a search for a text means that is not here yet. */
  notYet(text: string): Answer<Schemas["Missing"][]> {
    return JSON.parse(this.raw.notYet(text));
  }
  /** What a typed text means as a quantity of a kind, in SI; a number without a unit counts in one of so much. */
  quantity(text: string, kind: string, unit: number): Answer<Schemas["Typed"]> {
    return JSON.parse(this.raw.quantity(text, kind, unit));
  }
  /** A text that an earlier page kept, in the words of the present version. */
  present(text: string): Answer<Schemas["Present"]> {
    return JSON.parse(this.raw.present(text));
  }
  /** The joint coordinates with their usual ranges. */
  coordinates(): Answer<Schemas["DocumentCoordinateInfo"][]> {
    return JSON.parse(this.raw.coordinates());
  }
  /** What the tape can measure on a lifter. */
  lengths(): Answer<Schemas["DocumentLength"][]> {
    return JSON.parse(this.raw.lengths());
  }
  /** What a setup can be for. */
  regions(): Answer<Schemas["DocumentRegion"][]> {
    return JSON.parse(this.raw.regions());
  }
}
