import { type Design, designSchema, type KeptMark, MOST_BYTES, MOST_DESIGNS } from "@/core/designs/design";
import { upToDate } from "@/core/designs/older";
import { idProblem, readDesign } from "@/core/designs/problems";
import { JobFileError } from "@/core/problem/problem";
import type { Recipe } from "@/core/recipes/recipe";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import { trialOfDesign } from "@/core/trial/trial";
import { ofDatabase } from "./database";

/** Designs of the maker's own. A mark once kept never changes; jobs carry their own copy of the one they were made with. */
export const designStore = ofDatabase((db) => {
  const sql = {
    all: db.prepare<[], { id: string; mark: number; data: string; why: string; made_at: string }>(
      "SELECT * FROM own_design ORDER BY id, mark",
    ),
    notes: db.prepare<[], { design: string; mark: number; text: string; noted_at: string }>(
      "SELECT design, mark, text, noted_at FROM design_note ORDER BY id",
    ),
    last: db.prepare<[string], { mark: number | null; data: string | null; why: string | null }>(
      "SELECT max(mark) AS mark, data, why FROM own_design WHERE id = ?",
    ),
    ids: db.prepare<[], { n: number }>("SELECT count(DISTINCT id) AS n FROM own_design"),
    put: db.prepare("INSERT INTO own_design (id, mark, data, why, made_at) VALUES (?, ?, ?, ?, ?)"),
    note: db.prepare("INSERT INTO design_note (design, mark, text, noted_at) VALUES (?, ?, ?, ?)"),
    remove: db.prepare("DELETE FROM own_design WHERE id = ?"),
  };
  const now = () => new Date(Date.now()).toISOString();
  /** A mark never changes: what was read of it once is read. */
  const known = new Map<string, Recipe>();
  const recipeIn = (data: string): Recipe => {
    const recipe = known.get(data) ?? designSchema.shape.recipe.parse(upToDate(JSON.parse(data)));
    known.set(data, recipe);
    return recipe;
  };
  const list = (): KeptMark[] => {
    const notes = sql.notes.all();
    return sql.all
      .all()
      .map((r) => ({
        recipe: recipeIn(r.data),
        mark: r.mark,
        why: r.why,
        madeAt: r.made_at,
        notes: notes
          .filter((n) => n.design === r.id && n.mark === r.mark)
          .map((n) => ({ text: n.text, at: n.noted_at })),
      }));
  };
  return {
    list,
    /** The newest mark of each. */
    newest: (): Design[] => {
      const marks = list();
      return marks
        .filter((m) => !marks.some((x) => x.recipe.id === m.recipe.id && x.mark > m.mark))
        .map(({ recipe, mark, why }) => ({ recipe, mark, why }));
    },
    /** Keeps a recipe as the next mark of its design; asked again it is not kept twice. @throws JobFileError naming each field that is wrong; nothing is kept then. */
    keep: db.transaction((recipe: Recipe, why: string, own: Standard[]): number => {
      const fail = (path: string, message: string) => new JobFileError([{ path, message }]);
      const problem = idProblem(recipe);
      if (problem) throw fail("id", problem);
      const data = JSON.stringify(recipe);
      if (data.length > MOST_BYTES)
        throw fail("", `read ${Math.round(data.length / 1024)} kB; a design is at most ${MOST_BYTES / 1024} kB`);
      const standards = [...STANDARDS, ...own];
      const fits = standards.find(
        (s) => recipe.standards === undefined || recipe.standards.includes(s.basedOn ?? s.id),
      );
      if (!fits) throw fail("standards", `read ${JSON.stringify(recipe.standards)}, none of which is a standard`);
      const made = standards.filter((s) => !recipe.standards || recipe.standards.includes(s.basedOn ?? s.id));
      const reads = made.map((s) => readDesign(recipe, s, s.defaultSize));
      const whole = reads.find((r) => r.problems.length === 0);
      if (!whole) throw new JobFileError(reads[0]!.problems);
      for (const [i, read] of reads.entries()) {
        const trouble = read.problems.length === 0 ? trialOfDesign(recipe, made[i]!, own) : undefined;
        if (trouble) throw fail("", `in ${made[i]!.short}: ${trouble}`);
      }
      const last = sql.last.get(recipe.id)!;
      // Asked again because the answer was lost.
      if (last.data === data && last.why === why.trim()) return last.mark!;
      if (last.mark === null && sql.ids.get()!.n >= MOST_DESIGNS)
        throw fail("", `there are ${MOST_DESIGNS} designs already`);
      if (last.data === data) throw fail("", "nothing has changed since the last mark");
      const mark = (last.mark ?? 0) + 1;
      sql.put.run(recipe.id, mark, data, why.trim(), now());
      return mark;
    }),
    /** Something noticed in use; the same twice is noted once. @throws JobFileError when there is no such mark. */
    note: (id: string, mark: number, text: string): void => {
      const of = list().find((m) => m.recipe.id === id && m.mark === mark);
      if (!of) throw new JobFileError([{ path: "mark", message: `there is no mark ${mark} of "${id}"` }]);
      if (of.notes.at(-1)?.text !== text) sql.note.run(id, mark, text, now());
    },
    remove: (id: string): boolean => sql.remove.run(id).changes > 0,
  };
});
