import ICAL from "ical.js";
import { inch } from "@/core/length/length";
import { dayStart } from "@/core/plan/calendar";
import { calendarFile, type NamedRun } from "./calendarFile";

const start = dayStart("2027-02-10") + 480;
const run: NamedRun = { job: 3, name: "Rip", op: "rip-3", station: "table saw", unit: 0, who: [0], startsAt: start, endsAt: start + 70, minutes: 70, wait: 0, pieces: 96, begin: 0, all: 96, lot: 0, lots: 1, setUps: 1, title: "Rip to width", of: "strips for side; body, deep", wants: 1, from: [], ofParts: [], settings: [{ kind: "fence", value: inch(6, 5, 8) }], caution: "Guard on.", guess: true, kind: "Rip to width", setup: 5, each: 1.5, jobName: "Heath, estate", units: "in", people: ["sawyer"] }; // prettier-ignore

test("another reader finds each run in the calendar file, at the shop's own clock, with its caution", () => {
  // Read by ical.js, which knows nothing of what wrote it.
  const text = calendarFile([run, { ...run, op: "0/glue-up/2", startsAt: start + 1440, endsAt: start + 1500, settings: [{ kind: "angle", degrees: 30 }] }], "The shop"); // prettier-ignore
  const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents("vevent").map((c) => new ICAL.Event(c)); // prettier-ignore
  expect(events).toHaveLength(2);
  const [first, second] = events as [ICAL.Event, ICAL.Event];
  expect(first.summary).toBe("Rip to width, fence 6 5/8: 96 strips for side; body, deep");
  expect([first.startDate.toString(), first.endDate.toString(), first.startDate.zone.tzid]).toEqual(["2027-02-10T08:00:00", "2027-02-10T09:10:00", "floating"]); // prettier-ignore
  expect([first.location, first.description]).toEqual(["table saw", "Heath, estate\nsawyer\nGuard on."]);
  expect([second.summary.includes("angle 30°"), new Set(events.map((e) => e.uid)).size]).toEqual([true, 2]);
});
