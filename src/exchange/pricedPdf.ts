import PDFDocument from "pdfkit";
import { type Currency, digitsOf, fromMinor, type Minor, moneyText } from "@/core/money/money";
import { finished, PAPER, type Paper, printable, PT } from "./paper";

/** With its sign where the page has a letter for it, otherwise with the currency's three letters. */
function amount({ currency }: Priced, minor: number): string {
  const text = moneyText(fromMinor(minor, currency), currency);
  return printable(text).includes("?") ? `${currency} ${fromMinor(minor, currency).toFixed(digitsOf(currency))}` : text;
}

const MARGIN = 54;

/** A page of priced lines: a quote, an order. Amounts in coins. */
interface Priced {
  title: string;
  /** What the file is about, in its properties. */
  subject: string;
  /** Lines under the title. */
  about: string[];
  currency: Currency;
  lines: { quantity: number; item: string; each: Minor }[];
  /** Under the lines; the last one stands out. */
  sums: [name: string, amount: Minor][];
  foot: string;
  terms?: string | undefined;
}

/** A table of what, how many, each and amount on as many pages as it takes, with its sums. */
export function pricedPdf(page: Priced, paper: Paper): Promise<Buffer> {
  const [width, height] = [PAPER[paper][0] * PT, PAPER[paper][1] * PT];
  const doc = new PDFDocument({
    size: [width, height],
    margin: MARGIN,
    info: { Title: `${page.title}: ${page.subject}` },
  });
  const done = finished(doc);
  const right = width - MARGIN;
  const columns = { quantity: MARGIN, item: MARGIN + 48, each: right - 160, amount: right - 76 };
  const money = (minor: number, x: number, y: number) => doc.text(amount(page, minor), x, y, { width: 76, align: "right", lineBreak: false }); // prettier-ignore
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
  doc.font("Helvetica-Bold").fontSize(18).text(printable(page.title), MARGIN, MARGIN);
  doc.font("Helvetica").fontSize(11).moveDown(0.5);
  for (const line of page.about) doc.text(printable(line));
  doc.moveDown(1.2);
  head();
  for (const l of page.lines) {
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
  doc.moveTo(MARGIN, doc.y).lineTo(right, doc.y).lineWidth(0.7).stroke().moveDown(0.4); // prettier-ignore
  for (const [i, [name, minor]] of page.sums.entries()) {
    const bold = i === page.sums.length - 1;
    const { y } = doc;
    doc.font(bold ? "Helvetica-Bold" : "Helvetica").text(name, columns.item, y, { lineBreak: false });
    money(minor, columns.amount, y);
    doc.y = y + 18;
  }
  doc.font("Helvetica").fontSize(9).moveDown(0.6);
  doc.text(printable(page.foot), MARGIN, doc.y, { width: right - MARGIN });
  if (page.terms) doc.moveDown(0.8).fontSize(10).text(page.terms.split(/\r?\n/).map(printable).join("\n"), { width: right - MARGIN }); // prettier-ignore
  doc.end();
  return done;
}
