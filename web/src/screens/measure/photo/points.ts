/** What can be marked: the known length first, then a lifter's joints or a machine's cam. */
export const known = [
  { key: "top", label: "known length, top" },
  { key: "foot", label: "known length, foot" },
];

export const joints = [
  { key: "shoulder", label: "shoulder" },
  { key: "elbow", label: "elbow" },
  { key: "wrist", label: "wrist" },
  { key: "hip", label: "hip" },
  { key: "knee", label: "knee" },
  { key: "floor", label: "floor below the feet" },
];

export const cam = [
  { key: "axis", label: "axis of the machine" },
  { key: "arm", label: "pad, or a point on the machine's arm" },
  { key: "ropeA", label: "rope or belt, one point" },
  { key: "ropeB", label: "rope or belt, farther along" },
];

export type What = "body" | "cam";

export const pointsOf = (what: What) => [...known, ...(what === "body" ? joints : cam)];

/** Lines between marks, drawn to see whether they lie right. */
export const lines: [string, string][] = [
  ["top", "foot"],
  ["shoulder", "elbow"],
  ["elbow", "wrist"],
  ["shoulder", "hip"],
  ["hip", "knee"],
  ["axis", "arm"],
  ["ropeA", "ropeB"],
];
