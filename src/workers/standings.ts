import { inShop } from "@/core/job/inshop";
import type { Db } from "@/store/database";
import { jobStore, NoJobError } from "@/store/jobs";
import { askStanding } from "./pool";

const held = globalThis as { rundikStandings?: { wanted: Map<number, string>; working: boolean } };

/**
 * Works out where jobs stand that have changed since that was last done, one after another behind everything somebody waits for. What
 * cannot be worked out is left as it was.
 */
export function freshen(db: Db, ids: number[], day: string): void {
  const row = (held.rundikStandings ??= { wanted: new Map(), working: false });
  for (const id of ids) row.wanted.set(id, day);
  if (row.working || row.wanted.size === 0) return;
  row.working = true;
  void (async () => {
    for (let next = row.wanted.entries().next(); !next.done; next = row.wanted.entries().next()) {
      const [id, on] = next.value;
      row.wanted.delete(id);
      await workOut(db, id, on).catch((e: Error) => {
        if (!(e instanceof NoJobError)) process.stderr.write(`Rundik: where job ${id} stands was not worked out: ${e.message}\n`); // prettier-ignore
      });
    }
    row.working = false;
  })();
}

/** Works out where one job stands on a day, and keeps it; `within` as for `askStanding`. @throws NoJobError, LayoutLimit */
export async function workOut(db: Db, id: number, day: string, within?: number): Promise<void> {
  const store = jobStore(db);
  const { job, around, version } = store.load(id);
  const kept = around.lots.flatMap((l) => l.reserved.filter((r) => r.job === id).map((r): [number, number] => [l.id, r.count])); // prettier-ignore
  const standing = await askStanding({ job: inShop(job, id, around), day, kept }, within);
  store.keepStanding(id, version, day, standing);
}
