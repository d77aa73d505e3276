import fc from "fast-check";
import { inch } from "@/core/length/length";
import type { Thing } from "./thing";
import { thingKey } from "./thing";
import {
  changePurchase,
  comesOf,
  comingOf,
  costOfPurchase,
  dueOf,
  type LineAct,
  missingOf,
  notesOf,
  type Purchase,
  type PurchaseAct,
  receiptLots,
  stateOf,
} from "./purchase";
import { type Want, wantedOf } from "./wants";

const pine: Thing = { form: "board", material: "pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }; // prettier-ignore
const screws: Thing = { form: "pack", material: "exterior screw" };
const draft: Purchase = {
  seller: 1,
  name: "Saltmarsh timber yard",
  currency: "GBP",
  delivery: 3500,
  key: "k-1",
  drawnUp: "2027-02-01T08:00:00.000Z",
  receipts: [],
  lines: [
    { offer: "p1", thing: pine, pack: 1, packs: 50, price: 1280, for: [{ job: 1, quantity: 31 }, { job: 2, quantity: 18 }] },
    { offer: "p2", thing: screws, pack: 200, packs: 3, price: 1590, for: [{ job: 2, quantity: 540 }] },
  ],
}; // prettier-ignore
const AT = "2027-02-02T09:00:00.000Z";
const after = (p: Purchase, ...acts: (PurchaseAct | LineAct)[]) => acts.reduce((now, a) => changePurchase(now, a, AT), p); // prettier-ignore
const answer = (packs: [number, number], notes: { note: string; lines: { line: number; packs: number }[] }[] = []) => ({
  do: "heard" as const,
  answer: {
    key: "k-1", reference: "SA-1", state: "acknowledged" as const, delivery: 35,
    lines: [{ packs: packs[0], price: 12.8, comes: "2027-02-08" }, { packs: packs[1], price: 15.9, comes: "2027-02-12" }],
    deliveries: notes.map((n) => ({ ...n, on: "2027-02-08" })),
  },
}); // prettier-ignore

test("an order goes from draft to received by what is said of it; its money is that of the day, less what is not to be had", () => {
  expect([stateOf(draft), costOfPurchase(draft)]).toEqual([
    "drafted",
    { goods: 68_770, delivery: 3500, total: 72_270 },
  ]);
  expect(stateOf(after(draft, { do: "put off", until: "2027-02-20" }))).toBe("put off");
  const sent = after(draft, { do: "send" });
  expect([stateOf(sent), dueOf(sent)]).toEqual(["sent", [50, 3]]);
  // 44 of 50 boards are to be had: 44 × 12.80 + 3 × 15.90 = 610.90, and 35 to bring them.
  const told = after(sent, answer([44, 3], [{ note: "SA-1/1", lines: [{ line: 0, packs: 44 }] }]));
  expect([stateOf(told), missingOf(told), comesOf(told), costOfPurchase(told).total]).toEqual(["acknowledged", [6, 0], "2027-02-12", 64_590]); // prettier-ignore
  const half = after(told, { do: "receive", note: "SA-1/1", lines: notesOf(told)[0]!.lines });
  expect([stateOf(half), dueOf(half), notesOf(half)]).toEqual(["part received", [0, 3], []]);
  expect(() => after(half, { do: "receive", note: "SA-1/1", lines: [{ line: 1, packs: 1 }] })).toThrow(/booked in already/); // prettier-ignore
  expect(() => after(half, { do: "receive", note: "by hand", lines: [{ line: 1, packs: 4 }] })).toThrow(/read 4; 3 of exterior screw/); // prettier-ignore
  expect(stateOf(after(half, { do: "receive", note: "SA-1/2", lines: [{ line: 1, packs: 3 }] }))).toBe("received");
  expect([stateOf(after(half, { do: "cancel" })), dueOf(after(half, { do: "cancel" }))]).toEqual(["received", [0, 0]]);
  expect(() => after(draft, { do: "receive", note: "x", lines: [{ line: 0, packs: 1 }] })).toThrow(/not sent/);
  expect(() => after(sent, { do: "line", line: 0, packs: 3 })).toThrow(/it is sent/);
});

test("a refusal makes it a draft again, but not where another try may have been taken", () => {
  const no = { do: "refused" as const, why: "closed" };
  const back = after(draft, { do: "send" }, no);
  expect([stateOf(back), back.refused!.why, back.sent]).toEqual(["drafted", "closed", undefined]);
  const twice = after(draft, { do: "send" }, { do: "silent", why: "no answer" }, { do: "send" }, no);
  expect([stateOf(twice), twice.sent!.silent]).toEqual(["sent", "refused: closed"]);
  expect(stateOf(after(twice, answer([50, 3]), no))).toBe("acknowledged");
});

test("what comes in part goes to who is first in the line, and is wanted no more by anybody; what is over serves others", () => {
  const told = after(draft, { do: "send" }, answer([50, 3]));
  const first = [{ line: 0, packs: 40 }, { line: 1, packs: 1 }]; // prettier-ignore
  expect(receiptLots(told, first).map((r) => [r.count, r.for])).toEqual([
    [40, [{ job: 1, quantity: 31 }, { job: 2, quantity: 9 }]],
    [200, [{ job: 2, quantity: 200 }]],
  ]); // prettier-ignore
  const coming = comingOf([after(told, { do: "receive", note: "n", lines: first })]);
  expect(coming).toEqual([
    { key: thingKey(pine), quantity: 10, for: [{ job: 2, quantity: 9 }] },
    { key: thingKey(screws), quantity: 400, for: [{ job: 2, quantity: 340 }] },
  ]);
  const want = (thing: Thing, quantity: number): Want => ({ thing, quantity, unit: thing.form === "pack" ? "each" : "board", working: "" }); // prettier-ignore
  const wanted = wantedOf([{ job: 2, wants: [want(pine, 9), want(screws, 340)] }, { job: 3, wants: [want(pine, 4), want(screws, 60)] }], coming); // prettier-ignore
  // Of ten boards nine are for job 2; the tenth, and the 60 screws its packs have over, are job 3's.
  expect(wanted.map((w) => [w.thing.material, w.quantity, w.shares.map((s) => s.job)])).toEqual([["pine", 3, [3]]]);
});

test("whatever is done to an order, nothing comes twice, no coin is made or lost, and what is due is what was ordered less what came or never will", () => {
  const packs = fc.integer({ min: 0, max: 60 });
  const some = fc.uniqueArray(fc.record({ line: fc.integer({ min: 0, max: 1 }), packs: fc.integer({ min: 1, max: 55 }) }), { minLength: 1, maxLength: 2, selector: (l) => l.line }); // prettier-ignore
  const any: fc.Arbitrary<PurchaseAct | LineAct> = fc.oneof(
    fc.constantFrom<PurchaseAct | LineAct>({ do: "send" }, { do: "cancel" }, { do: "sent by hand" }, { do: "silent", why: "x" }, { do: "refused", why: "x" }, { do: "take up" }), // prettier-ignore
    fc.record({ do: fc.constant("line" as const), line: fc.integer({ min: 0, max: 2 }), packs }),
    fc.record({ do: fc.constant("receive" as const), note: fc.constantFrom("a", "b", "c"), lines: some }),
    fc.tuple(packs, fc.integer({ min: 0, max: 3 })).map(([a, b]) => answer([Math.min(a, 50), b])),
  );
  fc.assert(
    fc.property(fc.array(any, { maxLength: 12 }), (acts) => {
      let p = draft;
      for (const a of acts)
        try {
          p = after(p, a);
        } catch (e) {
          expect((e as Error).name).toBe("JobFileError");
        }
      const [due, missing] = [dueOf(p), missingOf(p)];
      const got = p.lines.map((_, i) => p.receipts.flatMap((r) => r.lines).reduce((n, l) => n + (l.line === i ? l.packs : 0), 0)); // prettier-ignore
      p.lines.forEach((l, i) => {
        expect(got[i]).toBeLessThanOrEqual(l.packs);
        expect(due[i]).toBe(p.cancelled ? 0 : Math.max(0, l.packs - missing[i]! - got[i]!));
        for (const part of comingOf([p])) expect(part.for.reduce((n, f) => n + f.quantity, 0)).toBeLessThanOrEqual(part.quantity); // prettier-ignore
      });
      const { goods, delivery, total } = costOfPurchase(p);
      // In hundredths, added up apart from the program: boards at 12.80, screws at 15.90.
      const by = p.lines.reduce((sum, l, i) => sum + BigInt(l.packs - missing[i]!) * (l.offer === "p1" ? 1280n : 1590n), 0n); // prettier-ignore
      expect([BigInt(goods), BigInt(total)]).toEqual([by, by + BigInt(delivery)]);
      expect(new Set(p.receipts.map((r) => r.note)).size).toBe(p.receipts.length);
    }),
    { numRuns: 400 },
  );
});
