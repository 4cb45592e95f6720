import type { Painting, Report } from "../../engine/types";
import { partsOf } from "../../state/scoring";
import type { Explained } from "../../ui/Explanation";

/** How each number of the summary comes about. */
export function explain(report: Report, score: Painting | null): Record<string, Explained> {
  const joint = report.joint;
  const sure = report.trustText;
  return {
    Score: {
      how: `Fit and the target's contribution in points, less what goes wrong.${score?.points ? ` Here: ${partsOf(score.points, null)}.` : ""}`,
      from: "The weights under Dial in, Scoring. Dials, steps, suggestions, search and map go by the same number.",
      source: "Weights of our own; all can be changed.",
      sure: "Compares settings of one setup; it is no mark for the exercise.",
    },
    "Target does": {
      how: "The target's part of the torque of all helping muscles, over the whole range.",
      from: "The muscle contribution below.",
      source: "As there.",
      sure: "Trust a change of five points or more.",
    },
    Fit: {
      how: "100 less the root mean square difference, in percent, between the curve and the target profile, both scaled to the same mean over the swept angle.",
      from: "Torque at every angle; for all target profiles but Even and Custom also the strength there.",
      source: "A measure of our own.",
      sure: `The small numbers are where nine of ten cases lie when tape, stance and angles are off. ${sure}`,
    },
    Loaded: {
      how: "Where the centre of the loads' torque lies, from the lengthened end (0) to the shortened end (1): early below 0.45, late above 0.55.",
      from: "The loads alone, without body weight.",
      source: "Bounds of our own.",
      sure: "Geometry only.",
    },
    "Peak effort": {
      how: "The highest ratio of torque to strength along the range.",
      from: `Torque about the ${joint} and the strength of what it does at each angle.`,
      source: "Strength curves that follow Kulig, Andrews & Hay 1984, recalled.",
      sure,
    },
    "Peak torque": {
      how: "Moment arm times force, summed over everything beyond the joint, about the axis of the movement.",
      from: "Loads, geometry, the lifter's segment lengths and masses.",
      source: "Segments after Winter 2009 (recalled), or as measured.",
      sure: "Nine out of ten cases lie between the small numbers.",
    },
    "End torque": {
      how: "Torque at the end of the range as a share of the peak.",
      from: "The torque curve.",
      source: "Geometry.",
      sure: "Nine out of ten cases lie between the small numbers.",
    },
    Repetitions: {
      how: "30 times what the load may still grow until the first joint, or the first large muscle, has nothing left. Over 30 the load is called light.",
      from: "The estimated 1RM.",
      source: "Epley 1985, recalled.",
      sure: `A rough guide for two or more. ${report.limit.trustText || sure}`,
    },
  };
}

/** How the shares of the regions come about. */
export const sharesExplained: Explained = {
  how: "Static optimisation: the lowest sum of cubed activations, weighted by muscle force, that balances the torque at every joint the muscles cross. A share is of the torque of all the muscles that help.",
  from: "Torque at collarbone, shoulder blade, shoulder, elbow and forearm, or hip and knee; lines of pull, forces and fibre lengths of the muscles.",
  source:
    "After Crowninshield & Brand 1981; volumes after Holzbaur et al. 2007 and Handsfield et al. 2014, recalled; places from general anatomy.",
  sure: "An average body, from recalled values: trust trends and neighbours, not single percents. Grey shares are rough: always for the cuff, and wherever a reason is given below.",
};
