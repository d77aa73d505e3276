import QRCode from "qrcode";

export type Doc = PDFKit.PDFDocument;
/** PDF points in a millimetre. */
export const MM = 72 / 25.4;

/** A QR code (ISO/IEC 18004) as black squares, so wide with its quiet zone. */
export function code(doc: Doc, text: string, x: number, y: number, wide: number): void {
  const { modules } = QRCode.create(text, { errorCorrectionLevel: "M" });
  const { size } = modules;
  const one = wide / (size + 8);
  for (let i = 0; i < size * size; i++)
    if (modules.get(Math.floor(i / size), i % size)) doc.rect(x + (4 + (i % size)) * one, y + (4 + Math.floor(i / size)) * one, one, one); // prettier-ignore
  doc.fill("black");
}

/** Labels on a sheet, across and down, and what stays free round them: the usual sheet of 24. */
const [ACROSS, DOWN] = [3, 8];
const [SIDE, TOP] = [7 * MM, 12 * MM];

/** Sheets of labels in the middle of the page: `draw` draws each where it is told to, so wide and so high. */
export function onSheets(doc: Doc, count: number, draw: (i: number, x: number, y: number, wide: number, high: number) => void): void {
  for (let i = 0; i < count; i++) {
    if (i % (ACROSS * DOWN) === 0) doc.addPage({ size: doc.options.size!, margin: 0 });
    const [wide, high] = [(doc.page.width - 2 * SIDE) / ACROSS, (doc.page.height - 2 * TOP) / DOWN];
    const n = i % (ACROSS * DOWN);
    draw(i, SIDE + (n % ACROSS) * wide + 3, TOP + Math.floor(n / ACROSS) * high + 3, wide - 6, high - 6);
  }
} // prettier-ignore
