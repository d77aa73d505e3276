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

/** So much is planed off without a thought: a board measured 20 gives a rim of 3/4 inch [mem]. */
const NEAR = mm(1.5);

/**
 * Boards and sheets that would give what is missing, as yards sell them: wide and long enough for every part of a material and
 * thickness; what is nearly as thick comes from the same boards, and thin strips from those there are most of. Most wood first.
 */
export function offersFor(missing: Missing[], units: Units): BoardStock[] {
  const yard = YARD[units];
  const next = (sizes: Length[], least: Length) => sizes.find((s) => s >= least) ?? least;
  const kinds: { offer: BoardStock; material: Material; area: number }[] = [];
  const thick = (m: Missing) => m.blank.material !== "wood" || m.needs.thickness >= AS_MEASURED;
  // Thick parts first and thickest first, so that what is thinner finds its boards there.
  const order = [...missing].sort(
    (a, b) => Number(thick(b)) - Number(thick(a)) || b.needs.thickness - a.needs.thickness,
  );
  for (const m of order) {
    const { material, quantity, length, width } = m.blank;
    const wood = material === "wood";
    const t = thick(m) ? m.needs.thickness : next(yard.thick, m.needs.thickness);
    const same = kinds.filter((k) => k.material === material).sort((a, b) => b.area - a.area);
    const found = thick(m)
      ? same.find(({ offer }) => offer.thickness === t || (wood && offer.thickness > t && offer.thickness - t <= NEAR))
      : same[0];
    const kind = found ?? {
      material,
      area: 0,
      offer: board({
        form: wood ? "board" : "sheet",
        material: material === "wood" ? "pine" : CALLED[material],
        thickness: t,
        width: wood ? yard.wide[0]! : yard.sheet[1],
        length: wood ? yard.long[0]! : yard.sheet[0],
      }),
    };
    if (!found) kinds.push(kind);
    kind.area += quantity * length * width;
    const { offer } = kind;
    if (m.needs.width > offer.width) offer.width = wood ? next(yard.wide, m.needs.width) : m.needs.width;
    if (m.needs.length > offer.length) offer.length = wood ? next(yard.long, m.needs.length) : m.needs.length;
  }
  return kinds.sort((a, b) => b.area - a.area).map((k) => k.offer);
}
