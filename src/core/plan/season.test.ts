import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { dayStart } from "./calendar";
import { nextOf, REGIONS, occasionOf, OCCASIONS, yearOf } from "./season";

const MONDAY = dayStart("2027-02-08");

test("what has to be ready for what is the trade's: boxes before swarms, supers before the flow, feeders before autumn", () => {
  // The handbook of making, on the season; the dates by region are from memory.
  const of = (item: string, size = "deep") => occasionOf({ item, size });
  expect([of("body"), of("nuc"), of("body", "medium"), of("frame", "shallow"), of("trough-feeder"), of("feed-rim"), of("quilt-box")]).toEqual(["swarms", "swarms", "flow", "flow", "feeding", "feeding", "winter"]); // prettier-ignore
  for (const days of Object.values(REGIONS)) expect(OCCASIONS.every((s) => !Number.isNaN(Date.parse(`2027-${days[s]}`)))).toBe(true); // prettier-ignore
});

test("the next of a season is this year's or, once it has begun, the next year's", () => {
  expect(nextOf("mild coast", "swarms", MONDAY)).toBe("2027-04-20");
  expect(nextOf("mild coast", "swarms", dayStart("2027-04-21"))).toBe("2028-04-20");
  expect(nextOf("southern half", "feeding", MONDAY)).toBe("2027-02-20");
});

test("a week's load is the minutes its people work in it, a run over the weekend in both; its hours are theirs", () => {
  const friday = MONDAY + 4 * 1440;
  // From Friday 14:30 to Monday 10:00: two hours and two hours of two people.
  const runs = [{ who: [0, 1], startsAt: friday + 870, endsAt: friday + 3 * 1440 + 600 }];
  const weeks = yearOf(runs, { ...USUAL_WORKSHOP, people: 3, closed: ["2027-02-16"] }, MONDAY + 2 * 1440 + 77);
  expect(weeks[0]).toEqual({ day: "2027-02-08", load: 240, hours: 3 * 5 * 480 });
  expect(weeks[1]).toEqual({ day: "2027-02-15", load: 240, hours: 3 * 4 * 480 });
  expect([weeks.length, weeks[2]!.load]).toEqual([52, 0]);
});
