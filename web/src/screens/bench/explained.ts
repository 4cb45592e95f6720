import type { Report } from "../../engine/types";
import type { Explained } from "../../ui/How";

/** How each number of the summary comes about. */
export function explain(report: Report): Record<string, Explained> {
  const joint = report.joint;
  const sure = report.trustText;
  return {
    Match: {
      how: "100 less the root mean square difference, in percent, of the curve from what the school wants, both scaled to the same mean over the swept angle.",
      from: "Torque at every angle; for all schools but Even and As drawn also the strength there.",
      source: "This program's own measure.",
      sure: `The small numbers are where nine of ten cases lie when tape, stance and angles are off. ${sure}`,
    },
    "Load falls": {
      how: "Mean place of the loads' torque from the target's long end, weighted by torque: early below 0.45, late above 0.55.",
      from: "The loads alone, without the body's own weight.",
      source: "This program's own bounds.",
      sure: "Geometry only.",
    },
    "Peak effort": {
      how: "Largest of torque over strength along the range.",
      from: `Torque about the ${joint} and the strength of what it does at each angle.`,
      source: "Shapes with the trends of Kulig, Andrews & Hay 1984, recalled.",
      sure,
    },
    "Peak torque": {
      how: "Sum of lever times force over everything beyond the joint, about the axis that the limb swings about.",
      from: "Loads, places, the lifter's lengths and masses.",
      source: "Segments by Winter 2009, recalled; tape where it was taken.",
      sure: "The small numbers are where nine of ten cases lie.",
    },
    "Left at the end": {
      how: "Torque at the end of the range over the largest.",
      from: "The torque curve.",
      source: "Geometry.",
      sure: "The small numbers are where nine of ten cases lie.",
    },
    Repetitions: {
      how: "30 times what the load may still grow until the first joint, or the first large muscle, has nothing left. Over 30 the load is called light.",
      from: "The load that goes once by this model.",
      source: "Epley 1985, recalled.",
      sure: `A rough guide for two or more. ${report.limit.trustText || sure}`,
    },
  };
}

/** How the shares of the regions come about. */
export const sharesExplained: Explained = {
  how: "The activations with the least sum of cubes, weighted by each muscle's force, that hold the torque at every joint the limb's muscles cross. A share is of what the muscles that help give together.",
  from: "Torque about collar bone, shoulder blade, shoulder, elbow and forearm, or hip and knee; lines, forces and fibre lengths of the muscles.",
  source:
    "After Crowninshield & Brand 1981; volumes after Holzbaur et al. 2007 and Handsfield et al. 2014, recalled; places from general anatomy.",
  sure: "A model of nobody in particular, from recalled values: trust directions and neighbours, not single percents. Grey shares are rough: the cuff everywhere, and where a reason stands below.",
};
