import PDFDocument from "pdfkit";
import { spread } from "@/core/drawing/spread";
import { lengthWithUnit } from "@/core/length/format";
import { NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import { checkLength, OVERLAP, type Stick, stickPages } from "@/core/drawing/stick";
import { finished, PAPER, type Paper, PT } from "./paper";

const MARGIN = 15 * NM_PER_MM;
/** Labels stand so far from one another, points. */
const LABEL = 12;
/** How much of a page is for the stick. */
export const roomOn = (paper: Paper) => PAPER[paper][1] - 2 * MARGIN - 25 * NM_PER_MM;

/**
 * The story stick at true size over as many pages as it wants, with joining marks where pages overlap and a check
 * length on every page: if that does not measure, the printer has scaled.
 */
export function stickPdf(stick: Stick, units: Units, paper: Paper, job: string): Promise<Buffer> {
  const doc = new PDFDocument({
    size: [PAPER[paper][0] * PT, PAPER[paper][1] * PT],
    margin: 0,
    autoFirstPage: false,
    info: { Title: `Story stick: ${stick.title}` },
  });
  const done = finished(doc);
  drawStick(doc, stick, units, paper, job);
  doc.end();
  return done;
}

/** Draws the stick on pages of its own. */
export function drawStick(doc: PDFKit.PDFDocument, stick: Stick, units: Units, paper: Paper, job: string): void {
  const pages = stickPages(stick.length, roomOn(paper));
  pages.forEach((page, i) => {
    doc.addPage().font("Helvetica");
    const left = (MARGIN + 20 * NM_PER_MM) * PT;
    const top = (MARGIN + 25 * NM_PER_MM) * PT;
    const y = (at: number) => top + (at - page.from) * PT;
    const width = 18 * NM_PER_MM * PT;
    doc
      .fontSize(11)
      .fillColor("black")
      .text(`Story stick: ${stick.title}. ${job}. Page ${i + 1} of ${pages.length}`, MARGIN * PT, MARGIN * PT, {
        lineBreak: false,
      });
    checkBar(doc, units, MARGIN * PT, (MARGIN + 9 * NM_PER_MM) * PT);
    doc
      .lineWidth(0.7)
      .rect(left, y(page.from), width, (page.to - page.from) * PT)
      .stroke();
    ticks(doc, units, page, left, y);
    const marks = stick.marks.filter((m) => m.at >= page.from && m.at <= page.to);
    const labels = spread(marks.map((m) => y(m.at)), LABEL, top); // prettier-ignore
    for (const [k, m] of marks.entries()) {
      doc
        .lineWidth(1)
        .moveTo(left, y(m.at))
        .lineTo(left + width + 14, y(m.at))
        .stroke();
      const text = left + width + 30;
      doc
        .lineWidth(0.4)
        .moveTo(left + width + 14, y(m.at))
        .lineTo(text - 3, labels[k]!)
        .stroke();
      const room = doc.page.width - MARGIN * PT - text;
      doc.fontSize(9).text(`${lengthWithUnit(m.at, units)}  ${m.label}`, text, labels[k]! - 4, { width: room, height: 11, ellipsis: true }); // prettier-ignore
    }
    const join = (at: number, text: string) => {
      doc
        .dash(3, { space: 2 })
        .lineWidth(0.5)
        .moveTo(left - 30, y(at))
        .lineTo(left + width + 60, y(at))
        .stroke()
        .undash();
      doc.fontSize(8).text(text, left - 44, y(at) - 9, { lineBreak: false });
    };
    if (i > 0) join(page.from + OVERLAP / 2, `join ${i}`);
    if (i < pages.length - 1) join(page.to - OVERLAP / 2, `join ${i + 1}`);
  });
}

/** A bar of known length with its ends ticked. */
function checkBar(doc: PDFKit.PDFDocument, units: Units, x: number, y: number): void {
  const length = checkLength(units);
  doc
    .lineWidth(0.8)
    .moveTo(x, y)
    .lineTo(x + length * PT, y)
    .stroke();
  for (const end of [x, x + length * PT])
    doc
      .moveTo(end, y - 5)
      .lineTo(end, y + 5)
      .stroke();
  doc
    .fontSize(8)
    .text(`This bar must measure ${lengthWithUnit(length, units)}. If it does not, print again at 100 %.`, x, y + 7, {
      lineBreak: false,
    });
}

function ticks(
  doc: PDFKit.PDFDocument,
  units: Units,
  page: { from: number; to: number },
  left: number,
  y: (at: number) => number,
): void {
  const step = units === "in" ? NM_PER_INCH / 16 : NM_PER_MM;
  const size = (n: number) =>
    (units === "in"
      ? n % 16 === 0
        ? 8
        : n % 8 === 0
          ? 6
          : n % 4 === 0
            ? 4.5
            : 2.5
      : n % 10 === 0
        ? 8
        : n % 5 === 0
          ? 5
          : 2.5) *
    NM_PER_MM *
    PT *
    0.7;
  doc.lineWidth(0.3);
  for (let n = Math.ceil(page.from / step); n * step <= page.to; n++)
    doc
      .moveTo(left, y(n * step))
      .lineTo(left + size(n), y(n * step))
      .stroke();
}
