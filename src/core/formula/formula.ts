import Fraction from "fraction.js";
import jsep, { type Expression } from "jsep";
import { z } from "zod";
import { type Length, LONGEST, nm, NM_PER_INCH, NM_PER_MM } from "@/core/length/length";

/**
 * Formulas of recipes: `"outsideLength - 2 * (thickness - lap)"`. Values are exact rationals with a dimension
 * (0 a number, 1 a length in nm, 2 an area, 3 a volume), so inches cannot be added to counts and nothing is rounded
 * before the end. Words (`"finger"`) and yes/no values exist for conditions.
 */
export type Value =
  { kind: "amount"; of: Fraction; dim: number } | { kind: "word"; of: string } | { kind: "flag"; of: boolean };

/** A formula, or one formula for each choice of a parameter: `{ by: "joint", is: { finger: "…", mitre: "…" } }`. */
export type Formula = string | { by: string; is: Record<string, string> };

export const nameSchema = z
  .string()
  .regex(/^[a-z][a-zA-Z0-9]{0,39}$/, "a name is letters and digits, the first a small letter")
  // Such a name is found on everything, whether or not anybody gave it.
  .refine((name) => !(name in Object.prototype), "a name of the program's own: wanted another");
export const formulaSchema: z.ZodType<Formula, Formula> = z.union([
  z.string(),
  z.strictObject({ by: nameSchema, is: z.record(z.string(), z.string()) }),
]);

/** Names the formula and says what is wrong with it. */
export class FormulaError extends Error {
  override name = "FormulaError";
}

/** One piece of a formula as written out: an operator or bracket, a name with its value, or a plain value. */
export type Token = { op: string } | { name?: string; value: Value };

/** Gives the value of a name, or undefined when there is none. */
export type Lookup = (name: string) => Value | undefined;

const MAX_TEXT = 400;
const MAX_DEPTH = 40;
const HUGE = 1n << 400n;

/** Operators by how closely they bind, as read and as written out. */
const RANK: Record<string, number> = {
  "||": 1,
  "&&": 2,
  "==": 6,
  "!=": 6,
  "<": 7,
  ">": 7,
  "<=": 7,
  ">=": 7,
  "+": 9,
  "-": 9,
  "*": 10,
  "/": 10,
};
jsep.removeUnaryOp("~");
jsep.removeAllBinaryOps();
for (const [op, rank] of Object.entries(RANK)) jsep.addBinaryOp(op, rank);
jsep.removeAllLiterals();

const parsed = new Map<string, Expression>();

