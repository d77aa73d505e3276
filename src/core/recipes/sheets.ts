/**
 * Ply as it is sold where a standard is at home: 3, 6, 12, 18 mm, or the parts of an inch nearest to them. What the sheet in hand
 * measures is asked for on the item.
 */
const sheet = (mm: number, inches: string) => `metric ? ${mm}*mm : ${inches}*inch`;
export const SHEET = {
  eighth: sheet(3, "1/8"),
  quarter: sheet(6, "1/4"),
  half: sheet(12, "1/2"),
  threeQuarters: sheet(18, "3/4"),
};
