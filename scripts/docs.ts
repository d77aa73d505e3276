import { existsSync, mkdirSync, readFileSync, writeFileSync } from "node:fs";
import { z } from "zod";
import { weighFileSchema } from "@/core/weigh/file";
import { designSchema } from "@/core/designs/design";
import { jobFileSchema } from "@/core/job/file";
import { RECIPES, recipeFor } from "@/core/recipes";
import { type Parameter, recipeSchema } from "@/core/recipes/recipe";
import { ShapeError, shapeItem } from "@/core/shape/shape";
import { STANDARDS } from "@/core/standards";
import { standardSchema } from "@/core/standards/standard";

/** Writes docs/schema from the Zod schemas and docs/items.md from the recipes; with --check, fails when what is there is not current. */
const schema = (of: z.ZodType) => `${JSON.stringify(z.toJSONSchema(of, { io: "input", reused: "ref" }), null, 2)}\n`;

/** The sizes of a standard an item comes out in. */
function sizesOf(id: string, standard: (typeof STANDARDS)[number]): string[] {
  return Object.keys(standard.sizes).filter((size) => {
    try {
      shapeItem(recipeFor(id, standard)!, standard, size, {});
      return true;
    } catch (e) {
      if (e instanceof ShapeError && e.field === "standard") return false;
      throw e;
    }
  });
}

function items(): string {
  const ids = [...new Set(RECIPES.map((r) => r.id))];
  const head = ["item", ...STANDARDS.map((s) => s.id)];
  const rows = ids.map((id) => [`\`${id}\``, ...STANDARDS.map((s) => sizesOf(id, s).length || "")]);
  const choice = (p: Parameter) =>
    p.kind === "choice" ? `${p.name} (${p.choices.map((c) => c.id).join(", ")})` : p.name;
  const options = RECIPES.map((r) => [
    `\`${r.id}\`${r.standards ? `, ${r.standards.join(", ")}` : ""}`,
    r.parameters.map(choice).join("; "),
  ]);
  const table = (rows: (string | number)[][]) => rows.map((r) => `| ${r.join(" | ")} |`).join("\n");
  const rule = (n: number) => `|${"---|".repeat(n)}`;
  return [
    "# Items, standards and options",
    "",
    "Made by `npx tsx scripts/docs.ts`; the checks fail when it is not current. A number says in how many sizes of a standard an item is made.",
    "Every one of them is worked out in the tests: nothing stopped with the usual choices, no two parts in the same place (`recipes.test.ts`); cut list, check, SVG, DXF, story stick and assembly sheet (`exchange.test.ts`, `stations.test.tsx`).",
    "",
    table([head]),
    rule(head.length),
    table(rows),
    "",
    "Every option below is shown to make a difference by `choices.test.ts`.",
    "",
    table([["item", "options"]]),
    rule(2),
    table(options),
    "",
  ].join("\n");
}

const files: Record<string, string> = {
  "docs/schema/job.schema.json": schema(jobFileSchema("in")),
  "docs/schema/recipe.schema.json": schema(recipeSchema),
  "docs/schema/weigh.schema.json": schema(weighFileSchema),
  "docs/schema/design.schema.json": schema(designSchema),
  "docs/schema/standard.schema.json": schema(standardSchema),
  "docs/items.md": items(),
};
const check = process.argv.includes("--check");
mkdirSync("docs/schema", { recursive: true });
let stale = 0;
for (const [path, text] of Object.entries(files)) {
  if (!check) writeFileSync(path, text);
  else if (!existsSync(path) || readFileSync(path, "utf8") !== text) {
    console.error(`${path} is not current; run: npx tsx scripts/docs.ts`);
    stale++;
  }
}
process.exitCode = stale > 0 ? 1 : 0;
