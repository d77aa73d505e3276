import { toMinor } from "@/core/money/money";
import type { PriceList } from "@/core/purchase/pricelist";
import { JobFileError } from "@/core/problem/problem";
import { ofDatabase } from "./database";
import { writing } from "./keeper";
import { priceStore } from "./prices";
import { thingKey } from "@/core/purchase/thing";

/** A supplier the shop asks for prices and sends orders to. */
export interface KeptSupplier {
  id: number;
  address: string;
  /** What it told last, and when; null until it has. */
  list: PriceList | null;
  toldAt: string | null;
  /** Why the last try brought nothing. */
  problem: string | null;
}
interface Row extends Omit<KeptSupplier, "list"> {
  list: string | null;
}

/** Most suppliers a shop asks. */
export const MOST_SUPPLIERS = 20;

/** Suppliers, and what they told last. */
export const supplierStore = ofDatabase((db) => {
  const columns = "id, address, list, told_at AS toldAt, problem";
  const sql = {
    list: db.prepare<[], Row>(`SELECT ${columns} FROM supplier WHERE gone_at IS NULL ORDER BY id`),
    one: db.prepare<[number], Row>(`SELECT ${columns} FROM supplier WHERE id = ?`),
    add: db.prepare<[string], { id: number }>("INSERT INTO supplier (address) VALUES (?) ON CONFLICT (address) DO UPDATE SET gone_at = NULL RETURNING id"), // prettier-ignore
    told: db.prepare("UPDATE supplier SET list = ?, told_at = ?, problem = NULL WHERE id = ?"),
    silent: db.prepare("UPDATE supplier SET problem = ? WHERE id = ?"),
    leaveOut: db.prepare("UPDATE supplier SET gone_at = ? WHERE id = ?"),
  };
  const prices = priceStore(db);
  const now = () => new Date(Date.now()).toISOString();
  const asKept = ({ list, ...rest }: Row): KeptSupplier => ({
    ...rest,
    list: list === null ? null : (JSON.parse(list) as PriceList),
  });
  return {
    all: (): KeptSupplier[] => sql.list.all().map(asKept),
    /** One of them, also one that was left out; undefined where there never was one. */
    one: (id: number): KeptSupplier | undefined => {
      const row = sql.one.get(id);
      return row && asKept(row);
    },
    /** Keeps an address to ask; one that is known already, or was left out, is the same supplier. @throws JobFileError */
    add: writing(db)((address: string): number => {
      if (sql.list.all().length >= MOST_SUPPLIERS)
        throw new JobFileError([{ path: "address", message: `a shop asks at most ${MOST_SUPPLIERS} suppliers; leave one out first` }]); // prettier-ignore
      return sql.add.get(address)!.id;
    }),
    leaveOut: (id: number): void => void sql.leaveOut.run(now(), id),
    /** What a supplier told; prices that are other than before are kept with the day. */
    told: writing(db)((id: number, list: PriceList): void => {
      const at = now();
      sql.told.run(JSON.stringify(list), at, id);
      prices.keep(id, list.currency, at, list.offers.map((o) => ({ thing: thingKey(o.thing), pack: o.pack, price: toMinor(o.price, list.currency) }))); // prettier-ignore
    }),
    /** Asking brought nothing; what was told before stands. */
    silent: (id: number, why: string): void => void sql.silent.run(why, id),
  };
});
