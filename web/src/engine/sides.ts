import type { Report } from "./types";

/** Whether a report's torque is that of each of two sides: the trunk is one. */
export const eachSide = (report: Report): boolean => report.both && report.joint !== "trunk";
