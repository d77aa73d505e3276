import PDFDocument from "pdfkit";
import { NM_PER_MM } from "@/core/length/length";
import { finished, PAPER, type Paper, printable, PT } from "./paper";

/** Helvetica Bold's capitals and figures are so much of its size high (its AFM: CapHeight 718). */
const CAPITAL = 0.718;
const MARGIN = 40;
/** The check line, mm. */
const CHECK = 100;

/** A mark at true size: letters so many mm high, on a line that is measured to prove the printer did not scale; lying across where it is long. */
export function brandPdf(mark: string, high: number, paper: Paper): Promise<Buffer> {
  const mm = (n: number) => n * NM_PER_MM * PT;
  const [narrow, long] = [PAPER[paper][0] * PT, PAPER[paper][1] * PT];
  const doc = new PDFDocument({ size: [long, narrow], margin: MARGIN, info: { Title: `Mark ${printable(mark)}` } });
  const done = finished(doc);
  const size = mm(high) / CAPITAL;
  doc.font("Helvetica-Bold").fontSize(size);
  const text = printable(mark);
  // What does not fit in a line goes on in the next, between its parts.
  const lines: string[] = [];
  for (const part of text.split(/(?<=-)/)) {
    const last = lines.at(-1);
    if (last !== undefined && doc.widthOfString(last + part) <= long - 2 * MARGIN)
      lines[lines.length - 1] = last + part;
    else lines.push(part);
  }
  let y = MARGIN + 40;
  for (const line of lines) {
    doc.text(line, MARGIN, y, { lineBreak: false });
    y += size * 1.1;
  }
  doc.font("Helvetica").fontSize(10);
  doc.text(`Letters ${high} mm high. Measure the line: it is ${CHECK} mm, or the printer has scaled it.`, MARGIN, MARGIN, { lineBreak: false }); // prettier-ignore
  doc.moveTo(MARGIN, MARGIN + 22).lineTo(MARGIN + mm(CHECK), MARGIN + 22).lineWidth(0.8).stroke(); // prettier-ignore
  doc.text("A hot iron burns: gloves, dry wood, water at hand; follow its maker's manual and local rules. Stencil: let paint dry before the box goes out.", MARGIN, narrow - MARGIN - 14, { lineBreak: false }); // prettier-ignore
  doc.end();
  return done;
}
