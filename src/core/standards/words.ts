import type { Mark } from "./standard";

/** The mark as a person reads it under a working. */
export function markText(mark: Mark): string {
  if (mark === "trade") return "common practice";
  if (mark === "mem") return "from memory: measure yours before you cut";
  if (mark === "arithmetic") return "arithmetic";
  return `${mark.pub}${mark.fromMemory ? ", from memory" : ""}`;
}

/** What each name in a standard means, for workings and pages. */
export const STANDARD_NAMES: Record<string, string> = {
  boxInsideLength: "inside length of the standard",
  boxInsideWidth: "inside width of the standard",
  nominalThickness: "stock the usual outside comes from",
  bodyDepth: "body depth of the standard",
  restWidth: "rest width",
  restDepth: "rest depth",
  frames: "frames in the box",
  pitch: "pitch",
  frameLength: "frame outside length",
  frameHeight: "frame height",
  topBarLength: "top bar length",
  topBarWidth: "top bar width",
  topBarThickness: "top bar thickness",
  earThickness: "ear thickness",
  endBarThickness: "end bar thickness",
  shoulderWidth: "end bar width at the shoulder",
  shoulderLength: "shoulder length",
  endBarWidth: "end bar width below the shoulder",
  bottomBarWidth: "bottom bar width",
  bottomBarThickness: "bottom bar thickness",
  wireHoles: "wire holes in an end bar",
  foundationLength: "foundation length",
  foundationHeight: "foundation height",
  combThickness: "comb thickness",
  outsideSquare: "outside of the standard, square",
  endThickness: "end wall thickness",
  boxSpare: "spare across",
  rodDiameter: "rod diameter",
  rodInset: "rod from each frame end",
  troughBottom: "bottom width inside",
  troughHeight: "height of the trough",
  sideBarHeight: "side bar height",
  sideBarWidth: "side bar width",
  sideBarThickness: "side bar thickness",
  sideBarInset: "side bar from the wall",
};
