import { fromMinor } from "@/core/money/money";
import type { Units } from "@/core/length/length";
import { costOfPurchase, itemText, priceText, type Purchase } from "@/core/purchase/purchase";
import type { Paper } from "./paper";
import { pricedPdf } from "./pricedPdf";
import { oneLine } from "./text";

/** The day it was sent, or drawn up. */
const dayOf = (p: Purchase): string => (p.sent?.at ?? p.drawnUp).slice(0, 10);

/** An order as a table: how many packs of what, each, amount; then delivery and the total. Amounts are bare numbers. */
export function purchaseTable(p: Purchase, units: Units): string[][] {
  const bare = (minor: number) => String(fromMinor(minor, p.currency));
  const { delivery, total } = costOfPurchase(p);
  return [
    ["packs", "what", "each", "amount"],
    ...p.lines.map((l) => [String(l.packs), itemText(l, units), bare(l.price), bare(l.price * l.packs)]),
    ["", "delivery", "", bare(delivery)],
    ["", `total${p.currency ? `, ${p.currency}` : ""}`, "", bare(total)],
  ];
}

/** An order to print, or to put into an envelope. */
export function purchasePdf(p: Purchase, no: number, units: Units, paper: Paper): Promise<Buffer> {
  const { goods, delivery, total } = costOfPurchase(p);
  return pricedPdf(
    {
      title: `Order ${no}`,
      subject: p.name,
      about: [`To ${p.name}`, `Of ${dayOf(p)}`, `Our number ${p.key}`, ...(p.answer ? [`Your number ${p.answer.reference}`] : [])], // prettier-ignore
      currency: p.currency,
      lines: p.lines.map((l) => ({ quantity: l.packs, item: itemText(l, units), each: l.price })),
      sums: [
        ["Goods", goods],
        ["Delivery", delivery],
        ["Total", total],
      ],
      foot: "At the prices of the day it was drawn up. Please confirm what comes, and when.",
    },
    paper,
  );
}

/** An order as plain text: to send, or to read out on the telephone. */
export function purchaseText(p: Purchase, no: number, units: Units): string {
  const { delivery, total } = costOfPurchase(p);
  return [
    `Order ${no} to ${oneLine(p.name)}, ${dayOf(p)}`,
    `Our number: ${p.key}`,
    "",
    ...p.lines.map((l) => `${l.packs} × ${oneLine(itemText(l, units))}, ${priceText(l.price, p.currency)} each`),
    "",
    `Delivery ${priceText(delivery, p.currency)}, together ${priceText(total, p.currency)}.`,
    "Please confirm what comes, and when.",
    "",
  ].join("\n");
}
