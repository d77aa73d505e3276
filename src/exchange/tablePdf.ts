import PDFDocument from "pdfkit";
import { finished, PAPER, type Paper, printable, PT } from "./paper";

const [MARGIN, GAP, SIZE] = [40, 6, 9];

/** A table under a title, lying across where it has many columns; its first line is its head and comes again on each page. */
export function tablePdf(
  { title, about, table, foot }: { title: string; about: string[]; table: string[][]; foot: string },
  paper: Paper,
): Promise<Buffer> {
  const [head = [], ...body] = table;
  const [narrow, long] = [PAPER[paper][0] * PT, PAPER[paper][1] * PT];
  const [width, height] = head.length > 4 ? [long, narrow] : [narrow, long];
  const doc = new PDFDocument({ size: [width, height], margin: MARGIN, info: { Title: title } });
  const done = finished(doc);
  const first = Math.min(170, (width - 2 * MARGIN) / 3);
  const each = (width - 2 * MARGIN - first) / Math.max(1, head.length - 1);
  const x = (i: number) => MARGIN + (i === 0 ? 0 : first + (i - 1) * each);
  const wide = (i: number) => (i === 0 ? first : each) - GAP;
  const line = (cells: string[], font: string) => {
    doc.font(font).fontSize(SIZE);
    const tall = Math.max(...cells.map((c, i) => doc.heightOfString(printable(c) || " ", { width: wide(i) }))) + GAP;
    if (doc.y + tall > height - MARGIN) {
      doc.addPage();
      doc.y = MARGIN;
      if (cells !== head) line(head, "Helvetica-Bold");
      doc.font(font).fontSize(SIZE);
    }
    const { y } = doc;
    for (const [i, cell] of cells.entries()) doc.text(printable(cell), x(i), y, { width: wide(i) });
    doc.moveTo(MARGIN, y + tall - 3).lineTo(width - MARGIN, y + tall - 3).lineWidth(0.4).stroke(); // prettier-ignore
    doc.y = y + tall;
  };
  doc.font("Helvetica-Bold").fontSize(18).text(printable(title), MARGIN, MARGIN);
  doc.font("Helvetica").fontSize(11).moveDown(0.3);
  for (const said of about) doc.text(printable(said));
  doc.moveDown(0.8);
  line(head, "Helvetica-Bold");
  for (const cells of body) line(cells, "Helvetica");
  doc
    .font("Helvetica")
    .fontSize(8)
    .text(printable(foot), MARGIN, doc.y + 8, { width: width - 2 * MARGIN });
  doc.end();
  return done;
}
