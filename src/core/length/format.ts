import { type Length, NM_PER_64TH, type Units } from "./length";

/** A length read off an inch tape: whole inches and a reduced fraction, `exact` when it lies on a 64th. */
export interface InchParts {
  negative: boolean;
  whole: number;
  num: number;
  den: number;
  exact: boolean;
}

/** Splits a length for a stacked fraction, to the nearest 1/64 (halves away from zero). */
export function inchParts(length: Length): InchParts {
  const size = Math.abs(length);
  const sixtyFourths = Math.floor((size * 2 + NM_PER_64TH) / (2 * NM_PER_64TH));
  let num = sixtyFourths % 64;
  let den = 64;
  while (num > 0 && num % 2 === 0) [num, den] = [num / 2, den / 2];
  return {
    negative: length < 0 && sixtyFourths > 0,
    whole: Math.floor(sixtyFourths / 64),
    num,
    den: num === 0 ? 1 : den,
    exact: size % NM_PER_64TH === 0,
  };
}

/** `19 7/8`, `5/16`, `-1/16`; a leading ≈ when the length does not lie on a 64th. */
export function inchText(length: Length): string {
  const { negative, whole, num, den, exact } = inchParts(length);
  const size = num === 0 ? `${whole}` : whole === 0 ? `${num}/${den}` : `${whole} ${num}/${den}`;
  return `${exact ? "" : "≈"}${negative ? "-" : ""}${size}`;
}

/** Millimetres rounded half away from zero to `places` decimals. */
export function toMm(length: Length, places = 3): number {
  const step = 10 ** (6 - places);
  const size = Math.floor((Math.abs(length) * 2 + step) / (2 * step));
  return size === 0 ? 0 : (Math.sign(length) * size) / 10 ** places;
}

/** `485.8`, `225`: millimetres to 0.1, without a unit mark. */
export function mmText(length: Length): string {
  return String(toMm(length, 1));
}

/** The length as the job's units show it, without a unit mark. */
export function lengthText(length: Length, units: Units): string {
  return units === "in" ? inchText(length) : mmText(length);
}

/** The length with its unit, for prose: `3/16"`, `4.8 mm`. */
export function lengthWithUnit(length: Length, units: Units): string {
  return units === "in" ? `${inchText(length)}"` : `${mmText(length)} mm`;
}

/**
 * The length as text that reads back to the very same nanometre: a fraction with its mark when it lies on a 64th,
 * otherwise millimetres; in mm, inches only where three decimals would not do. Used in files and in fields a person types in.
 */
export function exactText(length: Length, units: Units): string {
  const mm = `${length / 1_000_000}`;
  if (units === "mm") return length % 1000 === 0 || !inchParts(length).exact ? mm : `${inchText(length)}"`;
  return inchParts(length).exact ? inchText(length) : `${mm} mm`;
}
