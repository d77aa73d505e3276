/** Sugar syrup by weight: `1:1` has as much water as sugar, `2:1` half as much. */
export const SYRUPS = { "1:1": 1, "2:1": 2 } as const;
export type Syrup = keyof typeof SYRUPS;

/** Density of sugar in water at 20 °C by parts of sugar in a hundred by weight, kg a litre (NBS Circular 440, from memory). */
const DENSITY: [brix: number, density: number][] = [
  [0, 0.99823],
  [10, 1.0381],
  [20, 1.08096],
  [30, 1.12698],
  [40, 1.17645],
  [50, 1.22957],
  [60, 1.28646],
  [65, 1.31633],
  [70, 1.34717],
  [75, 1.37897],
];

/** kg of a litre of syrup with so many parts of sugar in a hundred, by the table's three nearest (Lagrange). @throws RangeError outside it */
export function syrupDensity(brix: number): number {
  if (!(brix >= 0 && brix <= 75)) throw new RangeError(`read ${brix} parts of sugar in a hundred; wanted 0 to 75`);
  const next = Math.max(
    1,
    Math.min(
      DENSITY.length - 2,
      DENSITY.findIndex(([b]) => b >= brix),
    ),
  );
  const near = DENSITY.slice(next - 1, next + 2);
  return near.reduce((sum, [x, y], i) => sum + near.reduce((p, [other], k) => (k === i ? p : (p * (brix - other)) / (x - other)), y), 0); // prettier-ignore
}

/** How a litre of syrup and the sugar in it stand to each other. */
export interface Mixed {
  sugarKg: number;
  waterKg: number;
  litres: number;
}

/** What so much sugar makes. */
export function fromSugar(sugarKg: number, syrup: Syrup): Mixed {
  const waterKg = sugarKg / SYRUPS[syrup];
  return { sugarKg, waterKg, litres: (sugarKg + waterKg) / syrupDensity((100 * sugarKg) / (sugarKg + waterKg)) };
}

/** What so many litres of syrup want. */
export function fromLitres(litres: number, syrup: Syrup): Mixed {
  const of = fromSugar(1, syrup);
  return { sugarKg: litres / of.litres, waterKg: (litres * of.waterKg) / of.litres, litres };
}

/** What feeding so many hives so much sugar each comes to. */
export interface Feeding extends Mixed {
  hives: number;
  /** Fills of a hive's feeder, and how long one lasts a strong young colony, hours. */
  fills: number;
  hoursAFill: number;
}

/** A strong young colony takes a US gallon in about 15 hours [trade]. */
const GALLON = 3.785411784;
const HOURS_A_GALLON = 15;

/** Sugar, water and litres for all hives, and how often each feeder is filled. */
export function feeding(hives: number, sugarEachKg: number, feederLitres: number, syrup: Syrup): Feeding {
  const all = fromSugar(hives * sugarEachKg, syrup);
  return { ...all, hives, fills: Math.ceil(all.litres / hives / feederLitres - 1e-9), hoursAFill: (feederLitres / GALLON) * HOURS_A_GALLON }; // prettier-ignore
}

/** Bees eat about 8 lb of honey to make a pound of wax, the usual saying [trade]. */
const HONEY_FOR_WAX = 8;
/** Honey that so much wax takes, kg. */
export const honeyForWax = (waxKg: number): number => waxKg * HONEY_FOR_WAX;
