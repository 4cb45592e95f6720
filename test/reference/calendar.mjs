// Reads an iCalendar file from the file that is named, and writes its events as JSON.
import { readFileSync } from "node:fs";
import ICAL from "ical.js";

const calendar = new ICAL.Component(ICAL.parse(readFileSync(process.argv[2], "utf8")));
const events = calendar.getAllSubcomponents("vevent").map((component) => {
  const e = new ICAL.Event(component);
  const days = e.duration.toSeconds() / 86400;
  return { uid: e.uid, summary: e.summary, description: e.description, start: e.startDate.toString(), days };
});
console.log(JSON.stringify(events));
