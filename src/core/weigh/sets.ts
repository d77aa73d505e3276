import { type MakersOwn, recipeOf } from "@/core/designs/design";
import { standardOf } from "@/core/standards/own";
import { type Hive, standsIn } from "@/core/hive/hive";
import { exactText } from "@/core/length/format";
import { nm } from "@/core/length/length";
import type { WeighFile } from "./file";

export type WeighThing = WeighFile["things"][number];

const langstroth = (item: string, size: string, more: object = {}) => ({ item, standard: "langstroth-10", size, options: {}, ...more }); // prettier-ignore
/** What stands under and over the usual long body is made to its width. */
const wide = (item: string) => langstroth(item, "deep", { options: { bodyOutsideWidth: "40 3/4" } });
const floor = langstroth("floor-solid", "deep");
const lid = [langstroth("inner-cover", "deep"), langstroth("cover-telescoping", "deep")];

/** What is set side by side to begin with; `many` is how many are asked about where one says little, `school` the choice whose sides they are. */
export const SETS: { id: string; label: string; many?: number; school?: string; things: WeighThing[] }[] = [
  {
    id: "frames",
    label: "frames",
    things: [
      { name: "Deep", ...langstroth("frame", "deep") },
      { name: "Closed-top", item: "closed-top-frame", standard: "layens", size: "deep", options: {} },
      { name: "National 14 × 12", item: "frame", standard: "national", size: "14x12", options: {} },
      { name: "Extra-deep", ...langstroth("extra-deep-frame", "deep") },
      { name: "No ears, on rods", item: "no-ear-frame", standard: "az", size: "storey", options: {} },
    ],
  },
  {
    id: "boxes",
    label: "boxes",
    things: [
      { name: "Deep", ...langstroth("body", "deep") },
      { name: "Medium", ...langstroth("body", "medium") },
      { name: "Shallow", ...langstroth("body", "shallow") },
      { name: "Eight-frame deep", item: "body", standard: "langstroth-8", size: "deep", options: {} },
      { name: "Long body", ...langstroth("long-body", "deep") },
    ],
  },
  {
    id: "hives",
    label: "whole hives",
    things: [
      { name: "Two deeps and a medium", hive: [floor, langstroth("body", "deep"), langstroth("body", "deep"), langstroth("body", "medium"), ...lid] },
      { name: "All mediums", hive: [floor, ...Array.from({ length: 4 }, () => langstroth("body", "medium")), ...lid] },
      { name: "Long hive", hive: [wide("floor-solid"), langstroth("long-body", "deep", { options: { legs: false } }), wide("inner-cover"), wide("cover-telescoping")] },
      { name: "Joined, extra-deep frames", hive: [langstroth("floor-solid", "deep"), langstroth("joined-body", "deep"), ...lid] },
    ],
  },
  {
    id: "foundations",
    label: "foundations",
    many: 400,
    school: "foundation",
    things: [["Wired wax", "wired-wax"], ["Plastic", "plastic"], ["Wax, wired here", "wax"], ["None", "none"], ["Thin, for comb honey", "thin"]].map(([name, foundation]) => ({ name: name!, ...langstroth("frame", "deep", { options: { foundation: foundation! } }) })),
  },
  {
    id: "corners",
    label: "corners",
    many: 20,
    things: [["Rabbet in the ends", "rabbet-ends"], ["Butt", "butt-ends-inside"], ["Fingers", "finger"], ["Dovetails", "dovetail"]].map(([name, joint]) => ({ name: name!, ...langstroth("body", "deep", { options: { joint: joint! } }) })),
  },
  {
    id: "finishes",
    label: "finishes",
    many: 20,
    school: "finish",
    things: [["Paint", "paint"], ["Oil", "oil"], ["Hot wax dip", "wax"], ["Nothing", "none"]].map(([name, finish]) => ({ name: name!, ...langstroth("body", "deep", { options: { finish: finish! } }) })),
  },
]; // prettier-ignore

/** A hive as it stands in summer, to be set beside others; lengths are written as a file has them. */
export const hiveThing = (hive: Hive, own: MakersOwn): WeighThing => ({
  name: hive.name,
  hive: hive.levels.flatMap((level) => {
    if ("measured" in level || !standsIn(level, "summer")) return [];
    const { seasons: _some, options, ...of } = level;
    const standard = standardOf(level.standard, own.standards);
    const kindOf = (name: string) => (standard && recipeOf(level.item, standard, own)?.parameters.find((p) => p.name === name)?.kind); // prettier-ignore
    const written = Object.entries(options).map(([k, v]) => [k, typeof v === "number" && kindOf(k) === "length" ? exactText(nm(v), "in") : v]);
    return [{ ...of, options: Object.fromEntries(written) as Record<string, string | number | boolean> }];
  }),
}); // prettier-ignore
