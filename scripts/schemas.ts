import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { z } from "zod";
import { jobFileSchema } from "@/core/job/file";
import { recipeSchema } from "@/core/recipes/recipe";
import { standardSchema } from "@/core/standards/standard";

/** Writes docs/schema from the Zod schemas; with --check, fails when what is there is not current. */
const schemas: Record<string, z.ZodType> = {
  "job.schema.json": jobFileSchema("in"),
  "recipe.schema.json": recipeSchema,
  "standard.schema.json": standardSchema,
};
const check = process.argv.includes("--check");
mkdirSync("docs/schema", { recursive: true });
let stale = 0;
for (const [file, schema] of Object.entries(schemas)) {
  const path = `docs/schema/${file}`;
  const text = `${JSON.stringify(z.toJSONSchema(schema, { io: "input", reused: "ref" }), null, 2)}\n`;
  if (!check) writeFileSync(path, text);
  else if (!existsSync(path) || readFileSync(path, "utf8") !== text) {
    console.error(`${path} is not current; run: npx tsx scripts/schemas.ts`);
    stale++;
  }
}
process.exitCode = stale > 0 ? 1 : 0;
