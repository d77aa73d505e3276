import PDFDocument from "pdfkit";
import { digitsOf, fromMinor, moneyText } from "@/core/money/money";
import { type Given, totalsOf } from "@/core/quote/quote";
import { PAPER, type Paper, PT } from "./paper";
import { oneLine } from "./text";

/** With its sign where the page has a letter for it, otherwise with the currency's three letters. */
function amount({ currency }: Given, minor: number): string {
  const text = moneyText(fromMinor(minor, currency), currency);
  return printable(text).includes("?") ? `${currency} ${fromMinor(minor, currency).toFixed(digitsOf(currency))}` : text;
}

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

const MARGIN = 54;

/** A quote to hand over: items, not parts, and nothing of what they cost the shop. `no` is which revision it is, from 1. */
export function quotePdf(
  given: Given,
  no: number,
  about: { job: string; customer?: string | undefined },
  paper: Paper,
): Promise<Buffer> {
  const [width, height] = [PAPER[paper][0] * PT, PAPER[paper][1] * PT];
  const doc = new PDFDocument({ size: [width, height], margin: MARGIN, info: { Title: `Quote ${no}: ${about.job}` } });
  const done = new Promise<Buffer>((resolve, reject) => {
    const chunks: Buffer[] = [];
    doc.on("data", (c: Buffer) => chunks.push(c)).on("end", () => resolve(Buffer.concat(chunks))).on("error", reject); // prettier-ignore
  });
  const right = width - MARGIN;
  const columns = { quantity: MARGIN, item: MARGIN + 48, each: right - 160, amount: right - 76 };
  const money = (minor: number, x: number, y: number) => doc.text(amount(given, minor), x, y, { width: 76, align: "right", lineBreak: false }); // prettier-ignore
  const head = () => {
    const { y } = doc;
    doc.font("Helvetica-Bold").fontSize(9);
    doc.text("quantity", columns.quantity, y, { lineBreak: false }).text("item", columns.item, y, { lineBreak: false });
    doc.text("each", columns.each, y, { width: 76, align: "right", lineBreak: false });
    doc.text("amount", columns.amount, y, { width: 76, align: "right", lineBreak: false });
    doc.moveTo(MARGIN, y + 14).lineTo(right, y + 14).lineWidth(0.7).stroke(); // prettier-ignore
    doc.font("Helvetica").fontSize(10).y = y + 20;
  };
  const room = (points: number) => {
    if (doc.y + points <= height - MARGIN) return;
    doc.addPage();
    head();
  };
  doc
    .font("Helvetica-Bold")
    .fontSize(18)
    .text(no === 1 ? "Quote" : `Quote, revision ${no}`, MARGIN, MARGIN);
  doc.font("Helvetica").fontSize(11).moveDown(0.5);
  if (about.customer) doc.text(printable(`For ${about.customer}`));
  doc.text(printable(about.job)).text(`Given on ${given.on}`);
  if (given.until) doc.text(`Valid until ${given.until}`);
  doc.moveDown(1.2);
  head();
  for (const l of given.lines) {
    const item = printable(l.item);
    const tall = doc.heightOfString(item, { width: columns.each - columns.item - 12 });
    room(tall + 6);
    const { y } = doc;
    doc.text(String(l.quantity), columns.quantity, y, { width: 40, lineBreak: false });
    doc.text(item, columns.item, y, { width: columns.each - columns.item - 12 });
    money(l.each, columns.each, y);
    money(l.each * l.quantity, columns.amount, y);
    doc.y = y + tall + 6;
  }
  room(80);
  const { net, tax, total } = totalsOf(given.lines, given.tax);
  doc.moveTo(MARGIN, doc.y).lineTo(right, doc.y).lineWidth(0.7).stroke().moveDown(0.4); // prettier-ignore
  for (const [name, minor, bold] of [
    ["Sum", net, false],
    [`Tax, ${given.tax} %`, tax, false],
    ["To pay", total, true],
  ] as const) {
    const { y } = doc;
    doc.font(bold ? "Helvetica-Bold" : "Helvetica").text(name, columns.item, y, { lineBreak: false });
    money(minor, columns.amount, y);
    doc.y = y + 18;
  }
  doc.font("Helvetica").fontSize(9).moveDown(0.6);
  doc.text("The tax is worked out on the sum and rounded to the nearest coin.", MARGIN, doc.y, {
    width: right - MARGIN,
  });
  if (given.terms) doc.moveDown(0.8).fontSize(10).text(given.terms.split(/\r?\n/).map(printable).join("\n"), { width: right - MARGIN }); // prettier-ignore
  doc.end();
  return done;
}

/** What the letters of the page can write; a currency's sign they do not have is its three letters already. */
const printable = (text: string): string =>
  oneLine(text)
    .replace(/\u00a0/g, " ")
    .replace(/[^\x20-\xff€–—‘’“”•…]/g, "?");
