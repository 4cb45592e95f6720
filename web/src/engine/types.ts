import type { components } from "../api/schema.gen";

type Schemas = components["schemas"];

export type SetupDocument = Schemas["Document"];
export type Load = Schemas["DocumentLoad"];
export type Lifter = Schemas["DocumentLifter"];
export type Report = Schemas["Report"];
export type Scene = Schemas["Scene"];
export type SceneLoad = Schemas["SceneLoad"];
export type SceneColumn = Schemas["SceneColumn"];
export type SceneSegment = Schemas["SceneSegment"];
export type Setting = Schemas["Setting"];
export type Painting = Schemas["Painting"];
export type Sweep = Schemas["Sweep"];
export type Ready = Schemas["RigHere"];
export type Tempo = Schemas["ReportTempo"];
export type Uncertainty = Schemas["ReportUncertainty"];
export type Length = Schemas["DocumentLength"];
export type EqualLoads = Schemas["ReportEqualLoads"];
export type RegionPart = Schemas["ReportRegionPart"];
export type Region = Schemas["DocumentRegion"];
export type ScenePad = Schemas["ScenePad"];
export type Mend = Schemas["Mend"];
export type Choices = Schemas["RigChoices"];
export type Places = Schemas["ReportPlaces"];
export type Problem = Schemas["Problem"];
export type Verdict = Schemas["ReportVerdict"];
export type Quantity = Schemas["ReportQuantity"];
export type Point = Schemas["ReportPoint"];
export type StoredSetup = Schemas["Setup"];
export type StoredLifter = Schemas["Lifter"];
export type Failure = Schemas["Failure"];

/** What every call of the core answers: a value, or what is wrong. */
export type Answer<T> = { ok: T; problems?: undefined } | { ok?: undefined; problems: Problem[] };
export type Room = Schemas["KitRoom"];
export type StoredRoom = Schemas["Room"];
export type Fitted = Schemas["RigFitted"];
export type FitChange = Schemas["RigFitChange"];
export type Effect = Schemas["RigEffect"];
export type BandPoint = Schemas["DocumentBandPoint"];
export type CamPoint = Schemas["DocumentCamPoint"];
export type CoordinateInfo = Schemas["DocumentCoordinateInfo"];
export type StrengthTest = Schemas["DocumentStrengthTest"];
export type ImportAnswer = Schemas["ImportAnswer"];
export type Search = Schemas["Search"];
export type Found = Schemas["Found"];
export type Goal = Schemas["Goal"];
