import type { Currency, Minor } from "@/core/money/money";
import { ofDatabase } from "./database";

/** What a pack of a thing cost from a moment on; supplier 0 is the catalogue. */
export interface Priced {
  supplier: number;
  pack: number;
  price: Minor;
  currency: Currency;
  at: string;
}

/** Of one thing so many changes of price are shown. */
const MOST_SHOWN = 2000;

/** What things cost when: a row each time a price changes, none is ever written over; two in one moment stand in the order they were told. */
export const priceStore = ofDatabase((db) => {
  const sql = {
    last: db.prepare<[number], { thing: string; pack: number; price: number; currency: string; at: string }>(
      "SELECT thing, pack, price, currency, at FROM price WHERE rowid IN (SELECT max(rowid) FROM price WHERE supplier_id = ? GROUP BY thing, pack)",
    ),
    insert: db.prepare("INSERT INTO price (supplier_id, thing, pack, price, currency, at) VALUES (?, ?, ?, ?, ?, ?)"),
    of: db.prepare<[string, number], Omit<Priced, "currency"> & { currency: string }>(
      "SELECT supplier_id AS supplier, pack, price, currency, at FROM price WHERE thing = ? ORDER BY rowid DESC LIMIT ?",
    ),
    before:
      db.prepare<[], { supplier: number; thing: string; pack: number; price: number; before: number; at: string }>( // prettier-ignore
        `SELECT supplier_id AS supplier, thing, pack, price, before, at FROM
         (SELECT *, lag(price) OVER w AS before, row_number() OVER (PARTITION BY supplier_id, thing, pack ORDER BY rowid DESC) AS n FROM price
          WINDOW w AS (PARTITION BY supplier_id, thing, pack ORDER BY rowid))
       WHERE n = 1 AND before IS NOT NULL ORDER BY at DESC`,
      ),
  };
  const name = (pack: number, thing: string) => `${pack} ${thing}`;
  return {
    /** Keeps those of the prices of a supplier that are other than when they were last kept. In a transaction of who calls. */
    keep(supplier: number, currency: Currency, at: string, prices: { thing: string; pack: number; price: Minor }[]) {
      const known = new Map(sql.last.all(supplier).map((p) => [name(p.pack, p.thing), p]));
      for (const { thing, pack, price } of prices) {
        const was = known.get(name(pack, thing));
        if (was?.price === price && was.currency === (currency ?? "")) continue;
        sql.insert.run(supplier, thing, pack, price, currency ?? "", at);
      }
    },
    /** What a thing cost when, the oldest first. */
    of: (thing: string): Priced[] =>
      sql.of.all(thing, MOST_SHOWN).toReversed().map((p) => ({ ...p, currency: p.currency || null })), // prettier-ignore
    /** Since when the prices of a supplier hold, by pack and thing. */
    since: (supplier: number): Record<string, string> =>
      Object.fromEntries(sql.last.all(supplier).map((p) => [name(p.pack, p.thing), p.at])),
    /** Prices that are other now than they were before, the last changed first. */
    changed: () => sql.before.all(),
  };
});
