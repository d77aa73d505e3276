import type { StockOffered } from "@/core/catalogue/catalogue";
import type { Units } from "@/core/length/length";
import { readPrice } from "@/core/money/read";
import type { Lot } from "./lot";
import { readSaid, type Said } from "./said";
import type { Read } from "./table";

/** `pine 3/4 x 11 1/4 x 8', 14.20 each`; `200 frame nail, 6.50 a pack`: something that can be bought, and for how much. */
export function readPriced(line: string, units: Units): Said & { price?: number | null } {
  const found = /^(.*?)[,;]?\s+(?:at\s+|for\s+)?(\S*\d[\d.,]*\S*)\s*(?:each|a pack|a board|a sheet|a roll)$/i.exec(
    line.trim(),
  );
  const priced = found ? readPrice(found[2]!) : { price: null };
  if ("problem" in priced) return priced;
  const said = readSaid(found?.[1] ?? line, units);
  return "problem" in said ? said : { ...said, ...priced };
}

/** What lies in a yard like this, as it is sold: of a pack what is in it counts, of all else how many there are says nothing. */
export function sold({ lot, count, price = null }: { lot: Lot; count: number; price?: number | null }): StockOffered {
  if (lot.form === "pack") return { form: "pack", material: lot.material, pack: count, price };
  const { form, material, thickness, width, length, rough } = lot;
  return { form, material, thickness, width, length, price, ...(rough ? { rough } : {}) };
}

/** The rows of a price list that can be read, as offers. */
export const offersOf = (read: Read): StockOffered[] => read.rows.flatMap((r) => ("lot" in r ? [sold(r)] : []));
