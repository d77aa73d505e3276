import { JobFileError } from "@/core/problem/problem";
import { type Design, designSchema, MOST_BYTES } from "./design";
import { upToDate } from "./older";

/**
 * Reads a design file someone sent. Only its shape is judged here; `readDesign` works its formulas out.
 * @throws JobFileError naming each field, what was read and what would be right.
 */
export function readDesignFile(text: string): Design {
  const one = (message: string) => new JobFileError([{ path: "", message }]);
  if (text.length > MOST_BYTES)
    throw one(`read ${Math.round(text.length / 1024)} kB; a design is at most ${MOST_BYTES / 1024} kB`);
  let raw: unknown;
  try {
    raw = JSON.parse(text, (key, value: unknown) => {
      if (key === "__proto__" || key === "constructor" || key === "prototype")
        throw one(`read the key "${key}", which a design does not have`);
      return value;
    });
  } catch (e) {
    if (e instanceof JobFileError) throw e;
    if (e instanceof RangeError) throw one("nested deeper than any design");
    throw one(`not JSON: ${(e as Error).message}`);
  }
  const read = designSchema.safeParse(
    raw && typeof raw === "object" && "recipe" in raw ? { ...raw, recipe: upToDate(raw.recipe) } : raw,
  );
  if (!read.success)
    throw new JobFileError(read.error.issues.slice(0, 20).map((i) => ({ path: i.path.join("."), message: i.message })));
  const { recipe, mark, why } = read.data;
  return { recipe, mark, why };
}
