import { z } from "zod";
import type { CuttingProblem, Pattern } from "@/core/layout/cutting/problem";
import { type CuttingAnswer, solveCutting, wholeScale } from "@/core/layout/cutting/solve";
import type { LpSolver } from "@/core/layout/lp";
import { sourceFrom } from "@/core/order/sourcing";

/** A solver file that cannot be answered: each line names the field or the piece and what would be right. */
export class SolverFileError extends Error {
  override name = "SolverFileError";
}

const MOST = 5000;
const size = z.number().positive().max(1e9);
const stockBase = {
  id: z.string().min(1).max(120),
  price: z.number().min(0).max(1e9).default(1),
  available: z.number().int().min(0).nullable().default(null),
};
const pieceBase = { id: z.string().min(1).max(120), quantity: z.number().int().min(1).max(10_000_000) };
const unique = (list: { id: string }[]) => new Set(list.map((x) => x.id)).size === list.length;
const list = <T extends z.ZodType<{ id: string }>>(item: T) =>
  z.array(item).min(1).max(MOST).refine(unique, { error: "two have the same id" });

export const boardsFileSchema = z.strictObject({
  kerf: z.number().min(0).max(1e9).default(0),
  stock: list(z.strictObject({ ...stockBase, length: size })),
  pieces: list(z.strictObject({ ...pieceBase, length: size })),
});
export type BoardsFile = z.infer<typeof boardsFileSchema>;

export const sheetsFileSchema = z.strictObject({
  kerf: z.number().min(0).max(1e9).default(0),
  stages: z.union([z.literal(2), z.literal(3)]).default(2),
  stock: list(z.strictObject({ ...stockBase, length: size, width: size })),
  pieces: list(z.strictObject({ ...pieceBase, length: size, width: size, turn: z.boolean().default(true) })),
});
export type SheetsFile = z.infer<typeof sheetsFileSchema>;

const amount = z.number().min(0).max(1e9);
export const orderFileSchema = z
  .strictObject({
    needs: list(z.strictObject({ id: z.string().min(1).max(120), quantity: z.number().positive().max(1e9) })),
    suppliers: list(
      z.strictObject({
        id: z.string().min(1).max(120),
        delivery: amount.default(0),
        minimum: amount.default(0),
        freeFrom: amount.nullable().default(null),
        leadDays: amount.default(0),
        offers: z
          .array(
            z.strictObject({
              need: z.string(),
              pack: z.number().positive().max(1e9),
              price: amount,
              breaks: z.array(z.strictObject({ from: z.number().int().min(1).max(1e6), price: amount })).max(20).default([]), // prettier-ignore
              available: z.number().int().min(0).max(1e9).nullable().default(null),
            }),
          )
          .max(MOST),
      }),
    ),
    by: amount.nullable().default(null),
  })
  .superRefine(({ needs, suppliers }, ctx) => {
    const ids = new Set(needs.map((n) => n.id));
    for (const [i, s] of suppliers.entries())
      for (const [k, o] of s.offers.entries())
        if (!ids.has(o.need)) ctx.addIssue({ code: "custom", path: ["suppliers", i, "offers", k, "need"], message: `read "${o.need}", which is none of the needs` }); // prettier-ignore
  });
export type OrderFile = z.infer<typeof orderFileSchema>;

/** Reads a solver file. @throws SolverFileError naming each field */
export function readSolverFile<T>(schema: z.ZodType<T>, text: string): T {
  let raw: unknown;
  try {
    raw = JSON.parse(text);
  } catch (e) {
    throw new SolverFileError(`not JSON: ${(e as Error).message}`);
  }
  const read = schema.safeParse(raw);
  if (read.success) return read.data;
  throw new SolverFileError(read.error.issues.map((i) => `${i.path.join(".") || "file"}: ${i.message}`).join("\n"));
}

/** Multiplies every size of a problem so that all are whole numbers. @throws SolverFileError */
function whole(sizes: number[]): number {
  try {
    return wholeScale(sizes);
  } catch {
    throw new SolverFileError("a size has more than six decimals; write it in a smaller unit");
  }
}

function refuse(answer: CuttingAnswer, pieces: { id: string; quantity: number }[]): void {
  if (answer.short.length > 0)
    throw new SolverFileError(
      answer.short
        .map(
          ({ piece, quantity }) =>
            `piece "${pieces[piece]!.id}": ${quantity} of ${pieces[piece]!.quantity} are left over when the stock runs out`,
        )
        .join("\n"),
    );
}

/**
 * Answers a one-dimensional file: patterns, cost and a bound of it. A pattern of k pieces takes their lengths and k − 1
 * kerfs. @throws SolverFileError when a piece fits no stock or the stock runs out.
 */
