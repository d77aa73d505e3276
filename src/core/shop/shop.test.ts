import fc from "fast-check";
import { mm } from "@/core/length/length";
import { changeShop, handsOf, hoursOn, otherwise, type Person, presence, settingsText, shopActSchema, USUAL_WORKSHOP, usualWorkshop, type Workshop } from "./shop"; // prettier-ignore

const shop = (o: Partial<Workshop>): Workshop => ({ ...USUAL_WORKSHOP, ...o });
const span = fc.tuple(fc.integer({ min: 0, max: 700 }), fc.integer({ min: 1, max: 700 })).map(([a, n]): [number, number] => [a, a + n]); // prettier-ignore
const person: fc.Arbitrary<Person> = fc.record({
  title: fc.constantFrom("sawyer", "joiner"),
  days: fc.option(fc.uniqueArray(fc.integer({ min: 1, max: 7 }), { minLength: 1 }), { nil: undefined }),
  hours: fc.option(span.map((s) => [s]), { nil: undefined }), // prettier-ignore
  off: fc.constantFrom(undefined, ["2027-02-10"]),
});
// A Monday to a Sunday, by the civil calendar.
const WEEK = [8, 9, 10, 11, 12, 13, 14].map((d) => `2027-02-${String(d).padStart(2, "0")}`);

test("somebody is in at a minute exactly when the shop is open then, whoever works there", () => {
  fc.assert(
    fc.property(fc.array(person, { minLength: 1, maxLength: 4 }), fc.constantFrom(...WEEK), fc.boolean(), (staff, date, closed) => {
      const s = shop({ staff, closed: closed ? [date] : [] });
      const within = (spans: [number, number][], at: number) => spans.some(([a, b]) => a <= at && at < b);
      for (let at = 0; at < 1440; at += 7)
        expect(within(hoursOn(s, date), at)).toBe(presence(s, date).some((spans) => within(spans, at)));
      const spans = hoursOn(s, date);
      spans.forEach(([a, b], i) => expect(a < b && (i === 0 || spans[i - 1]![1] < a)).toBe(true));
      if (closed) expect(spans).toEqual([]);
    }),
    { numRuns: 60 },
  ); // prettier-ignore
});

test("where nobody is told apart as many are in as there are people, on the days that are worked", () => {
  expect(hoursOn(shop({ people: 3 }), WEEK[0]!)).toEqual(USUAL_WORKSHOP.hours);
  expect(hoursOn(shop({ people: 3 }), WEEK[5]!)).toEqual([]);
  expect([handsOf(shop({ people: 3 })), handsOf(shop({ people: 3, staff: [{ title: "sawyer" }] }))]).toEqual([3, 1]);
});

test.each([
  [{ closed: ["24 December"] }, /2027-12-24/],
  [{ stations: { anvil: 1 } }, /anvil|Invalid/],
  [{ stations: { "table saw": 0 } }, /1/],
  [{ minutes: { Rip: { setup: -1, each: 1 } } }, /0/],
  [{ staff: [{ title: "" }] }, /1/],
  [{ staff: [{ title: "sawyer", hours: [[600, 500]] }] }, /run forward/],
  [{ paper: "A5" }, /A4/],
])("%j is no shop", (to, why) => {
  const read = shopActSchema.safeParse({ do: "workshop", to });
  expect(read.success).toBe(false);
  expect(JSON.stringify(read.error!.issues)).toMatch(why);
});

test("in other units what is usual in the one becomes what is usual in the other, the paper too; what was chosen stays", () => {
  const inches = { units: "in" as const, workshop: shop({ kerf: mm(2.8), minutes: { "Rip to width": { setup: 9, each: 1 } } }) }; // prettier-ignore
  const metric = changeShop(inches, { do: "units", units: "mm" });
  expect(metric.workshop).toMatchObject({ kerf: mm(2.8), endTrim: mm(6), paper: "A4", minutes: inches.workshop.minutes }); // prettier-ignore
  expect(Object.keys(otherwise(metric.workshop, usualWorkshop("mm"))).sort()).toEqual(["kerf", "minutes"]);
  expect(changeShop(metric, { do: "units", units: "in" })).toEqual(inches);
});

test("every setting has a name in words", () => {
  for (const key of Object.keys(USUAL_WORKSHOP)) expect(settingsText({ [key]: 1 })).toMatch(/^[a-z].{3,}/);
});
