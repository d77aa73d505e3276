import Fraction from "fraction.js";
import { z } from "zod";

/** An ISO 4217 code; null where prices are only numbers, with two decimals. */
export type Currency = string | null;

/** Whole cents, or whatever the smallest coin of the currency is: all sums are made of these. */
export type Minor = number;

/** What an hour costs the shop, what is laid on top of it, and what a customer pays in tax; null is not known yet. */
export interface Money {
  currency: Currency;
  /** For an hour of one person's work. */
  rate: number | null;
  /** Per cent on materials and work, for what no piece shows: rent, power, blades. */
  overhead: number;
  /** Per cent on what is sold. */
  tax: number;
}

export const USUAL_MONEY: Money = { currency: null, rate: null, overhead: 0, tax: 0 };

const CODES = new Set(Intl.supportedValuesOf("currency"));

export const moneySchema = z.strictObject({
  currency: z
    .string()
    .refine((code) => CODES.has(code), { error: 'wanted a currency by its three letters, like "EUR"' })
    .nullable(),
  rate: z.number().positive().max(1e6).nullable(),
  overhead: z.number().min(0).max(1000),
  tax: z.number().min(0).max(100),
});

const formats = new Map<Currency, Intl.NumberFormat>();
function formatOf(currency: Currency): Intl.NumberFormat {
  const known = formats.get(currency);
  if (known) return known;
  const made = new Intl.NumberFormat(
    "en-GB",
    currency
      ? { style: "currency", currency, currencyDisplay: "narrowSymbol" }
      : { minimumFractionDigits: 2, maximumFractionDigits: 2 },
  );
  formats.set(currency, made);
  return made;
}

/** Decimals a currency is counted in: 2 for most, 0 for yen, 3 for a Kuwaiti dinar (ISO 4217). */
export const digitsOf = (currency: Currency): number => formatOf(currency).resolvedOptions().maximumFractionDigits!;

/** Half away from zero, of a number as it is written: 1.005 with two decimals is 101, though its nearest double is below. */
export function toMinor(amount: number, currency: Currency): Minor {
  const [mantissa, exponent = "0"] = Math.abs(amount).toString().split("e");
  return (Math.sign(amount) * Math.round(Number(`${mantissa}e${Number(exponent) + digitsOf(currency)}`))) || 0; // prettier-ignore
}

export const fromMinor = (minor: Minor, currency: Currency): number => Number(`${minor}e${-digitsOf(currency)}`);

/** `£14.20`, `¥1,250`; `14.20` where no currency is said. */
export const moneyText = (amount: number, currency: Currency): string => formatOf(currency).format(amount);

/** So many per cent of an amount, exactly, then to a whole coin, half away from zero. */
export const percentOf = (minor: Minor, percent: number): Minor =>
  Math.sign(minor) * new Fraction(percent).mul(Math.abs(minor)).div(100).round().valueOf() || 0;

/**
 * An amount parted by weights into whole coins that add up to it, by the method of largest remainders: each gets the whole coins of its
 * share, and those left over go to the largest fractions. Equal shares where nothing weighs anything.
 */
export function shared(total: Minor, weights: number[]): Minor[] {
  const all = weights.reduce((s, w) => s + w, 0);
  const exact = weights.map((w) => (all > 0 ? (total * w) / all : total / weights.length));
  const parts = exact.map((x) => Math.floor(x));
  let left = total - parts.reduce((s, p) => s + p, 0);
  const byFraction = exact.map((x, i) => ({ i, fraction: x - parts[i]! })).sort((a, b) => b.fraction - a.fraction || a.i - b.i); // prettier-ignore
  for (const { i } of byFraction) if (left-- > 0) parts[i]! += 1;
  return parts;
}
