import { fromMinor } from "@/core/money/money";
import { type Given, totalsOf } from "@/core/quote/quote";
import type { Paper } from "./paper";
import { pricedPdf } from "./pricedPdf";

/** A quote as a table: what, how many, each, amount; then the sum, the tax and what is to pay. Amounts are bare numbers. */
export function quoteTable(given: Given): string[][] {
  const bare = (minor: number) => String(fromMinor(minor, given.currency));
  const { net, tax, total } = totalsOf(given.lines, given.tax);
  return [
    ["quantity", "item", "each", "amount"],
    ...given.lines.map((l) => [String(l.quantity), l.item, bare(l.each), bare(l.each * l.quantity)]),
    ["", "sum", "", bare(net)],
    ["", `tax ${given.tax} %`, "", bare(tax)],
    ["", `to pay${given.currency ? `, ${given.currency}` : ""}`, "", bare(total)],
  ];
}

/** A quote to hand over: items, not parts, and nothing of what they cost the shop. `no` is which revision it is, from 1. */
export function quotePdf(
  given: Given,
  no: number,
  about: { job: string; customer?: string | undefined },
  paper: Paper,
): Promise<Buffer> {
  const { net, tax, total } = totalsOf(given.lines, given.tax);
  return pricedPdf(
    {
      title: no === 1 ? "Quote" : `Quote, revision ${no}`,
      subject: about.job,
      about: [
        ...(about.customer ? [`For ${about.customer}`] : []),
        about.job,
        `Given on ${given.on}`,
        ...(given.until ? [`Valid until ${given.until}`] : []),
      ],
      currency: given.currency,
      lines: given.lines,
      sums: [
        ["Sum", net],
        [`Tax, ${given.tax} %`, tax],
        ["To pay", total],
      ],
      foot: "The tax is worked out on the sum and rounded to the nearest coin.",
      terms: given.terms,
    },
    paper,
  );
}
