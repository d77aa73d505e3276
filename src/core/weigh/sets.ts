import type { WeighFile } from "./file";

export type WeighThing = WeighFile["things"][number];

const langstroth = (item: string, size: string, more: object = {}) => ({ item, standard: "langstroth-10", size, options: {}, ...more }); // prettier-ignore
const floor = langstroth("floor-solid", "deep");
const lid = [langstroth("inner-cover", "deep"), langstroth("cover-telescoping", "deep")];

/** What is set side by side to begin with. */
export const SETS: { id: string; label: string; things: WeighThing[] }[] = [
  {
    id: "frames",
    label: "frames",
    things: [
      { name: "Deep", ...langstroth("frame", "deep") },
      { name: "Closed-top", item: "closed-top-frame", standard: "layens", size: "deep", options: {} },
      { name: "National 14 × 12", item: "frame", standard: "national", size: "14x12", options: {} },
      { name: "Extra-deep", ...langstroth("extra-deep-frame", "deep") },
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
      { name: "Long hive", hive: [langstroth("long-body", "deep")] },
    ],
  },
]; // prettier-ignore
