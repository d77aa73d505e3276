import fc from "fast-check";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { clockText, dayStart } from "./calendar";
import { Hands } from "./hands";

const inOf = (shop: object, first = "2027-02-08") => new Hands({ ...USUAL_WORKSHOP, ...shop }, first);

test.each([
  // 2027-02-08 is a Monday (civil calendar); half an hour at noon, eight hours a day.
  [0, "2027-02-08T08:00"],
  [240, "2027-02-08T12:00"],
  [241, "2027-02-08T12:31"],
  [480, "2027-02-08T16:30"],
  [5 * 480, "2027-02-12T16:30"],
  [5 * 480 + 1, "2027-02-15T08:01"],
])("%d minutes of work from Monday morning are done at %s", (minutes, at) => {
  expect(clockText(inOf({}).all([0]).end(dayStart("2027-02-08"), minutes))).toBe(at);
});

test("a start on Saturday begins on Monday; over a day the shop is closed work goes on the day after", () => {
  expect(clockText(inOf({}).all([0]).next(dayStart("2027-02-13")))).toBe("2027-02-15T08:00");
  expect(clockText(inOf({ closed: ["2027-02-09"] }).all([0]).end(dayStart("2027-02-08"), 481))).toBe("2027-02-10T08:01"); // prettier-ignore
  expect(() =>
    inOf({ closed: [], staff: [{ title: "a", hours: [[480, 480]] }] })
      .all([0])
      .next(0),
  ).toThrow(/nobody/);
});

test("several at once are in while all of them are, any of them while one is, and count as many as there are", () => {
  const staff = [{ title: "a" }, { title: "b", days: [1], hours: [[600, 780]] }];
  const hands = inOf({ staff });
  const monday = dayStart("2027-02-08");
  // Both from 10:00 to 12:00 and from 12:30 to 13:00; then only the next Monday.
  expect([149, 150, 151].map((m) => clockText(hands.all([0, 1]).end(monday, m)))).toEqual(["2027-02-08T12:59", "2027-02-08T13:00", "2027-02-15T10:01"]); // prettier-ignore
  // Two hours of one, two of both, the half hour of the second alone, half an hour of both: 120 + 240 + 30 + 60 by 13:00.
  expect(hands.any([0, 1]).workedBy(monday + 780)).toBe(450);
  expect(clockText(hands.any([0, 1], 1).end(monday, 300))).toBe("2027-02-08T13:00");
  expect([hands.most("bench", 2), inOf({ staff: [staff[0]!, { title: "c", days: [7] }] }).most("bench", 2)]).toEqual([2, 1]); // prettier-ignore
});

test("in any shop the minutes between a beginning and its end are those that were asked for, and both are in its hours", () => {
  const shop = fc.record({
    days: fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1, maxLength: 7 }),
    open: fc.integer({ min: 300, max: 600 }),
    morning: fc.integer({ min: 30, max: 240 }),
    lunch: fc.integer({ min: 1, max: 90 }),
    afternoon: fc.integer({ min: 30, max: 300 }),
  });
  fc.assert(
    fc.property(shop, fc.integer({ min: 1, max: 9000 }), fc.integer({ min: 0, max: 20_000 }), (s, minutes, after) => {
      const noon = s.open + s.morning;
      const hours: [number, number][] = [[s.open, noon], [noon + s.lunch, noon + s.lunch + s.afternoon]]; // prettier-ignore
      const w = inOf({ days: s.days, hours }).all([0]);
      const begin = w.next(dayStart("2027-02-08") + after);
      const end = w.end(begin, minutes);
      // Counted minute by minute, with the weekday by an independent calendar.
      const isIn = (t: number) => s.days.includes(new Date(t * 60_000).getUTCDay() || 7) && hours.some(([a, b]) => t % 1440 >= a && t % 1440 < b); // prettier-ignore
      let worked = 0;
      for (let t = begin; t < end; t++) if (isIn(t)) worked++;
      expect([isIn(begin), isIn(end - 1), worked, w.workedBy(end) - w.workedBy(begin)]).toEqual([true, true, minutes, minutes]); // prettier-ignore
    }),
    { numRuns: 30 },
  );
});
