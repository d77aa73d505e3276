import { emptyJob } from "@/core/job/job";
import { shapeOfLine } from "@/core/line/shapes";
import { NM_PER_MM } from "@/core/length/length";

/** A feeder and what it holds. */
export interface FeederKind {
  name: string;
  litres: number;
}

/** A US gallon pail and a quart jar over a hole. [trade] */
const BOUGHT: FeederKind[] = [
  { name: "quart jar over a hole", litres: 0.946 },
  { name: "gallon pail over a hole", litres: 3.785 },
];
const MADE = [
  { item: "feeder-frame", value: "litres", name: "frame feeder, deep" },
  { item: "feeder-trough", value: "held", name: "trough feeder, ten frames" },
];

/** The usual feeders, what is made by its geometry: litres to where it may be filled. */
export const feederKinds = (): FeederKind[] => [
  ...BOUGHT,
  ...MADE.map(({ item, value, name }) => {
    const held = shapeOfLine({ item, standard: "langstroth-10", size: "deep", quantity: 1, options: {} }, emptyJob("", "in")).scope.working(value).value; // prettier-ignore
    const mm3 = held.kind === "amount" ? held.of.valueOf() / NM_PER_MM ** 3 : 0;
    return { name, litres: Number((mm3 / 1e6).toFixed(1)) };
  }),
];
