import PDFDocument from "pdfkit";
import type { KeptPiece } from "@/core/book/book";
import { code, MM, onSheets } from "./labels";
import { finished, PAPER, type Paper, printable, PT } from "./paper";

/** Sheets of labels for pieces: each mark as a code a scanner reads and large enough to be read across a yard, what the piece is and when it was made. */
export function pieceLabelsPdf(pieces: KeptPiece[], paper: Paper): Promise<Buffer> {
  const doc = new PDFDocument({ size: [PAPER[paper][0] * PT, PAPER[paper][1] * PT], margin: 0, autoFirstPage: false, info: { Title: "Labels of pieces" } }); // prettier-ignore
  const done = finished(doc);
  const marked = pieces.filter((p) => p.mark !== undefined);
  onSheets(doc, marked.length, (i, x, y, wide, high) => {
    const { mark, title, madeOn, wood } = marked[i]!;
    const square = Math.min(high, 26 * MM);
    code(doc, mark!, x, y, square);
    const [left, room] = [x + square + 3, wide - square - 6];
    doc.font("Helvetica-Bold").fontSize(14);
    // What is too long for the label is written smaller.
    doc.fontSize(Math.min(14, (14 * room) / doc.widthOfString(printable(mark!))));
    doc.text(printable(mark!), left, y + 8, { lineBreak: false });
    doc
      .font("Helvetica")
      .fontSize(8)
      .text(printable(title), left, y + 30, { width: room, height: 20, ellipsis: true });
    doc.text(printable(`${madeOn.slice(0, 4)}${wood ? `, ${wood}` : ""}`), left, y + 52, { width: room, height: 10, ellipsis: true }); // prettier-ignore
  });
  doc.end();
  return done;
}