export function solveBoards(file: BoardsFile, lp: LpSolver, clock: () => number) {
  const began = clock();
  const longest = Math.max(...file.stock.map((s) => s.length));
  const tooLong = file.pieces.filter((p) => p.length > longest);
  if (tooLong.length > 0)
    throw new SolverFileError(
      tooLong
        .map(
          (p) =>
            `piece "${p.id}": length ${p.length} is longer than any stock (${longest}); it wants stock at least ${p.length} long`,
        )
        .join("\n"),
    );
  const scale = whole([file.kerf, ...file.stock.map((s) => s.length), ...file.pieces.map((p) => p.length)]);
  const problem: CuttingProblem = {
    kerf: Math.round(file.kerf * scale),
    pieces: file.pieces.map((p) => ({
      length: Math.round(p.length * scale),
      width: 1,
      quantity: p.quantity,
      turn: false,
    })),
    stock: file.stock.map((s) => ({
      clear: [{ length: Math.round(s.length * scale), width: 1 }],
      price: s.price,
      available: s.available,
    })),
    style: { orders: ["rip"], stages: 2, trim: true },
  };
  const answer = solveCutting(problem, lp);
  refuse(answer, file.pieces);
  return {
    patterns: answer.used.map(({ pattern, repeat }) => ({
      stock: file.stock[pattern.stock]!.id,
      repeat,
      pieces: pattern.gives.flatMap((count, i) => (count > 0 ? [{ id: file.pieces[i]!.id, count }] : [])),
    })),
    count: answer.used.reduce((n, u) => n + u.repeat, 0),
    cost: answer.cost,
    bound: answer.bound,
    proven: answer.proven,
    seconds: (clock() - began) / 1000,
  };
}

/**
 * Answers a sheets file: layouts cut in two or three stages and a trim. The bound is for that style, or for any cutting
 * where that is said. @throws SolverFileError as `solveBoards`
 */
export function solveSheets(file: SheetsFile, lp: LpSolver, clock: () => number) {
  const began = clock();
  const fits = (p: SheetsFile["pieces"][number]) =>
    file.stock.some(
      (s) => (p.length <= s.length && p.width <= s.width) || (p.turn && p.width <= s.length && p.length <= s.width),
    );
  const lost = file.pieces.filter((p) => !fits(p));
  if (lost.length > 0)
    throw new SolverFileError(
      lost
        .map((p) => `piece "${p.id}": ${p.length} × ${p.width} fits no stock; it wants a sheet at least that large`)
        .join("\n"),
    );
  const scale = whole([file.kerf, ...[...file.stock, ...file.pieces].flatMap((s) => [s.length, s.width])]);
  const at = (n: number) => Math.round(n * scale);
  const problem: CuttingProblem = {
    kerf: at(file.kerf),
    pieces: file.pieces.map((p) => ({ length: at(p.length), width: at(p.width), quantity: p.quantity, turn: p.turn })),
    stock: file.stock.map((s) => ({
      clear: [{ length: at(s.length), width: at(s.width) }],
      price: s.price,
      available: s.available,
    })),
    style: { orders: ["rip", "crosscut"], stages: file.stages, trim: true },
  };
  const answer = solveCutting(problem, lp);
  refuse(answer, file.pieces);
  return {
    layouts: answer.used.map(({ pattern, repeat }) => ({
      stock: file.stock[pattern.stock]!.id,
      repeat,
      pieces: placed(pattern, file, problem).map((p) => ({ ...p, x: p.x / scale, y: p.y / scale })),
    })),
    count: answer.used.reduce((n, u) => n + u.repeat, 0),
    cost: answer.cost,
    bound: answer.bound,
    proven: answer.proven,
    style:
      answer.boundStyle === "any"
        ? "the bound holds for any cutting"
        : `the bound holds for ${file.stages} stages and a trim`,
    seconds: (clock() - began) / 1000,
  };
}

/** Where each piece of a pattern lies: strips one after another, sections along them, items across, a kerf between. */
function placed(pattern: Pattern, file: SheetsFile, { kerf, pieces }: CuttingProblem) {
  return pattern.stretches.flatMap(({ order, strips }) => {
    let across = 0;
    return strips.flatMap((strip) =>
      Array.from({ length: strip.count }, () => {
        let along = 0;
        const made = strip.sections.flatMap((section) =>
          Array.from({ length: section.count }, () => {
            let off = across;
            const out = section.items.flatMap((item) =>
              Array.from({ length: item.count }, () => {
                const { id, length, width } = file.pieces[item.piece]!;
                const p = pieces[item.piece]!;
                const [x, y] = order === "rip" ? [along, off] : [off, along];
                off += kerf + ((order === "rip") === item.turned ? p.length : p.width);
                return { id, x, y, length: item.turned ? width : length, width: item.turned ? length : width };
              }),
            );
            along += section.size + kerf;
            return out;
          }).flat(),
        );
        across += strip.size + kerf;
        return made;
      }).flat(),
    );
  });
}

/** Seconds after which an order ends with the best it has. */
const ORDER_SECONDS = 10;

/** Answers an order file: which packs from whom for the least goods and delivery, and a bound of that. What nobody sells enough of is short. */
export function solveOrder(file: OrderFile, lp: LpSolver, clock: () => number) {
  const began = clock();
  const answer = sourceFrom(file, lp, () => clock() - began < ORDER_SECONDS * 1000);
  return { ...answer, seconds: (clock() - began) / 1000 };
}
