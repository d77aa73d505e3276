import { JobFileError } from "@/core/problem/problem";
import { standardProblems } from "@/core/standards/own";
import { type Standard, standardSchema } from "@/core/standards/standard";
import { trialOfStandard } from "@/core/trial/trial";
import { ofDatabase } from "./database";

/** Standards of the maker's own. Jobs keep their own copy, so a change here moves no job that is under way. */
export const standardStore = ofDatabase((db) => {
  const list = db.prepare<[], { data: string }>("SELECT data FROM own_standard ORDER BY json_extract(data, '$.name')");
  const put = db.prepare(
    "INSERT INTO own_standard (id, data, changed_at) VALUES (@id, @data, @at) ON CONFLICT (id) DO UPDATE SET data = @data, changed_at = @at",
  );
  const remove = db.prepare("DELETE FROM own_standard WHERE id = ?");
  return {
    list: (): Standard[] => list.all().map((r) => standardSchema.parse(JSON.parse(r.data))),
    /** Keeps a standard, new or changed. @throws JobFileError naming each field that is wrong. */
    put: (standard: Standard): void => {
      const problems = standardProblems(standard);
      if (problems.length > 0) throw new JobFileError(problems.map((p) => ({ path: p.field, message: p.message })));
      const trouble = trialOfStandard(standard);
      if (trouble) throw new JobFileError([{ path: "values", message: trouble }]);
      put.run({ id: standard.id, data: JSON.stringify(standard), at: new Date(Date.now()).toISOString() });
    },
    remove: (id: string): boolean => remove.run(id).changes > 0,
  };
});
