/** @jest-environment node */
import { brandPdf } from "./brandPdf";

test("a mark is printed at true size with a line to measure, read back by another library", async () => {
  const { getDocument, OPS } = await import("pdfjs-dist/legacy/build/pdf.mjs");
  for (const high of [12, 25]) {
    const pdf = await getDocument({ data: new Uint8Array(await brandPdf("BW-27-0123", high, "A4")) }).promise;
    const page = await pdf.getPage(1);
    const { items } = await page.getTextContent();
    const letters = (items as { str: string; height: number; width: number }[]).filter((i) => /^[A-Z0-9-]{2,}$/.test(i.str)); // prettier-ignore
    expect(letters.map((i) => i.str).join("")).toBe("BW-27-0123");
    // Capitals of Helvetica Bold are 718 thousandths of its size (its AFM); a point is 25.4 / 72 mm.
    for (const i of letters) expect((i.height * 0.718 * 25.4) / 72).toBeCloseTo(high, 1);
    const { fnArray, argsArray } = await page.getOperatorList();
    const path = argsArray[fnArray.indexOf(OPS.constructPath)] as [number, [Float32Array], Float32Array];
    const [left, , right] = path[2]!;
    expect(((right! - left!) * 25.4) / 72).toBeCloseTo(100, 1);
  }
});
