/**
 * A length is a whole number of nanometres: 1/64" is 396 875 nm and 1 mm is 1 000 000 nm, so both of the trade's
 * systems are exact and nothing is ever added up in floating inches.
 */
declare const unit: unique symbol;

/** A distance in whole nanometres. */
export type Length = number & { readonly [unit]: "nm" };

/** The system a maker reads a tape in. */
export type Units = "in" | "mm";

export const NM_PER_MM = 1_000_000;
export const NM_PER_INCH = 25_400_000;
export const NM_PER_64TH = 396_875;

/** The longest length accepted anywhere: no board, hive or workshop in this trade is longer than 100 m. */
export const LONGEST = 100_000 * NM_PER_MM;

/** Makes a length of a whole number of nanometres; throws RangeError when it is not whole or not safe. */
export function nm(value: number): Length {
  if (!Number.isSafeInteger(value)) throw new RangeError(`a length is a whole number of nanometres, read ${value}`);
  return (value === 0 ? 0 : value) as Length;
}

/** A length of `value` millimetres, rounded to the nanometre: `mm(22.5)`. */
export function mm(value: number): Length {
  return nm(roundHalfAway(value * NM_PER_MM));
}

/** A length of `whole` + `num`/`den` inches: `inch(19, 7, 8)` is 19 7/8". */
export function inch(whole: number, num = 0, den = 1): Length {
  return nm(roundHalfAway(((whole * den + num) * NM_PER_INCH) / den));
}

/** Rounds to a whole number, halves away from zero, as a person rounds on paper. */
export function roundHalfAway(value: number): number {
  return Math.sign(value) * Math.round(Math.abs(value));
}
