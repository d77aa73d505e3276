import type { Standing } from "@/core/line/standing";
import type { Finding } from "./finding";
import type { Ruler } from "./ruler";

/** What may not be missing, and what may not stand where it does. */
export function complete(chain: Standing[], r: Ruler): Finding[] {
  const found: Finding[] = [];
  const bodies = chain.filter((s) => s.as === "body");
  const top = chain.at(-1);
  if (!top || bodies.length === 0) return found;
  if (!chain.some((s) => s.as === "floor"))
    found.push(
      r.missing(
        "floor-missing",
        "Floor",
        bodies[0]!.at,
        "nothing under the lowest box: bees, mice and wasps come and go",
        "add a floor",
        "care",
      ),
    );
  if (top.as !== "cover")
    found.push(r.missing("cover-missing", "Cover", top.at, "nothing closes the hive above", "add a cover", "care"));
  chain.forEach((s, i) => {
    const below = chain[i - 1];
    if (s.as === "cover" && s.skirt && below && below.as !== "inner-cover" && below.as !== "stand" && !below.tight)
      found.push(
        r.missing(
          "inner-cover-missing",
          "Under the telescoping lid",
          s.at,
          `no inner cover under ${s.title.toLowerCase()}: once it is glued down no tool can reach in to free it`,
          "put an inner cover under it",
        ),
      );
    if (s.as === "cover" && i < chain.length - 1)
      found.push(
        r.missing(
          "cover-order",
          "Cover",
          s.at,
          `${chain[i + 1]!.title} stands on a cover`,
          "move the cover to the top",
        ),
      );
    if (s.as === "floor" && below && below.as !== "stand")
      found.push(
        r.missing(
          "floor-order",
          "Floor",
          s.at,
          `a floor stands on ${below.title.toLowerCase()}`,
          "move the floor down",
        ),
      );
  });
  return found;
}
