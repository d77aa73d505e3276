import { inch } from "@/core/length/length";
import { chance } from "@/core/plan/tests/hunt";
import type { Listed, PriceList } from "@/core/purchase/pricelist";
import { plusDays, propose, type Seller } from "@/core/purchase/proposal";
import { type Thing, thingKey } from "@/core/purchase/thing";
import type { Wanted } from "@/core/purchase/wants";
import { highsSolver } from "./highs";

const lp = await highsSolver();
const TODAY = "2027-02-01";
const pine: Thing = { form: "board", material: "Pine", thickness: inch(0, 3, 4), width: inch(11, 1, 4), length: inch(96) }; // prettier-ignore
const packs = (material: string): Thing => ({ form: "pack", material });
const wants = (thing: Thing, ...shares: [job: number, quantity: number, on?: string][]): Wanted => ({
  key: thingKey(thing), thing, unit: thing.form === "pack" ? "each" : "board", quantity: shares.reduce((n, s) => n + s[1], 0),
  shares: shares.map(([job, quantity, on]) => ({ job, quantity, working: "", ...(on ? { on } : {}) })),
}); // prettier-ignore
const offer = (thing: Thing, pack: number, price: number, more: Partial<Listed> = {}): Listed => ({ id: `${thing.material} ${pack}`, thing, pack, price, breaks: [], available: null, ...more }); // prettier-ignore
const sells = (id: number, leadDays: number, offers: Listed[], more: Partial<PriceList> = {}): Seller => ({ id, list: { name: `S${id}`, currency: "GBP", delivery: 10, minimum: 0, freeFrom: null, leadDays, offers, ...more } }); // prettier-ignore
const asked = (wanted: Wanted[], sellers: Seller[], byHand: Listed[] = []) => propose(wanted, sellers, byHand, { today: TODAY, currency: "GBP" }, lp); // prettier-ignore

test("what to order, from whom and by when, worked by hand: a break, a delivery, the days there are, what is short, what goes by hand", () => {
  const lower = { ...pine, material: "pine" };
  const cheap = sells(1, 6, [
    offer(lower, 1, 13, { breaks: [{ from: 50, price: 12 }] }),
    offer(packs("glue"), 750, 12),
  ]);
  const quick = sells(2, 2, [offer(packs("screw"), 200, 16), offer(packs("screw"), 1000, 62), offer(packs("glue"), 750, 11), offer(packs("clip"), 10, 1, { available: 3 })]); // prettier-ignore
  const wanted = [
    wants(pine, [1, 31, "2027-02-10"], [2, 18, "2027-02-20"]),
    // Screws are used before the timber yard could bring any; glue is dearer alone with a delivery more, so it comes with them.
    wants(packs("screw"), [1, 706, "2027-02-05"]),
    wants(packs("glue"), [1, 436, "2027-02-12"]),
    wants(packs("clip"), [2, 50]),
    wants(packs("varnish"), [2, 900]),
    wants(packs("nobody's"), [1, 1]),
  ];
  const found = asked(wanted, [cheap, quick], [offer(packs("varnish"), 500, 8), offer(packs("varnish"), 1000, 14)]);
  expect(found.orders.map((o) => [o.name, o.lines.map((l) => [l.thing.material, l.packs, l.pack, l.price, l.over]), o.total, o.by, o.late])).toEqual([
    // 3 packs of 1000 and more are never needed: 1 × 62 covers 706; 62 + 11 + 3 × 1 + 10 delivery.
    ["S2", [["screw", 1, 1000, 6200, 294], ["glue", 1, 750, 1100, 314], ["clip", 3, 10, 100, 0]], 8600, "2027-02-03", 0],
    // 49 at 13 are 637, 50 at 12 are 600: one board more costs less. 600 + 10.
    ["S1", [["Pine", 50, 1, 1200, 1]], 61_000, "2027-02-04", 0],
    ["by hand", [["varnish", 1, 1000, 1400, 100]], 1400, undefined, 0],
  ]); // prettier-ignore
  expect(found.orders[1]!.lines[0]!.for.map((f) => [f.job, f.quantity])).toEqual([[1, 31], [2, 18]]); // prettier-ignore
  expect(found.short.map((s) => [s.thing.material, s.quantity, s.listed])).toEqual([["clip", 20, true], ["nobody's", 1, false]]); // prettier-ignore
  expect([found.total, found.bound, found.proven]).toEqual([71_000, 71_000, true]);
});

test("where nobody brings it in time it comes from the quickest, and how late that is is said; another currency is not used", () => {
  const wanted = [wants(pine, [1, 4, "2027-02-03"])];
  const found = asked(wanted, [sells(1, 9, [offer(pine, 1, 5)]), sells(2, 5, [offer(pine, 1, 9)]), sells(3, 0, [offer(pine, 1, 1)], { currency: "EUR" })]); // prettier-ignore
  expect(found.orders.map((o) => [o.name, o.by, o.comes, o.late])).toEqual([["S2", "2027-01-29", "2027-02-06", 3]]);
  expect([plusDays("2027-02-26", 3), plusDays("2028-02-28", 1)]).toEqual(["2027-03-01", "2028-02-29"]);
});

test("every proposal covers what is wanted and adds up, in currencies with no, two and three decimals", () => {
  const random = chance(7);
  const any = (n: number) => Math.floor(random() * n);
  for (const [currency, digits] of [
    ["JPY", 0],
    ["GBP", 2],
    ["KWD", 3],
  ] as const)
    for (let i = 0; i < 15; i++) {
      const things = Array.from({ length: 1 + any(6) }, (_, k) => packs(`thing ${k}`));
      const price = () => Number((1 + any(5000) / 7).toFixed(digits));
      const sellers = [1, 2, 3].map((id) => sells(id, any(9), things.filter(() => any(3) > 0).map((t) => offer(t, 1 + any(40), price())), { currency, delivery: price(), freeFrom: any(2) ? price() * 9 : null })); // prettier-ignore
      const wanted = things.map((t, k) => wants(t, [1, 1 + any(90)], [2, 1 + any(90), `2027-02-0${1 + (k % 9)}`]));
      const found = propose(wanted, sellers, [], { today: TODAY, currency }, lp);
      for (const w of wanted) {
        const got = found.orders.flatMap((o) => o.lines).reduce((n, l) => n + (thingKey(l.thing) === w.key ? l.packs * l.pack : 0), 0); // prettier-ignore
        const missing = found.short.find((s) => thingKey(s.thing) === w.key)?.quantity ?? 0;
        expect(got + missing).toBeGreaterThanOrEqual(w.quantity);
      }
      for (const o of found.orders) {
        // In coins: what is on the supplier's own list, times packs, and its delivery; added up apart from the program.
        const { list } = sellers.find((s) => s.id === o.seller)!;
        const coins = (amount: number) => BigInt(amount.toFixed(digits).replace(".", ""));
        const goods = o.lines.reduce((sum, l) => sum + coins(list.offers.find((x) => x.id === l.offer)!.price) * BigInt(l.packs), 0n); // prettier-ignore
        const free = list.freeFrom !== null && goods >= coins(list.freeFrom);
        expect([BigInt(o.goods), BigInt(o.total)]).toEqual([goods, goods + (free ? 0n : coins(list.delivery))]);
      }
      expect(found.bound).toBeLessThanOrEqual(found.total);
    }
});
