/** @jest-environment node */
import jsQR from "jsqr";
import type { KeptPiece } from "@/core/book/book";
import { pieceLabelsPdf } from "./pieceLabels";
import { pagesOf } from "./tests/readBack";

const piece = (id: number, mark: string): KeptPiece => ({ id, mark, title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood: "pine", madeOn: "2027-02-20", measured: [] }); // prettier-ignore

/** What a scanner reads off a page: its squares, as another library finds them in the file, on white paper. */
async function scanned(pdf: Buffer): Promise<string[]> {
  const { getDocument, OPS } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  const page = await (await getDocument({ data: new Uint8Array(pdf), verbosity: 0 }).promise).getPage(1);
  const { fnArray, argsArray } = await page.getOperatorList();
  const seen: string[] = [];
  for (const [i, fn] of fnArray.entries()) {
    if (fn !== OPS.constructPath) continue;
    const [, [path]] = argsArray[i] as [number, [ArrayLike<number>]];
    const squares: [number, number, number, number][] = [];
    // Each square is a way round: move, three lines and closed, or as it was written, a corner and two sides.
    const all = Array.from(path);
    const points: [number, number][] = [];
    for (let k = 0; k < all.length;) {
      const op = all[k]!;
      if (op === 4) {
        const [xs, ys] = [points.map((p) => p[0]), points.map((p) => p[1])];
        squares.push([Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)]);
        points.length = 0;
        k += 1;
      } else {
        points.push([all[k + 1]!, all[k + 2]!]);
        k += 3;
      }
    }
    if (squares.length < 100) continue;
    const [x0, y0, x1, y1] = [0, 1, 2, 3].map((n) => (n < 2 ? Math.min : Math.max)(...squares.map((s) => s[n]!))) as [number, number, number, number]; // prettier-ignore
    const [scale, edge] = [6, 40];
    const [wide, high] = [x1 - x0, y1 - y0].map((n) => Math.ceil(n * scale) + 2 * edge) as [number, number];
    const pixels = new Uint8ClampedArray(wide * high * 4).fill(255);
    for (const [a, b, c, d] of squares)
      for (let y = Math.round((b - y0) * scale); y < Math.round((d - y0) * scale); y++)
        for (let x = Math.round((a - x0) * scale); x < Math.round((c - x0) * scale); x++)
          pixels.set([0, 0, 0], ((y + edge) * wide + x + edge) * 4);
    const read = jsQR(pixels, wide, high)?.data;
    if (read) seen.push(read);
  }
  return seen;
}

test("labels of pieces are read by a scanner's library, each its own mark; the words stand beside it", async () => {
  const marks = ["BW-27-0001", "BW-27-0002", "KH 1984 / old shed, third row"];
  const pdf = await pieceLabelsPdf(marks.map((m, i) => piece(i + 1, m)), "A4"); // prettier-ignore
  expect(await scanned(pdf)).toEqual(marks);
  const [text] = await pagesOf(pdf);
  expect(text).toContain("BW-27-0002");
  expect(text).toContain("Body, deep");
  // A sheet has 24: the 25th stands on the next.
  expect(await pagesOf(await pieceLabelsPdf(Array.from({ length: 25 }, (_, i) => piece(i, `BW-27-${i}`)), "Letter"))).toHaveLength(2); // prettier-ignore
});
