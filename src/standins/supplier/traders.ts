import { inch, mm } from "@/core/length/length";
import type { Listed } from "@/core/purchase/pricelist";
import type { Thing } from "@/core/purchase/thing";
import type { About } from "./trader";

type Sizes = [thickness: [number, number, number] | number, width: [number, number, number] | number, length: number];
const inches = (of: [number, number, number] | number) => (typeof of === "number" ? inch(of) : inch(...of));

/** A board or sheet in inches. */
const wood = (form: "board" | "sheet", material: string, [t, w, l]: Sizes): Thing => ({ form, material, thickness: inches(t), width: inches(w), length: inch(l) }); // prettier-ignore
const metric = (form: "board" | "sheet", material: string, t: number, w: number, l: number): Thing => ({ form, material, thickness: mm(t), width: mm(w), length: mm(l) }); // prettier-ignore
const packs = (material: string): Thing => ({ form: "pack", material });

/** A row of a price list: what, what is in a pack, its price, and what else is said. */
const listed = (rows: [thing: Thing, pack: number, price: number, more?: Partial<Pick<Listed, "breaks" | "available">>][]): Listed[] => // prettier-ignore
  rows.map(([thing, pack, price, more], i) => ({ id: `p${i + 1}`, thing, pack, price, breaks: [], available: null, ...more })); // prettier-ignore

const THREE_QUARTERS: [number, number, number] = [0, 3, 4];
const PINE_WIDE = wood("board", "pine", [THREE_QUARTERS, [11, 1, 4], 96]);
const PINE_NARROW = wood("board", "pine", [THREE_QUARTERS, [7, 1, 4], 96]);
const PINE_THICK = wood("board", "pine", [[1, 1, 2], [5, 1, 2], 96]);
const PINE_SLIM = wood("board", "pine", [[1, 1, 2], [3, 1, 2], 96]);

/** Three suppliers of the made-up district of Brackwater: a timber yard, a shop for beekeepers, a merchant for fasteners. */
export const TRADERS: About[] = [
  {
    at: "saltmarsh-timber",
    list: {
      name: "Saltmarsh timber yard",
      currency: "GBP",
      delivery: 35,
      minimum: 60,
      freeFrom: 900,
      leadDays: 6,
      offers: listed([
        [PINE_WIDE, 1, 13.9, { breaks: [{ from: 50, price: 12.8 }] }],
        [PINE_NARROW, 1, 8.4, { breaks: [{ from: 50, price: 7.9 }] }],
        [PINE_THICK, 1, 9.6],
        [PINE_SLIM, 1, 6.2],
        [wood("sheet", "birch ply", [[0, 1, 2], 48, 96]), 1, 50.5, { available: 3 }],
        [wood("sheet", "birch ply", [[0, 1, 4], 48, 96]), 1, 30.2],
        [wood("sheet", "birch ply", [[0, 3, 8], 48, 96]), 1, 43],
        [wood("sheet", "birch ply", [[0, 1, 8], 48, 96]), 1, 22.5],
        [metric("board", "spruce", 18, 200, 2400), 1, 11.2],
        [metric("board", "spruce", 27, 145, 2400), 1, 8.9],
        [metric("board", "spruce", 44, 145, 2400), 1, 15, { available: 6 }],
        [metric("board", "larch", 19, 240, 3000), 1, 14.6],
        [metric("board", "larch", 25, 150, 3000), 1, 11],
        [wood("board", "larch", [THREE_QUARTERS, [11, 1, 4], 144]), 1, 21],
        [wood("board", "larch", [THREE_QUARTERS, 14, 96]), 1, 25.4],
      ]),
    },
    splits: 4,
    changes: [{ after: 1, offer: "p2", percent: 7 }],
  },
  {
    at: "reedbank-hive-goods",
    list: {
      name: "Reedbank hive goods",
      currency: "GBP",
      delivery: 9.5,
      minimum: 0,
      freeFrom: 250,
      leadDays: 3,
      offers: listed([
        [packs("foundation, plastic"), 50, 60.5, { breaks: [{ from: 10, price: 57 }] }],
        [packs("foundation, wired wax"), 10, 15.2, { available: 12 }],
        [packs("frame runner"), 10, 7.2],
        [packs("entrance disc"), 10, 6.3],
        [packs("excluder sheet"), 1, 7.2, { available: 4 }],
        [packs("frame nail, 1 1/4"), 2500, 22.4],
        [packs("frame nail, 30 mm"), 1000, 9.3],
        [packs("brad, 20 mm"), 1000, 5.4],
        [packs("support pin"), 250, 3.2],
        [packs("waterproof wood glue"), 750, 12.6],
        [wood("sheet", "steel mesh, 8 to the inch", [[0, 1, 32], 36, 600]), 1, 62],
        [wood("sheet", "zinc sheet", [[0, 1, 64], 36, 96]), 1, 37],
        [wood("sheet", "fluted plastic", [[0, 1, 8], 48, 96]), 1, 18.5],
      ]),
    },
    changes: [{ after: 1, offer: "p1", percent: 6 }],
  },
  {
    at: "quay-fixings",
    list: {
      name: "Quay fixings",
      currency: "GBP",
      delivery: 6,
      minimum: 20,
      freeFrom: 120,
      leadDays: 2,
      offers: listed([
        [packs("exterior screw, no. 8 × 2 1/4"), 200, 15.9],
        [packs("exterior screw, no. 8 × 2 1/4"), 1000, 62, { breaks: [{ from: 3, price: 58 }] }],
        [packs("exterior screw, no. 8 × 2"), 500, 30],
        [packs("exterior screw, no. 6 × 1 1/4"), 500, 18.4],
        [packs("exterior screw, no. 6 × 1 5/8"), 500, 21],
        [packs("exterior screw, no. 6 × 1"), 500, 14.2],
        [packs("exterior screw, no. 8 × 1 1/4"), 200, 9.5],
        [packs("exterior screw, 4.5 × 60"), 200, 12.4],
        [packs("exterior screw, 4.5 × 50"), 100, 7],
        [packs("exterior screw, 3.5 × 40"), 200, 8.3],
        [packs("frame nail, 1 1/4"), 2500, 20.6],
        [packs("frame nail, 30 mm"), 1000, 8.7],
        [packs("runner nail, 20 mm"), 500, 4],
        [packs("brad, 20 mm"), 1000, 5.1],
        [packs("brad, 3/4"), 2000, 8.8],
        [packs("staple, 3/8"), 5000, 11.6],
        [packs("waterproof wood glue"), 750, 11.5],
      ]),
    },
    changes: [],
  },
];
