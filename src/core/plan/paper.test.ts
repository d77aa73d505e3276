import type { JobLine } from "@/core/line/line";
import { RECIPES } from "@/core/recipes";
import { findStandard } from "@/core/standards";
import { opsOf } from "./tests/contract";
import { paperDiffers } from "./tests/paper";

const lineOf = (item: string, options: JobLine["options"] = {}): JobLine | undefined => {
  const recipe = RECIPES.find((r) => r.id === item)!;
  const standard = findStandard(recipe.standards?.[0] ?? "langstroth-10")!;
  return { item, standard: standard.id, size: standard.defaultSize, quantity: 2, options };
};
const LINES: [string, JobLine["options"]][] = [
  ...RECIPES.filter((r, i) => RECIPES.findIndex((o) => o.id === r.id) === i).map((r): [string, JobLine["options"]] => [
    r.id,
    {},
  ]),
  ...["finger", "rabbet-sides", "butt-ends-inside", "butt-sides-inside", "mitre"].map(
    (joint): [string, JobLine["options"]] => ["body", { joint, handholds: "all" }],
  ),
  ["body", { joint: "finger", keyed: true }],
  ...["wired-wax", "none"].map((foundation): [string, JobLine["options"]] => ["frame", { foundation }]),
];

test.each(LINES)("%s %j: what the paper tells to cut is what the drawing shows", (item, options) => {
  const { worked, layout } = opsOf([lineOf(item, options)!]);
  expect(paperDiffers(worked, layout).slice(0, 3)).toEqual([]);
});
