import type { Length } from "@/core/length/length";
import { nm } from "@/core/length/length";
import { cutList } from "@/core/job/cutlist";
import type { WorkedJob } from "@/core/job/worked";
import type { BoardStock } from "@/core/job/job";

/** A blank to be laid out. Sizes in nm, length along the grain; `quantity` for the whole job. */
export interface Blank {
  id: string;
  name: string;
  length: Length;
  width: Length;
  thickness: Length;
  quantity: number;
}

export interface Saw {
  kerf: Length;
  endTrim: Length;
  edgeTrim: Length;
  keepOffcut: Length;
}

/** All a layout depends on, as plain data: it crosses to a worker and is the key of a cached result. */
export interface LayoutRequest {
  blanks: Blank[];
  stock: BoardStock[];
  saw: Saw;
}

export function layoutRequest(worked: WorkedJob): LayoutRequest {
  const { kerf, endTrim, edgeTrim, keepOffcut } = worked.job.workshop;
  return {
    blanks: cutList(worked).map(({ id, part, quantity }) => ({
      id,
      name: part.name,
      length: part.size.l,
      width: part.size.w,
      thickness: part.size.t,
      quantity,
    })),
    stock: worked.job.stock.filter((s) => s.form === "board"),
    saw: { kerf, endTrim, edgeTrim, keepOffcut },
  };
}

/** A blank as it lies on a board of one thickness: flat, or on edge so that the fence sets its thickness. */
export interface Lying {
  blank: Blank;
  /** Across the board, what the fence is set to. */
  width: Length;
  onEdge: boolean;
  /** What planing takes off the board's thickness. */
  planed: Length;
}

/** Blanks that come from boards of one thickness. */
export interface Group {
  thickness: Length;
  stock: number[];
  lying: Lying[];
}

/** A blank no stock can give, and the least that would. */
export interface Missing {
  blank: Blank;
  needs: { thickness: Length; width: Length; length: Length };
  why: "no stock" | "too thin" | "too narrow" | "too short" | "too few";
  short?: number;
}

export const usable = (s: BoardStock, saw: Saw) => ({
  length: nm(s.length - 2 * saw.endTrim),
  width: nm(s.width - 2 * saw.edgeTrim),
});

/**
 * Chooses for every blank the thickness of board it comes from and how it lies: the way that takes least wood
 * (board thickness × width ripped), flat where it makes no difference.
 */
export function groups(request: LayoutRequest): { groups: Group[]; missing: Missing[] } {
  const { blanks, stock, saw } = request;
  const byThickness = new Map<Length, Group>();
  const missing: Missing[] = [];
  for (const blank of blanks) {
    const ways = stock.flatMap((s) => {
      const room = usable(s, saw);
      return [
        { onEdge: false, width: blank.width, planed: s.thickness - blank.thickness },
        { onEdge: true, width: blank.thickness, planed: s.thickness - blank.width },
      ]
        .filter((w) => w.planed >= 0 && w.width <= room.width && blank.length <= room.length)
        .map((w) => ({ ...w, thickness: s.thickness }));
    });
    ways.sort((a, b) => a.thickness * a.width - b.thickness * b.width || Number(a.onEdge) - Number(b.onEdge));
    const best = ways[0];
    if (!best) {
      missing.push({
        blank,
        needs: {
          thickness: blank.thickness,
          width: nm(blank.width + 2 * saw.edgeTrim),
          length: nm(blank.length + 2 * saw.endTrim),
        },
        why: whyNot(blank, request),
      });
      continue;
    }
    const group: Group = byThickness.get(best.thickness) ?? {
      thickness: best.thickness,
      stock: stock.flatMap((s, i) => (s.thickness === best.thickness ? [i] : [])),
      lying: [],
    };
    group.lying.push({ blank, width: best.width, onEdge: best.onEdge, planed: nm(best.planed) });
    byThickness.set(best.thickness, group);
  }
  return { groups: [...byThickness.values()].sort((a, b) => a.thickness - b.thickness), missing };
}

function whyNot(blank: Blank, { stock, saw }: LayoutRequest): Missing["why"] {
  if (stock.length === 0) return "no stock";
  const thick = stock.filter((s) => s.thickness >= blank.thickness);
  if (thick.length === 0) return "too thin";
  return thick.some((s) => usable(s, saw).width >= blank.width) ? "too short" : "too narrow";
}
