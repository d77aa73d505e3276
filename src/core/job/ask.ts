import type { Saw } from "@/core/boards/saw";
import { waitsOf } from "@/core/line/fits";
import { cutList, nameIn } from "@/core/line/cutlist";
import { spoiledOf } from "./spoiled";
import type { WorkedJob } from "./worked";
import { asStaves } from "@/core/layout/panels";
import type { Blank, LayoutRequest } from "@/core/layout/request";
import { weighed } from "@/core/layout/weighed";

/** What a job asks of the layout: its cut list as blanks (panels as their staves), its boards and its saw. */
export function layoutRequest(worked: WorkedJob): LayoutRequest {
  const { kerf, endTrim, edgeTrim, sheetTrim, minHold, keepOffcut, sheetStages, weighing } = worked.job.workshop;
  const stock = worked.job.stock.filter((s) => s.form !== "pack");
  const { panels, panelLoss } = worked.job.workshop;
  const saw: Saw = { kerf, endTrim, edgeTrim, sheetTrim, minHold, keepOffcut, sheetStages };
  const boards = worked.job.stock.flatMap((s, i) => (s.form === "pack" ? [] : [i]));
  const name = nameIn(worked.lines);
  return {
    blanks: cutList(worked.lines).map((cut) => {
      const { of, part, line, quantity } = cut;
      const waits = waitsOf(part, line, worked.lines);
      const blank: Blank = {
        of,
        name: name(cut),
        material: part.material,
        length: part.cut.l,
        width: part.cut.w,
        thickness: part.cut.t,
        quantity: quantity + spoiledOf(worked.job.spoiled, of),
        turn: part.material !== "wood",
        block: part.block,
        ...(waits ? { waits } : {}),
      };
      return panels ? asStaves(blank, stock, saw, panelLoss) : blank;
    }),
    stock: weighed(stock),
    saw,
    weighing,
    pinned: worked.job.pinned.map((p) => ({ ...p, stock: boards.indexOf(p.stock) })),
  };
}
