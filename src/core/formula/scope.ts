import { type Formula, FormulaError, type Token, type Value, evaluate } from "./formula";
import type { Mark } from "@/core/standards/standard";

/** Where a number comes from. */
export type Source = "asked" | "usual" | "standard" | "worked out" | "measured";

/** A number with its derivation: the formula in names, the same written out in values, and what stands behind it. */
export interface Working {
  name: string;
  label: string;
  value: Value;
  source: Source;
  mark?: Mark;
  why?: string;
  formula?: string;
  tokens?: Token[];
}

export interface Definition {
  label: string;
  source: Source;
  mark?: Mark;
  why?: string;
  given?: Value;
  formula?: Formula;
}

/**
 * Named values worked out when first asked for, each once. A name that leads back to itself is refused, naming the
 * ring. Later definitions of a name replace earlier ones.
 */
export class Scope {
  private readonly definitions = new Map<string, Definition>();
  private readonly done = new Map<string, Working>();
  private readonly open: string[] = [];

  define(name: string, definition: Definition): void {
    this.definitions.set(name, definition);
    this.done.clear();
  }

  has(name: string): boolean {
    return this.definitions.has(name);
  }

  get names(): string[] {
    return [...this.definitions.keys()];
  }

  label(name: string): string {
    return this.definitions.get(name)?.label ?? name;
  }

  /** The working of a name. @throws FormulaError when the name is unknown or depends on itself. */
  working(name: string): Working {
    const known = this.done.get(name);
    if (known) return known;
    const d = this.definitions.get(name);
    if (!d) throw new FormulaError(`${name} is not known`);
    if (this.open.includes(name))
      throw new FormulaError(`${[...this.open.slice(this.open.indexOf(name)), name].join(" → ")} leads back to itself`);
    if (this.open.length > 60) throw new FormulaError(`${name} depends on more than 60 others in a row`);
    this.open.push(name);
    try {
      const base = { name, label: d.label, source: d.source, mark: d.mark, why: d.why };
      const result: Working = d.given ? { ...base, value: d.given } : { ...base, ...this.evaluate(d.formula!) };
      this.done.set(name, result);
      return result;
    } finally {
      this.open.pop();
    }
  }

  /** Works out a formula in this scope, choosing the case where it has cases. */
  evaluate(formula: Formula): { value: Value; tokens: Token[]; formula: string } {
    const text = typeof formula === "string" ? formula : this.pick(formula);
    return { ...evaluate(text, (n) => (this.definitions.has(n) ? this.working(n).value : undefined)), formula: text };
  }

  private pick({ by, is }: { by: string; is: Record<string, string> }): string {
    const key = this.working(by).value;
    const text = key.kind === "word" && Object.hasOwn(is, key.of) ? is[key.of] : undefined;
    if (text === undefined)
      throw new FormulaError(`no formula for ${by} = ${key.kind === "amount" ? key.of.toString() : key.of}`);
    return text;
  }
}
