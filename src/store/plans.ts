import type { WholePlan } from "@/core/plan/whole";
import { ofDatabase } from "./database";
import { StaleError, writing } from "./keeper";

/** A plan of the shop as it is kept. */
export interface KeptPlan {
  id: number;
  madeAt: string;
  stoodAt: string | null;
  facts: string;
  plan: WholePlan;
}
interface Row extends Omit<KeptPlan, "plan"> {
  data: string;
}

/** So many plans that stood are kept, to be gone back to and held against what happened; and so many that were only put forward. */
const [STOOD, FORWARD] = [100, 8];

/** Plans of the whole shop: those put forward, and the one that stands. */
export const planStore = ofDatabase((db) => {
  const columns = "id, made_at AS madeAt, stood_at AS stoodAt, facts, data";
  const sql = {
    standing: db.prepare<[], Row>(`SELECT ${columns} FROM plan WHERE stood_at IS NOT NULL ORDER BY stood_at DESC, id DESC LIMIT 2`),
    one: db.prepare<[number], Row>(`SELECT ${columns} FROM plan WHERE id = ?`),
    add: db.prepare<[string, string, string], { id: number }>("INSERT INTO plan (made_at, facts, data) VALUES (?, ?, ?) RETURNING id"), // prettier-ignore
    stand: db.prepare("UPDATE plan SET stood_at = ? WHERE id = ? AND stood_at IS NULL"),
    fall: db.prepare("UPDATE plan SET stood_at = NULL WHERE id = ?"),
    prune: db.prepare("DELETE FROM plan WHERE (stood_at IS NULL AND id NOT IN (SELECT id FROM plan WHERE stood_at IS NULL ORDER BY id DESC LIMIT ?)) OR (stood_at IS NOT NULL AND id NOT IN (SELECT id FROM plan WHERE stood_at IS NOT NULL ORDER BY stood_at DESC, id DESC LIMIT ?))"),
    version: db.prepare<[], { n: number }>("SELECT coalesce(max(rowid), 0) * 1000 + count(stood_at) AS n FROM plan WHERE stood_at IS NOT NULL"), // prettier-ignore
  };
  const kept = ({ data, ...rest }: Row): KeptPlan => ({ ...rest, plan: JSON.parse(data) as WholePlan });
  const now = () => new Date(Date.now()).toISOString();
  return {
    /** The plan that stands. */
    standing: (): KeptPlan | undefined => sql.standing.all().slice(0, 1).map(kept)[0],
    /** There is one that stood before, to go back to. */
    hasEarlier: (): boolean => sql.standing.all().length > 1,
    /** Counts on whenever another plan stands. */
    version: () => sql.version.get()!.n,
    one: (id: number): KeptPlan | undefined => [sql.one.get(id)].flatMap((r) => (r ? [kept(r)] : []))[0],
    /** Keeps a plan that is put forward; answers with its number. */
    putForward: writing(db)((plan: WholePlan, facts: string): number => {
      const { id } = sql.add.get(now(), facts, JSON.stringify(plan))!;
      sql.prune.run(FORWARD, STOOD);
      return id;
    }),
    /** Lets a plan stand that was put forward; asked twice it stands once. @throws StaleError where it is not kept any more */
    stand: writing(db)((id: number) => {
      if (!sql.one.get(id)) throw new StaleError("this plan is not kept any more; ask for it again");
      sql.stand.run(now(), id);
    }),
    /** The plan before stands again. */
    back: writing(db)((id: number) => {
      const [last, before] = sql.standing.all();
      if (!last || last.id !== id || !before) throw new StaleError("another plan stands meanwhile");
      sql.fall.run(id);
    }),
  };
}); // prettier-ignore
