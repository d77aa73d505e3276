import { each, screws } from "../assembly";
import type { Recipe } from "../recipe";
import { FOR_BOX, RIM_NEEDS } from "../rims";
import { SHEET } from "../sheets";

/** A deck for four hives that a fork or a crane lifts. */
export const pallet: Recipe = {
  id: "pallet",
  name: "Four-hive pallet",
  called: ["hive pallet", "four way pallet"],
  family: "accessories",
  kind: "other",
  about: "A deck on three bearers that carries four hives, with clips that keep them from sliding.",
  needs: RIM_NEEDS,
  parameters: [
    { name: "deck", label: "Deck, thick", group: "Wood", kind: "length", default: SHEET.threeQuarters, min: "1/2*inch", max: "1.5*inch" },
    { name: "bearerHigh", label: "Bearers, high", group: "Wood", kind: "length", default: "3.5*inch", min: "2*inch", max: "6*inch" },
    { name: "bearerThick", label: "Bearers, thick", group: "Wood", kind: "length", default: "1.5*inch", min: "1*inch", max: "3*inch" },
    { name: "apart", label: "Between hives", group: "Size", kind: "length", default: "3*inch", min: "1*inch", max: "12*inch" },
    ...FOR_BOX,
  ],
  values: [
    { name: "deckLong", label: "deck, long", formula: "2 * bodyOutsideLength + apart", mark: "trade" },
    { name: "deckWide", label: "deck, wide", formula: "2 * bodyOutsideWidth + apart", mark: "trade" },
  ],
  parts: [
    { id: "deck", name: "Deck", role: "deck", material: "ply", length: "deckLong", width: "deckWide", thickness: "deck", features: [], places: [{ at: ["0", "0", "bearerHigh + deck"], l: "+x", w: "+y", t: "-z" }] },
    {
      id: "bearer",
      name: "Bearer",
      role: "bearer",
      length: "deckWide",
      width: "bearerHigh",
      thickness: "bearerThick",
      features: [],
      places: [{ at: ["0", "0", "bearerHigh"], l: "+y", w: "-z", t: "+x", times: "3", step: ["(deckLong - bearerThick) / 2", "0*inch", "0*inch"] }],
    },
  ],
  assembly: [
    {
      id: "assemble",
      name: "Screw the deck on its bearers",
      text: "Two bearers flush with the ends, one in the middle; screws every hand's breadth.",
      station: "bench",
      joins: ["deck", "bearer"],
      uses: [screws("18", "deck", "bearerHigh")],
      people: 2,
      setup: 6,
      each: 10,
      check: "does not rock",
      mistakes: ["lifted by one person when full; use a fork or a crane"],
      mark: "mem",
    },
    { id: "clips", name: "Screw the clips on", text: "Set four floors on it and mark the clips from them, two a hive.", station: "bench", uses: [each("hive clip", "8")], setup: 2, each: 5, mark: "mem" },
  ],
  stands: { as: "stand", height: "bearerHigh + deck", outside: ["deckLong", "deckWide"], under: "0*inch", over: "0*inch" },
  demands: [],
};
