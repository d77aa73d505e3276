import type { Units } from "@/core/length/length";
import { JobFileError } from "@/core/problem/problem";
import { type LotOf, movesOf, type YardAct, yardActText, yardCollides } from "@/core/yard/acts";
import { type Lot, lotKey, type LotThere, type Movement, type StoredYard, type Why } from "@/core/yard/lot";
import { ofDatabase } from "./database";
import { type Asked, keeper, type Screen } from "./keeper";
import { shopStore } from "./shop";

/** Amounts are kept in hundredths. */
const PARTS = 100;
const kept = (count: number) => Math.round(count * PARTS);

/** What takes an act on the yard back: movements the other way, and what was kept for the job before. */
export interface Moved {
  movements: number[];
  reserved?: { job: number; lots: { id: number; count: number }[] };
}

interface LotRow {
  id: number;
  data: string;
  there: number;
  reserved: string;
}

/** The yard: a ledger of movements, and what is there by it. */
export const yardStore = ofDatabase((db) => {
  const lotWith = (where: string) =>
    `SELECT id, data, there, (SELECT json_group_array(json_array(job_id, count)) FROM reserved WHERE lot_id = lot.id) AS reserved FROM lot ${where}`;
  const sql = {
    there: db.prepare<[], LotRow>(lotWith("WHERE there > 0 ORDER BY id")),
    since: db.prepare<[number], LotRow>(lotWith("WHERE revision > ? ORDER BY id")),
    lot: db.prepare<[number], LotRow>(lotWith("WHERE id = ?")),
    byKey: db.prepare<[string], LotRow>(lotWith("WHERE key = ?")),
    insertLot: db.prepare("INSERT INTO lot (key, data, revision) VALUES (?, ?, 0)"),
    touch: db.prepare("UPDATE lot SET revision = (SELECT revision FROM yard) WHERE id = ?"),
    move: db.prepare("INSERT INTO movement (lot_id, why, change, job_id, of, at) VALUES (?, ?, ?, ?, ?, ?)"),
    movement: db.prepare<[number], { id: number; lot_id: number; change: number; job_id: number | null }>(
      "SELECT id, lot_id, change, job_id FROM movement WHERE id = ?",
    ),
    ledger: db.prepare<[number, number], Omit<Movement, "change"> & { change: number }>(
      "SELECT id, lot_id AS lot, why, change, job_id AS job, at FROM movement WHERE lot_id = ? ORDER BY id DESC LIMIT ?",
    ),
    reserved: db.prepare<[number], { id: number; count: number }>(
      "SELECT lot_id AS id, count FROM reserved WHERE job_id = ?",
    ),
    unreserve: db.prepare("DELETE FROM reserved WHERE job_id = ?"),
    lower: db.prepare("UPDATE reserved SET count = count - ? WHERE job_id = ? AND lot_id = ? AND count > ?"),
    release: db.prepare("DELETE FROM reserved WHERE job_id = ? AND lot_id = ?"),
    reserve: db.prepare("INSERT INTO reserved (job_id, lot_id, count) VALUES (?, ?, ?)"),
    isJob: db.prepare<[number], object>("SELECT 1 FROM job WHERE id = ?"),
    revision: db.prepare<[], { revision: number }>("SELECT revision FROM yard"),
    next: db.prepare("UPDATE yard SET revision = revision + 1"),
    counted: db.prepare<[], { at: string | null }>("SELECT max(at) AS at FROM movement WHERE why = 'counted'"),
  };
  const shop = shopStore(db);
  const units = (): Units => shop.load().shop.units;
  const now = () => new Date(Date.now()).toISOString();
  const asLot = ({ id, data, there, reserved }: LotRow): LotThere => ({
    id,
    lot: JSON.parse(data) as Lot,
    there: there / PARTS,
    reserved: (JSON.parse(reserved) as [number, number][]).map(([job, count]) => ({ job, count: count / PARTS })),
  });
  const lotOf: LotOf = (of) => {
    const row = typeof of === "number" ? sql.lot.get(of) : sql.byKey.get(lotKey(of));
    return row && asLot(row);
  };
  const idOf = (lot: Lot): number =>
    sql.byKey.get(lotKey(lot))?.id ?? Number(sql.insertLot.run(lotKey(lot), JSON.stringify(lot)).lastInsertRowid);
  const move = (lot: number, why: Why, change: number, job: number | null, of: number | null, at: string): number => {
    const { lastInsertRowid } = sql.move.run(lot, why, kept(change), job, of, at);
    sql.touch.run(lot);
    return Number(lastInsertRowid);
  };
  const keepFor = (job: number, lots: { id: number; count: number }[]) => {
    for (const { id } of sql.reserved.all(job)) sql.touch.run(id);
    sql.unreserve.run(job);
    for (const { id, count } of lots) {
      sql.reserve.run(job, id, kept(count));
      sql.touch.run(id);
    }
  };
  const keptFor = (job: number) => sql.reserved.all(job).map(({ id, count }) => ({ id, count: count / PARTS }));

  /** Writes an act down. In a transaction of who calls. @throws JobFileError when it does not hold; then nothing is written */
  function carryOut(act: YardAct): Moved {
    const moves = movesOf(act, lotOf, units());
    sql.next.run();
    const at = now();
    const job = "job" in act ? act.job : undefined;
    if (job !== undefined && !sql.isJob.get(job)) throw new JobFileError([{ path: "job", message: `there is no job ${job}` }]); // prettier-ignore
    const before = job === undefined ? undefined : keptFor(job);
    const movements = moves.map((m) => {
      const id = typeof m.of === "number" ? m.of : idOf(m.of);
      // What was kept for the job and is taken for it is not kept any longer.
      if (job !== undefined && act.do === "take out" && sql.lower.run(kept(-m.change), job, id, kept(-m.change)).changes === 0) sql.release.run(job, id); // prettier-ignore
      return move(id, m.why, m.change, m.job ?? null, null, at);
    });
    if (act.do === "reserve") keepFor(act.job, act.lots);
    return { movements, ...(job !== undefined && before ? { reserved: { job, lots: before } } : {}) };
  }

  /** Movements the other way; false where what came in is not there any more. In a transaction of who calls. */
  function takeBack({ movements, reserved }: Moved): boolean {
    const back = movements.map((id) => sql.movement.get(id)!);
    const sums = new Map<number, number>();
    for (const m of back) sums.set(m.lot_id, (sums.get(m.lot_id) ?? 0) - m.change);
    for (const [id, change] of sums) if (sql.lot.get(id)!.there + change < 0) return false;
    sql.next.run();
    const at = now();
    // What came in goes last, so that no lot is below nothing on the way.
    for (const m of back.toSorted((a, b) => a.change - b.change)) move(m.lot_id, "put right", -m.change / PARTS, m.job_id, m.id, at); // prettier-ignore
    if (reserved && sql.isJob.get(reserved.job)) keepFor(reserved.job, reserved.lots.filter(({ id, count }) => count <= (lotOf(id)?.there ?? 0))); // prettier-ignore
    return true;
  }

  const keeps = keeper<null, YardAct, Moved>(db, {
    called: "yard",
    name: () => "yard",
    read: () => ({ revision: sql.revision.get()!.revision, value: null }),
    carryOut: (_id, _value, act) => carryOut(act),
    takeBack: (_id, _value, moved) => takeBack(moved),
    text: (act) => yardActText(act, lotOf, units()),
    collides: yardCollides,
  });
  const stored = <N extends ReturnType<typeof keeps.load>>(
    { value: _value, ...rest }: N,
    since: number,
  ): Omit<N, "value"> & StoredYard => ({
    ...rest,
    version: rest.revision,
    since,
    lots: (since > 0 ? sql.since.all(since) : sql.there.all()).map(asLot),
  });
  return {
    load: (screen?: Screen, since = 0): StoredYard => stored(keeps.load(1, screen), since),
    revision: () => sql.revision.get()!.revision,
    /** Every lot there is something of. */
    lots: (): LotThere[] => sql.there.all().map(asLot),
    lotOf,
    /** What is kept for a job. */
    keptFor,
    ledger: (lot: number, most = 200): Movement[] =>
      sql.ledger.all(lot, most).map((m) => ({ ...m, change: m.change / PARTS })),
    lastCount: () => sql.counted.get()!.at,
    /** Does several things to the yard; the answer has the lots that changed since the first was seen. @throws as a keeper does */
    all: (asked: Asked<YardAct>[], loaded?: number, since = 0) => stored(keeps.all(1, asked, loaded), since),
    /** Does something to the yard as part of what is done to a job, in its transaction. @throws JobFileError */
    carryOut: (act: YardAct): Moved => {
      const moved = carryOut(act);
      keeps.note(1, act);
      return moved;
    },
    /** Takes that back with the job's act; false where what came in is not there any more. */
    takeBack: (moved: Moved): boolean => {
      if (!takeBack(moved)) return false;
      // Whoever counted these lots meanwhile counted something else.
      const lots = [...new Set(moved.movements.map((m) => sql.movement.get(m)!.lot_id))].map((id) => ({
        id,
        count: 1,
      }));
      keeps.note(1, lots.length > 0 ? { do: "take out", why: "cut", lots } : { do: "reserve", job: moved.reserved?.job ?? 0, lots: [] }); // prettier-ignore
      return true;
    },
  };
});