/** Parses a formula once and remembers it. @throws FormulaError when it is not one. */
export function parseFormula(text: string): Expression {
  const known = parsed.get(text);
  if (known) return known;
  if (text.length > MAX_TEXT) throw new FormulaError(`formula of ${text.length} characters; ${MAX_TEXT} at most`);
  let ast: Expression;
  try {
    ast = jsep(text);
  } catch (e) {
    const marks = /\d\s*["″'’]/.test(text) ? '; write 3/4" as 3/4*inch and 2 ft as 24*inch' : "";
    throw new FormulaError(`cannot read "${text}": ${(e as Error).message}${marks}`);
  }
  checkDepth(ast, text, 0);
  if (parsed.size > 5000) parsed.clear();
  parsed.set(text, ast);
  return ast;
}

/** The names a formula uses, units and functions left out. @throws FormulaError when it is no formula. */
export function identifiersOf(text: string): string[] {
  const found = new Set<string>();
  const look = (node: unknown, callee = false): void => {
    if (!node || typeof node !== "object") return;
    const { type, name } = node as { type?: string; name?: string };
    if (type === "Identifier" && !callee && !UNIT_NAMES.includes(name!)) found.add(name!);
    for (const [key, child] of Object.entries(node)) look(child, key === "callee");
  };
  look(parseFormula(text));
  return [...found];
}

function checkDepth(node: unknown, text: string, depth: number): void {
  if (depth > MAX_DEPTH) throw new FormulaError(`"${text.slice(0, 40)}…" is nested more than ${MAX_DEPTH} deep`);
  if (node && typeof node === "object") for (const child of Object.values(node)) checkDepth(child, text, depth + 1);
}

export const amount = (of: Fraction | number | bigint, dim = 0): Value => ({
  kind: "amount",
  of: of instanceof Fraction ? of : new Fraction(of),
  dim,
});
export const lengthValue = (l: Length): Value => amount(l, 1);

/** The value as a length, rounded once to the nanometre. @throws FormulaError when it is not a length, or beyond any. */
export function toLength(v: Value, what: string): Length {
  if (v.kind !== "amount" || (v.dim !== 1 && !v.of.equals(0))) throw new FormulaError(`${what} is not a length`);
  const rounded = v.of.round().valueOf();
  if (Math.abs(rounded) > LONGEST) throw new FormulaError(`${what} comes out longer than 100 m`);
  return nm(rounded);
}

/** The value as a whole number. @throws FormulaError when it is not one. */
export function toCount(v: Value, what: string): number {
  if (v.kind !== "amount" || v.dim !== 0 || v.of.d !== 1n) throw new FormulaError(`${what} is not a whole number`);
  return Number(v.of.valueOf());
}

export function toNumber(v: Value, what: string): number {
  if (v.kind !== "amount" || v.dim !== 0) throw new FormulaError(`${what} is not a number`);
  return v.of.valueOf();
}

export function toFlag(v: Value, what: string): boolean {
  if (v.kind !== "flag") throw new FormulaError(`${what} is not a yes or no`);
  return v.of;
}

/** Works a formula out, and writes it out: `tokens` show the names with the values put in, only the branch taken. */
export function evaluate(text: string, lookup: Lookup): { value: Value; tokens: Token[] } {
  const tokens: Token[] = [];
  const value = walk(parseFormula(text), lookup, tokens, 0, text);
  return { value, tokens };
}

const SIGN: Record<string, string> = {
  "*": "×",
  "-": "−",
  "/": "÷",
  "==": "is",
  "!=": "is not",
  "&&": "and",
  "||": "or",
  "<=": "≤",
  ">=": "≥",
};
const UNITS: Record<string, number> = { inch: NM_PER_INCH, mm: NM_PER_MM };

export const UNIT_NAMES = Object.keys(UNITS);

function walk(node: Expression, lookup: Lookup, out: Token[], rank: number, src: string): Value {
  const plain = literal(node);
  if (plain) {
    out.push({ value: plain });
    return plain;
  }
  switch (node.type) {
    case "Identifier": {
      const name = node.name as string;
      const value = lookup(name);
      if (!value) throw new FormulaError(`"${src}" uses ${name}, which is not known`);
      out.push({ name, value });
      return value;
    }
    case "UnaryExpression": {
      const op = node.operator as string;
      out.push({ op: op === "!" ? "not " : "−" });
      const v = walk(node.argument as Expression, lookup, out, 11, src);
      if (op === "!") return { kind: "flag", of: !toFlag(v, src) };
      if (v.kind !== "amount") throw new FormulaError(`"${src}" takes ${op} of a word`);
      return op === "-" ? { ...v, of: v.of.neg() } : v;
    }
    case "BinaryExpression": {
      const op = node.operator as string;
      const mine = RANK[op]!;
      const wrap = mine < rank;
      if (wrap) out.push({ op: "(" });
      const a = walk(node.left as Expression, lookup, out, mine, src);
      out.push({ op: SIGN[op] ?? op });
      const b = walk(node.right as Expression, lookup, out, mine + 1, src);
      if (wrap) out.push({ op: ")" });
      return binary(op, a, b, src);
    }
    case "ConditionalExpression": {
      const test = toFlag(walk(node.test as Expression, lookup, [], 0, src), src);
      return walk((test ? node.consequent : node.alternate) as Expression, lookup, out, rank, src);
    }
    case "CallExpression": {
      const name = (node.callee as Expression).name as string;
      const fn = Object.hasOwn(FUNCTIONS, name) ? FUNCTIONS[name]! : undefined;
      if (!fn) throw new FormulaError(`"${src}" calls ${name}; known are ${Object.keys(FUNCTIONS).join(", ")}`);
      out.push({ op: `${fn.label ?? name}(` });
      const args = (node.arguments as Expression[]).map((arg, i) => {
        if (i > 0) out.push({ op: "," });
        return walk(arg, lookup, out, 0, src);
      });
      out.push({ op: ")" });
      return fn.run(args, src);
    }
    default:
      throw new FormulaError(`"${src}" uses ${node.type}, which formulas do not have`);
  }
}

function plainNumber(raw: string, value: number): Value {
  if (!Number.isFinite(value)) throw new FormulaError(`${raw} is beyond any length`);
  try {
    return amount(new Fraction(raw));
  } catch {
    return amount(new Fraction(value));
  }
}

/** Literals folded to one value, so that `3/8 * inch` is written out as 3/8. */
function literal(node: Expression): Value | undefined {
  if (node.type === "Literal") {
    const v = node.value;
    if (typeof v === "number") return plainNumber(node.raw as string, v);
    if (typeof v === "string") return { kind: "word", of: v };
  }
  if (node.type === "Identifier" && Object.hasOwn(UNITS, node.name as string))
    return amount(UNITS[node.name as string]!, 1);
  if (node.type === "BinaryExpression" && (node.operator === "*" || node.operator === "/")) {
    const [a, b] = [literal(node.left as Expression), literal(node.right as Expression)];
    if (a && b) return binary(node.operator as string, a, b, "a literal");
  }
  return undefined;
}

function binary(op: string, a: Value, b: Value, src: string): Value {
  if (op === "&&" || op === "||") {
    const [x, y] = [toFlag(a, src), toFlag(b, src)];
    return { kind: "flag", of: op === "&&" ? x && y : x || y };
  }
  if (a.kind !== "amount" || b.kind !== "amount") {
    if ((op === "==" || op === "!=") && a.kind === b.kind)
      return { kind: "flag", of: (a.of === b.of) === (op === "==") };
    throw new FormulaError(`"${src}" does ${op} with a word`);
  }
  if (op === "*" || op === "/") {
    if (op === "/" && b.of.equals(0)) throw new FormulaError(`"${src}" divides by zero`);
    return small(op === "*" ? a.of.mul(b.of) : a.of.div(b.of), op === "*" ? a.dim + b.dim : a.dim - b.dim, src);
  }
  const dim = sameDim(a, b, src);
  if (op === "+" || op === "-") return small(op === "+" ? a.of.add(b.of) : a.of.sub(b.of), dim, src);
  const c = a.of.compare(b.of);
  return {
    kind: "flag",
    of: { "==": c === 0, "!=": c !== 0, "<": c < 0, ">": c > 0, "<=": c <= 0, ">=": c >= 0 }[op]!,
  };
}

function sameDim(a: { of: Fraction; dim: number }, b: { of: Fraction; dim: number }, src: string): number {
  if (a.dim === b.dim) return a.dim;
  if (a.of.equals(0)) return b.dim;
  if (b.of.equals(0)) return a.dim;
  throw new FormulaError(`"${src}" puts a ${DIMS[a.dim] ?? "?"} with a ${DIMS[b.dim] ?? "?"}`);
}
const DIMS = ["number", "length", "area", "volume"];

function small(of: Fraction, dim: number, src: string): Value {
  if (of.n > HUGE || of.d > HUGE) throw new FormulaError(`"${src}" grows beyond any length`);
  return { kind: "amount", of, dim };
}

type Amount = { kind: "amount"; of: Fraction; dim: number };
interface Fn {
  label?: string;
  run(args: Value[], src: string): Value;
}

const each = (pick: (a: Amount, b: Amount) => Amount): Fn => ({
  run: (args, src) => amounts(args, src).reduce((a, b) => ({ ...pick(a, b), dim: sameDim(a, b, src) })),
});
const angle = (f: (degrees: number) => number): Fn => ({
  run: (args, src) => {
    const [a] = amounts(args, src);
    if (a!.dim !== 0) throw new FormulaError(`"${src}" takes the angle of a length`);
    return amount(new Fraction(f((a!.of.valueOf() * Math.PI) / 180).toFixed(15)));
  },
});
const whole = (f: (x: Fraction) => Fraction, label?: string): Fn => ({
  label,
  run: (args, src) => {
    const [a] = amounts(args, src);
    return { ...a!, of: f(a!.of) };
  },
});

const FUNCTIONS: Record<string, Fn> = {
  min: { ...each((a, b) => (a.of.compare(b.of) <= 0 ? a : b)), label: "smaller of " },
  max: { ...each((a, b) => (a.of.compare(b.of) >= 0 ? a : b)), label: "larger of " },
  floor: whole((x) => x.floor(), "whole of "),
  ceil: whole((x) => x.ceil(), "next whole of "),
  /** The largest odd whole number not above x: finger rows begin and end on the side. */
  odd: whole((x) => x.sub(1).div(2).floor().mul(2).add(1), "odd number in "),
  tan: angle((d) => Math.tan(d)),
  cos: angle((d) => Math.cos(d)),
  sin: angle((d) => Math.sin(d)),
};

export const FUNCTION_NAMES = Object.keys(FUNCTIONS);

function amounts(args: Value[], src: string): Amount[] {
  if (args.length === 0 || args.some((a) => a.kind !== "amount"))
    throw new FormulaError(`"${src}" calls a function without an amount`);
  return args as Amount[];
}
