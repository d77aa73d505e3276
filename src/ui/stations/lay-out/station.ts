import dynamic from "next/dynamic";
import { aboveLeast, type LayoutResult, moneyOf } from "@/core/layout/layout";
import { stoodText } from "@/ui/desk/moves";
import type { Station } from "@/ui/desk/station";
import { atMost, count } from "@/ui/parts/words";

export const layOut = {
  id: "lay-out",
  key: "3",
  name: "Lay out",
  waits: "layout",
  state: (_desk, { layout, was }) => {
    const result = layout.result!;
    if (result.missing.length > 0) return { text: `${count(result.missing.length, "part")} without wood`, wrong: true };
    const boards = count(result.count, "board");
    return {
      text: layout.improving ? `${boards} so far` : `${boards} · ${quality(result)}`,
      moved: stoodText.boards(was, result.count),
    };
  },
  Page: dynamic(() => import("./LayOut").then((m) => m.LayOut)),
  load: () => import("./LayOut"),
} as const satisfies Station;

/** How good a layout is known to be, in a few words. */
function quality(result: LayoutResult): string {
  if (result.proven)
    return result.boundCount === result.count ? "the least" : moneyOf(result) ? "least cost" : "least wood";
  return `within ${atMost(aboveLeast(result))}`;
}
