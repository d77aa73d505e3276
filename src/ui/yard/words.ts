import type { BoardLot, Lot, LotThere } from "@/core/yard/lot";

/** How the yard lists what it has, part by part. */
export const HEAPS = [
  { id: "boards", name: "Boards" },
  { id: "rough", name: "Rough boards" },
  { id: "sheets", name: "Sheets, rolls and coils" },
  { id: "offcuts", name: "Offcuts" },
  { id: "packs", name: "Fasteners, glue, foundation" },
] as const;
export type Heap = (typeof HEAPS)[number]["id"];

export function heapOf(lot: Lot): Heap {
  if (lot.form === "pack") return "packs";
  if (lot.offcut) return "offcuts";
  if (lot.form !== "board") return "sheets";
  return lot.rough ? "rough" : "boards";
}

/** In the order a person walks past it: heap by heap, place by place, the longest first. */
export const asWalked = (lots: LotThere[]): LotThere[] => {
  const rank = (l: LotThere) => HEAPS.findIndex((h) => h.id === heapOf(l.lot));
  const long = ({ lot }: LotThere) => (lot.form === "pack" ? 0 : lot.length);
  return lots.toSorted(
    (a, b) => (a.lot.place ?? "").localeCompare(b.lot.place ?? "") || rank(a) - rank(b) || a.lot.material.localeCompare(b.lot.material) || long(b) - long(a),
  ); // prettier-ignore
};

/** All that is written of a lot, for a search. */
export const searched = (l: LotThere, said: string): string => `${l.id} ${said} ${l.lot.place ?? ""}`.toLowerCase();

export const isBoard = (lot: Lot): lot is BoardLot => lot.form !== "pack";
