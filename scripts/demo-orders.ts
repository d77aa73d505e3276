import { today } from "@/app/today";
import { type StandIn, startSuppliers } from "@/standins/supplier/server";
import { TRADERS } from "@/standins/supplier/traders";
import type { Db } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { supplierStore } from "@/store/suppliers";
import { drawUp, toOrder } from "@/workers/buying";
import { closePool } from "@/workers/pool";
import { workOut } from "@/workers/standings";
import { freshPrices, hearPurchase, sendPurchase } from "@/workers/supplying";

const port = Number(process.env.SUPPLIER_PORT ?? 4171);
const url = `http://127.0.0.1:${port}`;
/** So long a layout is looked for here, ms; the pages look further. */
const QUICK = 400;
const DAY_MS = 86_400_000;

/** What happens so many days ago: for a shop whose prices have a history. */
async function ago<T>(days: number, run: () => Promise<T>): Promise<T> {
  const now = Date.now;
  Date.now = () => now() - days * DAY_MS;
  try {
    return await run();
  } finally {
    Date.now = now;
  }
}

const steer = (said: Record<string, string>) =>
  fetch(`${url}/stand-in`, { method: "POST", body: new URLSearchParams(said).toString(), redirect: "manual" });

/** The made-up suppliers that run already, or ones of our own. */
async function suppliersAtHand(file: string): Promise<StandIn | undefined> {
  for (let tries = process.env.SUPPLIER_RUNS ? 40 : 1; tries > 0; tries--)
    try {
      await fetch(url);
      return undefined;
    } catch {
      await new Promise((r) => setTimeout(r, 250));
    }
  return startSuppliers({ port, file });
}

/**
 * The demo's dealings with its suppliers: prices asked for twice, some dearer the second time; a delivery on its way, one of which half is
 * here, one that is short. The first job's wood is still to be ordered.
 */
export async function loadOrders(db: Db, file: string): Promise<void> {
  const own = await suppliersAtHand(file);
  const day = today();
  const [suppliers, store] = [supplierStore(db), purchaseStore(db)];
  const ids = await ago(24, async () => {
    const kept = TRADERS.map((t) => suppliers.add(`${url}/${t.at}`));
    for (const id of kept) await freshPrices(db, id);
    return kept;
  });
  const [timber, hives, fixings] = ids as [number, number, number];
  for (const { id } of jobStore(db).ids()) await workOut(db, id, day, QUICK);
  const jobs = new Map(
    jobStore(db)
      .ids()
      .map((j) => [j.name, j.id]),
  );
  const order = async (job: string, seller: number, key: string) => {
    const only = [jobs.get(job)!];
    const { proposal } = await toOrder(db, only, day);
    const found = proposal.orders.find((o) => o.seller === seller);
    if (!found) throw new Error(`the demo has nothing to order from ${seller} for ${job}`);
    const id = (await drawUp(db, { key, seller, jobs: only, total: found.total }, day))!;
    await sendPurchase(db, id);
    return id;
  };
  const wood = await ago(8, () => order("Shallow boxes and frames", timber, "demo-spruce"));
  const goods = await ago(4, () => order("Shallow boxes and frames", hives, "demo-foundation"));
  await order("Mixed standards", fixings, "demo-fixings");
  // Somebody was quicker: of what was listed an hour ago there is less.
  const excluder = TRADERS[1]!.list.offers.find((o) => o.thing.material === "excluder sheet")!;
  await steer({ at: TRADERS[1]!.at, sold: excluder.id, packs: "3" });
  await order("Wintering sets", hives, "demo-wintering");
  for (const { at } of TRADERS) await steer({ at, days: "7" });
  // Of the wood half is here; the hardware has left.
  await hearPurchase(db, wood);
  await hearPurchase(db, goods);
  for (const id of ids) await freshPrices(db, id);
  const [note] = store.load(wood).purchase.answer!.deliveries;
  store.all(wood, [{ revision: store.revision(wood), act: { do: "receive", note: note!.note, lines: note!.lines } }]);
  await own?.close();
  await closePool();
}
