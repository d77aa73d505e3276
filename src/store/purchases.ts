import {
  changePurchase,
  comingOf,
  type Draft,
  type LineAct,
  type Purchase,
  type PurchaseAct,
  purchaseActText,
  purchaseCollides,
  receiptLots,
  spentFor,
  stateOf,
  type StoredPurchase,
} from "@/core/purchase/purchase";
import type { Currency, Minor } from "@/core/money/money";
import { JobFileError } from "@/core/problem/problem";
import type { Coming } from "@/core/purchase/wants";
import { type Change, changesBetween, takenBack } from "@/core/keeping/change";
import { ofDatabase } from "./database";
import { type Asked, keeper, type Screen, writing } from "./keeper";
import { type Moved, yardStore } from "./yard";

/** There is no such order. */
export class NoPurchaseError extends Error {
  override name = "NoPurchaseError";
}

/** So many orders at once are drawn up or on their way. */
const MOST_OPEN = 500;

interface Row {
  id: number;
  data: string;
  revision: number;
}
/** What was done to an order, and to the yard with it. */
interface Done {
  changes: Change[];
  moved: Moved[];
}

/** Orders to suppliers: what came of one is booked into the yard in the same transaction. */
export const purchaseStore = ofDatabase((db) => {
  const sql = {
    one: db.prepare<[number], Row>("SELECT id, data, revision FROM purchase WHERE id = ?"),
    byKey: db.prepare<[string], Row>("SELECT id, data, revision FROM purchase WHERE key = ?"),
    open: db.prepare<[], Row>("SELECT id, data, revision FROM purchase WHERE open ORDER BY id DESC"),
    ended: db.prepare<[number], Row>("SELECT id, data, revision FROM purchase WHERE NOT open ORDER BY id DESC LIMIT ?"),
    insert: db.prepare("INSERT INTO purchase (key, data, open) VALUES (?, ?, 1)"),
    write: db.prepare("UPDATE purchase SET data = ?, open = ?, revision = revision + 1 WHERE id = ?"),
    forJob: db.prepare<[number], Row>(
      "SELECT id, data, revision FROM purchase WHERE EXISTS (SELECT 1 FROM json_each(data, '$.lines') AS line, json_each(line.value, '$.for') AS share WHERE json_extract(share.value, '$.job') = ?)",
    ),
    version: db.prepare<[], { n: number }>(
      "SELECT (SELECT coalesce(sum(revision) + count(*), 0) FROM purchase) + (SELECT coalesce(sum(CAST(julianday(coalesce(told_at, '2000-01-01')) * 86400 AS INTEGER)) + count(problem) + count(gone_at), 0) FROM supplier) AS n",
    ),
    isOpenJob: db.prepare<[number], object>(
      "SELECT 1 FROM job WHERE id = ? AND archived_at IS NULL AND deleted_at IS NULL",
    ),
  };
  const yard = yardStore(db);
  const now = () => new Date(Date.now()).toISOString();
  const parsed = ({ id, data, revision }: Row) => ({ id, revision, purchase: JSON.parse(data) as Purchase });
  const read = (id: number): { revision: number; value: Purchase } => {
    const row = sql.one.get(id);
    if (!row) throw new NoPurchaseError(`there is no order ${id}`);
    const { revision, purchase } = parsed(row);
    return { revision, value: purchase };
  };
  const write = (id: number, p: Purchase) => {
    const state = stateOf(p);
    sql.write.run(JSON.stringify(p), state === "received" || state === "cancelled" ? 0 : 1, id);
  };

  /** Puts what came into the yard, and keeps it for whom it was bought. */
  function bookIn(p: Purchase, lines: Extract<PurchaseAct, { do: "receive" }>["lines"]): Moved[] {
    const came = receiptLots(p, lines);
    const moved = [yard.carryOut({ do: "put in", why: "received", lots: came.map(({ lot, count }) => ({ lot, count })) })]; // prettier-ignore
    const byJob = new Map<number, Map<number, number>>();
    for (const c of came)
      for (const { job, quantity } of c.for) {
        if (!sql.isOpenJob.get(job)) continue;
        const kept = byJob.get(job) ?? new Map(yard.keptFor(job).map((k) => [k.id, k.count]));
        const lot = yard.lotOf(c.lot)!.id;
        // Boards are kept whole: one that several jobs share is the first one's.
        const more = c.lot.form === "pack" ? quantity : Math.ceil(quantity);
        byJob.set(job, kept.set(lot, (kept.get(lot) ?? 0) + more));
      }
    for (const [job, kept] of byJob) {
      const lots = [...kept].map(([id, count]) => {
        const lot = yard.lotOf(id)!;
        const others = lot.reserved.reduce((n, r) => n + (r.job === job ? 0 : r.count), 0);
        return { id, count: Math.min(count, Math.max(0, lot.there - others)) };
      });
      moved.push(yard.carryOut({ do: "reserve", job, lots: lots.filter((l) => l.count > 0) }));
    }
    return moved;
  }

  const kept = keeper<Purchase, PurchaseAct | LineAct, Done>(db, {
    called: "order",
    name: (id) => `purchase ${id}`,
    read,
    carryOut: (id, p, act) => {
      const next = changePurchase(p, act, now());
      write(id, next);
      const moved = act.do === "receive" ? bookIn(p, act.lines) : [];
      // What was said over the line is said: there is no taking it back.
      const isSaid = ["send", "heard", "refused", "silent"].includes(act.do) || (act.do === "cancel" && !!p.sent);
      return isSaid ? null : { changes: changesBetween(p, next), moved };
    },
    takeBack: (id, p, { changes, moved }) => {
      const before = takenBack(p, changes);
      if (!before) return false;
      if (!moved.toReversed().every(yard.takeBack)) return false;
      write(id, before);
      return true;
    },
    text: purchaseActText,
    collides: purchaseCollides,
  });
  const stored = <N extends ReturnType<typeof kept.load>>(id: number, { value, ...rest }: N) => ({
    ...rest,
    id,
    purchase: value,
    version: rest.revision,
  });
  const open = (): StoredPurchase[] => sql.open.all().map((r) => ({ ...parsed(r), version: r.revision, undo: null }));
  return {
    load: (id: number, screen?: Screen): StoredPurchase => stored(id, kept.load(id, screen)),
    has: (id: number): boolean => sql.one.get(id) !== undefined,
    revision: (id: number): number => read(id).revision,
    /** What is drawn up or on its way, the newest first. */
    open,
    /** The last that nothing more comes of. */
    ended: (most: number): StoredPurchase[] => sql.ended.all(most).map((r) => ({ ...parsed(r), version: r.revision, undo: null })), // prettier-ignore
    /** What was ordered for a job costs, by its shares of orders that were sent, at the prices that held; in coins of the shop's currency. */
    spentFor: (job: number, currency: Currency): Minor =>
      sql.forJob.all(job).reduce((sum, row) => {
        const { purchase } = parsed(row);
        return sum + (purchase.currency === currency ? spentFor(purchase, job) : 0);
      }, 0),
    coming: (): Coming[] => comingOf(open().map((o) => o.purchase)),
    /** Counts on whenever an order, or what a supplier told, is another. */
    version: (): number => sql.version.get()!.n,
    /** The order that was drawn up under a key. */
    byKey: (key: string): number | undefined => sql.byKey.get(key)?.id,
    /** Draws an order up, once by its key. */
    draw: writing(db)((key: string, draft: Draft): StoredPurchase => {
      const there = sql.byKey.get(key);
      if (there) return stored(there.id, kept.load(there.id));
      if (sql.open.all().length >= MOST_OPEN)
        throw new JobFileError([{ path: "orders", message: `${MOST_OPEN} orders are open; receive or cancel some first` }]); // prettier-ignore
      const made: Purchase = { ...draft, key, drawnUp: now(), receipts: [] };
      const id = Number(sql.insert.run(key, JSON.stringify(made)).lastInsertRowid);
      return stored(id, kept.load(id));
    }),
    /** What came over the line, done to the order as it is now. */
    line: (id: number, act: LineAct): StoredPurchase => stored(id, kept.act(id, read(id).revision, act)),
    /** Cancelled with the supplier, or where it never left the shop. */
    cancel: (id: number): StoredPurchase => stored(id, kept.act(id, read(id).revision, { do: "cancel" })),
    all: (id: number, asked: Asked<PurchaseAct>[], loaded?: number) => stored(id, kept.all(id, asked, loaded)),
  };
});
