import { emptyJob, type Job } from "@/core/job/job";
import { layoutRequest } from "@/core/job/ask";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { cutList } from "@/core/line/cutlist";
import { type JobLine, partKey } from "@/core/line/line";
import { orderOf } from "@/core/order/order";
import { RECIPES, recipeFor } from "@/core/recipes";
import { type Options, ShapeError, shapeItem } from "@/core/shape/shape";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import type { Operation } from "@/core/work/operation";
import { anyStock } from "@/core/layout/anystock";
import { operations } from "@/core/work/operations";

/**
 * What the contract says of features and operations ("What a feature and an operation say"), for every item in every standard with
 * every choice it offers: blanks and features made, parts joined, what is taken, what comes after what.
 */

export function opsOf(lines: JobLine[], more: Partial<Job> = {}, planed = false) {
  const job: Job = { ...emptyJob("x", "in"), start: "2027-02-08", lines, ...more };
  const stock = more.stock ?? anyStock(workJob(job).lines, planed ? 3_000_000 : 0);
  const worked = workJob({ ...job, stock });
  // The first layout there is: what the contract says holds of any.
  const layout = layOut(layoutRequest(worked), () => 0, { goOn: () => false });
  if (layout.missing.length > 0) throw new Error(`no stock for ${layout.missing[0]!.blank.name}`);
  return { worked, layout, ops: operations(worked, layout) };
}

/** Every operation that has ended before one begins. */
function before(op: Operation, all: Map<string, Operation>, seen = new Set<string>()): Set<string> {
  for (const id of op.after)
    if (!seen.has(id)) {
      seen.add(id);
      before(all.get(id)!, all, seen);
    }
  return seen;
}

/** What of the contract's sentences does not hold, in words; nothing when all do. */
export function broken(worked: WorkedJob, ops: Operation[], orders: { what: string; quantity: number }[]): string[] {
  const said: string[] = [];
  const byId = new Map(ops.map((o) => [o.id, o]));
  const count = (list: { pieces: number }[]) => list.reduce((n, x) => n + x.pieces, 0);
  for (const cut of cutList(worked.lines)) {
    const makes = (feature: string | null) =>
      ops.flatMap((o) =>
        o.makes.filter((m) => partKey(m.part) === cut.id && m.feature === feature).map((m) => ({ ...m, op: o })),
      );
    const joins = ops.flatMap((o) => o.joins.filter((j) => partKey(j.part) === cut.id).map((j) => ({ ...j, op: o })));
    const ids = cut.part.features.map((f) => f.id);
    if (new Set(ids).size !== ids.length) said.push(`${cut.id}: two features of one id`);
    for (const feature of [null, ...ids])
      if (count(makes(feature)) !== cut.quantity)
        said.push(`${cut.id} ${feature ?? "blank"}: made ${count(makes(feature))} of ${cut.quantity}`);
    const several = cut.line.shape.parts.length > 1;
    if (several && count(joins) !== cut.quantity) said.push(`${cut.id}: joined ${count(joins)} of ${cut.quantity}`);
    for (const join of joins) {
      const ended = before(join.op, byId);
      for (const feature of [null, ...ids])
        for (const made of makes(feature))
          if (!ended.has(made.op.id)) said.push(`${cut.id}: joined at ${join.op.id} before ${made.op.id} has ended`);
    }
    const to = cut.part.fits?.to;
    if (to && to !== "box") {
      const measured = ops.filter((o) => o.id.startsWith(`${cut.of.line}/${to.step}`)).map((o) => o.id);
      for (const made of makes(null))
        if (measured.length === 0 || !measured.every((m) => before(made.op, byId).has(m)))
          said.push(`${cut.id}: cut before what it is measured from`);
    }
  }
  for (const o of ops) {
    if (o.people < 1 || !Number.isFinite(o.minutes) || o.minutes < 0) said.push(`${o.id}: ${o.minutes} minutes`);
    for (const s of o.settings)
      if (!(s.kind === "angle" ? s.degrees > 0 && s.degrees < 90 : s.value > 0))
        said.push(`${o.id}: ${JSON.stringify(s)}`);
  }
  const used = new Map<string, number>();
  for (const u of ops.flatMap((o) => o.uses)) used.set(u.what, (used.get(u.what) ?? 0) + u.quantity * (1 + u.spare));
  for (const o of orders)
    if (Math.abs(o.quantity - (used.get(o.what) ?? 0)) >= 1)
      said.push(`${o.what}: ${used.get(o.what) ?? 0} taken, ${o.quantity} ordered`);
  return said;
}

/** Every item in every standard that has it, with its usual choices and with each choice it offers in turn where that is asked. */
export function everyLine(choicesIn: (standard: Standard, size: string) => boolean): JobLine[] {
  return RECIPES.flatMap((recipe) =>
    STANDARDS.flatMap((standard) => {
      if (recipeFor(recipe.id, standard) !== recipe) return [];
      return Object.keys(standard.sizes).flatMap((size) => {
        const choices = recipe.parameters.flatMap((p): Options[] =>
          p.kind === "choice"
            ? p.choices.map((c) => ({ [p.name]: c.id }))
            : p.kind === "flag"
              ? [{ [p.name]: !p.default }]
              : [],
        );
        const asks: Options[] = [{}, ...(choicesIn(standard, size) ? choices : [])];
        return asks.flatMap((options): JobLine[] => {
          try {
            shapeItem(recipe, standard, size, options);
            return [{ item: recipe.id, standard: standard.id, size, quantity: 3, options }];
          } catch (e) {
            if (e instanceof ShapeError) return [];
            throw e;
          }
        });
      });
    }),
  );
}

const hardware = (worked: WorkedJob, layout: Parameters<typeof orderOf>[1]) =>
  orderOf(worked, layout).lines.filter((l) => l.unit !== "board");

/** Whatever of the sentences does not hold of a job of these lines. */
export function wrongIn(lines: JobLine[], more: Partial<Job> = {}): string[] {
  const { worked, layout, ops } = opsOf(lines, more);
  const name = lines.map((l) => `${l.item} ${l.standard} ${l.size} ${JSON.stringify(l.options)}`).join(" + ");
  return broken(worked, ops, hardware(worked, layout)).map((b) => `${name}: ${b}`);
}
