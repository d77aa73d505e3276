import type { JobLine } from "@/core/line/line";

/** A usual job, to start one from. */
export interface Template {
  id: string;
  name: string;
  lines: JobLine[];
}

const line = (quantity: number, item: string, standard: string, size: string): JobLine => ({ item, standard, size, quantity, options: {} }); // prettier-ignore

const L = "langstroth-10";
const N = "national";

/** What a small workshop is asked for again and again. */
export const TEMPLATES: Template[] = [
  { id: "ten-deep", name: "Ten deep boxes with frames", lines: [line(10, "body", L, "deep"), line(100, "frame", L, "deep")] }, // prettier-ignore
  { id: "ten-medium", name: "Ten honey supers with frames", lines: [line(10, "body", L, "medium"), line(100, "frame", L, "medium")] }, // prettier-ignore
  {
    id: "langstroth",
    name: "A whole Langstroth",
    lines: [
      line(1, "floor-screened", L, "deep"),
      line(1, "body", L, "deep"),
      line(10, "frame", L, "deep"),
      line(2, "body", L, "medium"),
      line(20, "frame", L, "medium"),
      line(1, "inner-cover", L, "deep"),
      line(1, "cover-telescoping", L, "deep"),
    ],
  },
  {
    id: "national",
    name: "A whole National",
    lines: [
      line(1, "floor-screened", N, "brood"),
      line(1, "body", N, "brood"),
      line(11, "frame", N, "brood"),
      line(2, "body", N, "super"),
      line(22, "frame", N, "super"),
      line(1, "inner-cover", N, "brood"),
      line(1, "roof-deep", N, "brood"),
    ],
  },
  { id: "nucs", name: "Six nucs with frames", lines: [line(6, "nuc", L, "deep"), line(30, "frame", L, "deep")] },
  { id: "floors", name: "100 under-floor entrances", lines: [line(100, "floor-underfloor", L, "deep")] },
  { id: "screened", name: "20 screened floors", lines: [line(20, "floor-screened", L, "deep")] },
  { id: "frames", name: "400 deep frames", lines: [line(400, "frame", L, "deep")] },
  { id: "covers", name: "20 covers and inner covers", lines: [line(20, "cover-telescoping", L, "deep"), line(20, "inner-cover", L, "deep")] }, // prettier-ignore
  { id: "top-bar", name: "A top-bar trough with its bars", lines: [line(1, "top-bar-trough", "kenya", "trough"), line(28, "top-bar", "kenya", "trough")] }, // prettier-ignore
  { id: "wintering", name: "20 quilt boxes and feed rims", lines: [line(20, "quilt-box", L, "deep"), line(20, "feed-rim", L, "deep")] }, // prettier-ignore
  { id: "warre", name: "Four Warré boxes with bars", lines: [line(4, "body", "warre", "box"), line(32, "top-bar", "warre", "box")] }, // prettier-ignore
];
