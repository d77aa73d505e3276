import fc from "fast-check";
import { type Length, mm } from "@/core/length/length";
import { orderAnswerSchema, priceListSchema, spelled } from "./pricelist";
import { type Thing, thingKey, thingOf } from "./thing";
import { wantedBy, wantedOf, type Want } from "./wants";

const size = (most: number) => fc.integer({ min: 1, max: most * 64 }).map((n): Length => mm((n * 25.4) / 64));
const anyThing: fc.Arbitrary<Thing> = fc.oneof(
  fc.record({ form: fc.constant("pack" as const), material: fc.constantFrom("frame nail, 30 mm", "Glue") }),
  fc
    .record({ form: fc.constantFrom("board" as const, "sheet" as const), material: fc.constantFrom("pine", "Birch ply"), thickness: size(3), width: size(48), length: size(600), rough: fc.boolean() })
    .map(({ rough, ...rest }): Thing => ({ ...rest, ...(rough && rest.form === "board" ? { rough: true as const } : {}) })),
); // prettier-ignore
const listOf = (thing: unknown, more: object = {}) => ({ name: "S", currency: "GBP", delivery: 5, leadDays: 2, offers: [{ id: "p1", thing, pack: 1, price: 2.5 }], ...more }); // prettier-ignore

test("whatever is sold comes back from a price list as it was spelled, to the nanometre, and is the same thing however it is written", () => {
  fc.assert(
    fc.property(anyThing, (thing) => {
      const [offer] = priceListSchema.parse(JSON.parse(JSON.stringify(listOf(spelled(thing))))).offers;
      expect(offer!.thing).toEqual(thing);
      expect(thingKey({ ...thing, material: thing.material.toUpperCase() })).toBe(thingKey(thing));
      expect(thingOf({ ...thing, place: "rack 2" })).toEqual(thing);
    }),
    { numRuns: 300 },
  );
});

test.each<[unknown, RegExp]>([
  [listOf({ form: "pack", material: "nail" }, { currency: "pounds" }), /currency.*three letters/s],
  [listOf({ form: "pack", material: "" }), /material/],
  [listOf({ form: "board", material: "pine", thicknessMm: -1, widthMm: 2, lengthMm: 3 }), /thicknessMm/],
  [listOf({ form: "pack", material: "nail" }, { leadDays: 2.5 }), /leadDays/],
  [listOf({ form: "plank", material: "pine" }), /form/],
])("a price list that cannot be gone by is not: %#", (list, field) => {
  const read = priceListSchema.safeParse(list);
  expect(read.error?.message ?? "").toMatch(field);
});

test("what is said beside a list and an answer is passed over; a day that is none is not", () => {
  expect(priceListSchema.parse(listOf({ form: "pack", material: "nail" }, { colour: "red" }))).not.toHaveProperty("colour"); // prettier-ignore
  const answer = { key: "k", reference: "r", state: "acknowledged", delivery: 1, lines: [{ packs: 1, price: 2, comes: "2027-02-30" }] }; // prettier-ignore
  expect(orderAnswerSchema.safeParse(answer).success).toBe(false);
  expect(orderAnswerSchema.parse({ ...answer, lines: [] }).deliveries).toEqual([]);
});

test("what jobs want together, less what comes, is theirs alone and never below nothing, however it is parted", () => {
  const pine: Thing = { form: "pack", material: "nail" };
  const amount = fc.integer({ min: 0, max: 500 });
  const shares = fc.array(fc.record({ job: fc.integer({ min: 1, max: 4 }), quantity: amount }), { maxLength: 3 });
  const coming = fc.array(fc.record({ quantity: amount, for: shares }), { maxLength: 3 });
  fc.assert(
    fc.property(fc.uniqueArray(fc.record({ job: fc.integer({ min: 1, max: 4 }), quantity: fc.integer({ min: 1, max: 500 }) }), { selector: (w) => w.job, minLength: 1 }), coming, (wants, onTheWay) => {
      const jobs = wants.map(({ job, quantity }) => ({ job, wants: [{ thing: pine, quantity, unit: "each", working: "" } satisfies Want] }));
      const left = wantedOf(jobs, onTheWay.map((c) => ({ ...c, key: thingKey(pine) })));
      const all = wants.reduce((n, w) => n + w.quantity, 0);
      const comes = onTheWay.reduce((n, c) => n + c.quantity, 0);
      // Nothing that comes is given twice, and none of it lies about while somebody wants it.
      expect(left.reduce((n, w) => n + w.quantity, 0)).toBe(Math.max(0, all - comes));
      for (const w of left) {
        expect(w.shares.every((s) => s.quantity > 0 && s.quantity <= wants.find((x) => x.job === s.job)!.quantity)).toBe(true);
        expect(w.shares.reduce((n, s) => n + wantedBy([w], [s.job])[0]!.quantity, 0)).toBe(w.quantity);
      }
    }),
    { numRuns: 500 },
  );
}); // prettier-ignore
