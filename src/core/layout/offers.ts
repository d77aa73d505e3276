import type { BoardStock } from "@/core/boards/stock";
import type { Material } from "@/core/feature/material";
import { inch, type Length, mm, type Units } from "@/core/length/length";
import type { Missing } from "./request";

/** What yards usually have, planed and dry (handbook 06); thicker parts than a plank want that are no usual stock are cut from the next. */
const YARD: Record<Units, { thick: Length[]; wide: Length[]; long: Length[]; sheet: [Length, Length] }> = {
  in: {
    thick: [inch(0, 3, 4), inch(1), inch(1, 1, 2), inch(2, 1, 2), inch(3, 1, 2)],
    wide: [inch(3, 1, 2), inch(5, 1, 2), inch(7, 1, 4), inch(9, 1, 4), inch(11, 1, 4)],
    long: [inch(96), inch(120), inch(144), inch(192)],
    sheet: [inch(96), inch(48)],
  },
  mm: {
    thick: [mm(18), mm(20), mm(21), mm(27), mm(44), mm(70)],
    wide: [mm(95), mm(120), mm(145), mm(170), mm(195), mm(220), mm(245), mm(270), mm(295)],
    long: [mm(2400), mm(3000), mm(4200), mm(5400)],
    sheet: [mm(2440), mm(1220)],
  },
};
/** Parts thinner than a board is sold are sliced or planed from the next that is; thicker ones are what the boards measure. */
const AS_MEASURED = mm(15);

const CALLED: Record<Exclude<Material, "wood">, string> = {
  ply: "ply",
  mesh: "mesh",
  metal: "aluminium",
  foam: "foam",
  plastic: "plastic",
};

/** A board of no price, for any number to be bought. */
const board = (o: Pick<BoardStock, "form" | "material" | "thickness" | "width" | "length">): BoardStock => ({
  ...o,
  price: 0,
  available: null,
  source: "buy",
});

/** What a job starts with: the board of its yard that most parts come from, as thick as it says its boards measure. */
export const usualBoard = (units: Units, thickness?: Length): BoardStock =>
  board({
    form: "board",
    material: "pine",
    thickness: thickness ?? (units === "in" ? inch(0, 3, 4) : mm(20)),
    width: units === "in" ? inch(11, 1, 4) : mm(245),
    length: YARD[units].long[0]!,
  });

/**
 * Boards and sheets that would give what is missing, as yards sell them: one for each material and thickness, wide and long enough for
 * every part of it; what most pieces wait for first.
 */
export function offersFor(missing: Missing[], units: Units): BoardStock[] {
  const yard = YARD[units];
  const next = (sizes: Length[], least: Length) => sizes.find((s) => s >= least) ?? least;
  const kinds = new Map<string, { offer: BoardStock; pieces: number }>();
  for (const { blank, needs } of missing) {
    const wood = blank.material === "wood";
    const thick = wood && needs.thickness < AS_MEASURED ? next(yard.thick, needs.thickness) : needs.thickness;
    const key = `${blank.material} ${thick}`;
    const before = kinds.get(key);
    const at = (size: Length, was: Length | undefined) => (was !== undefined && was > size ? was : size);
    const offer = board({
      form: wood ? "board" : "sheet",
      material: blank.material === "wood" ? "pine" : CALLED[blank.material],
      thickness: thick,
      width: at(wood ? next(yard.wide, needs.width) : at(yard.sheet[1], needs.width), before?.offer.width),
      length: at(wood ? next(yard.long, needs.length) : at(yard.sheet[0], needs.length), before?.offer.length),
    });
    kinds.set(key, { offer, pieces: (before?.pieces ?? 0) + blank.quantity });
  }
  return [...kinds.values()].sort((a, b) => b.pieces - a.pieces).map((k) => k.offer);
}
