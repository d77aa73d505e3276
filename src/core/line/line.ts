import type { Options } from "@/core/shape/shape";

/** A line of a job: so many of one item, in a standard and a size, with what was chosen for it. */
export interface JobLine {
  item: string;
  standard: string;
  size: string;
  quantity: number;
  options: Options;
}
