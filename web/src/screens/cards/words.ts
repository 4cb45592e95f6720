/** The card's own words, in one table, so that another language can be added beside it. */
export const words = {
  start: "Start",
  end: "End",
  sets: "Sets",
  reps: "Reps",
  reserve: "Left in reserve",
  tempo: "Up, hold, down",
  rest: "Rest",
  todo: "Do",
  week: "Week of",
  set: "set",
  box: "In each box: kg over repetitions, and how many were left.",
  log: "log on the phone",
  stop: "Gym rules come first. Sharp or joint pain: stop, and tell your coach.",
};
