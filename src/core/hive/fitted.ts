import type { Length } from "@/core/length/length";
import { chainOf, type Standing } from "@/core/line/standing";

/** The box a floor, rim or cover has to be made to: the largest a skirt reaches over, otherwise the nearest body below, then above. */
export function boxFor(standing: Standing[], at: number): { length: Length; width: Length } | undefined {
  const item = standing.find((s) => s.at === at);
  if (!item || item.as === "body") return undefined;
  if (item.skirt) {
    const edge = item.foot - item.skirt.deep;
    const reached = standing.filter(
      (s) => s !== item && s.as !== "stand" && s.foot < item.foot && s.foot + s.height > edge,
    );
    if (reached.length === 0) return undefined;
    return {
      length: Math.max(...reached.map((s) => s.outside.length)) as Length,
      width: Math.max(...reached.map((s) => s.outside.width)) as Length,
    };
  }
  const chain = chainOf(standing);
  const i = chain.indexOf(item);
  const body = chain.slice(0, i).findLast((s) => s.as === "body") ?? chain.slice(i).find((s) => s.as === "body");
  return body?.outside;
}
