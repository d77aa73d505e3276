import { MaxRectsPacker } from "maxrects-packer";
import type { CuttingProblem } from "../cutting/problem";

/** First-fit decreasing (Johnson 1973) on one length: how many bars it takes. */
export function firstFitDecreasing({ pieces, stock, kerf }: CuttingProblem): number {
  const room = stock[0]!.clear[0]!.length + kerf;
  const left: number[] = [];
  for (const size of pieces
    .flatMap((p) => Array.from({ length: p.quantity }, () => p.length + kerf))
    .sort((a, b) => b - a)) {
    const at = left.findIndex((l) => l >= size);
    if (at < 0) left.push(room - size);
    else left[at]! -= size;
  }
  return left.length;
}

const each = (p: CuttingProblem) =>
  p.pieces.flatMap((x) =>
    Array.from({ length: x.quantity }, () => ({
      length: Math.max(x.length, x.width),
      width: Math.min(x.length, x.width),
    })),
  );

/** Shelves (first fit by falling width, Coffman and others 1980), shelves first fit on sheets: how many it takes. */
export function shelves(problem: CuttingProblem): number {
  const { kerf } = problem;
  const { length, width } = problem.stock[0]!.clear[0]!;
  const open: { sheet: number; width: number; left: number }[] = [];
  const sheets: number[] = [];
  for (const p of each(problem).sort((a, b) => b.width - a.width)) {
    let shelf = open.find((s) => s.width >= p.width && s.left >= p.length + kerf);
    if (!shelf) {
      let sheet = sheets.findIndex((left) => left >= p.width + kerf);
      if (sheet < 0) sheet = sheets.push(width + kerf) - 1;
      sheets[sheet]! -= p.width + kerf;
      shelf = { sheet, width: p.width, left: length + kerf };
      open.push(shelf);
    }
    shelf.left -= p.length + kerf;
  }
  return sheets.length;
}

/** The general rectangle packer of the registry, which need not keep to straight cuts: how many sheets it takes. */
export function packer(problem: CuttingProblem): number {
  const { length, width } = problem.stock[0]!.clear[0]!;
  const bins = new MaxRectsPacker(length, width, problem.kerf, {
    smart: false,
    pot: false,
    square: false,
    allowRotation: true,
  });
  bins.addArray(each(problem).map((p) => ({ width: p.length, height: p.width, x: 0, y: 0 })) as never);
  return bins.bins.length;
}
