import { anyBound } from "./bysize";
import { ColumnPool } from "./master";
import { cheaper, covers } from "./primal";
import { costOf, type CuttingProblem, type CutStock, type Reasons, type Rest, type Used } from "./problem";
import { trimmed } from "./reshape";
import { type Sums, sumsOf } from "./sums";

/** Tells of every better layout with the bound so far, and is asked whether to go on. */
export interface Watcher {
  hear?(best: { cost: number; bound: number; count: number }): void;
  goOn?(): boolean;
  /** Asked as often as `goOn`, once there is a layout: whether it is wanted as it is, while the search goes on. */
  isWanted?(): boolean;
}

/** Whole layouts kept for the maker's other wishes. */
const MOST_SEEN = 200;

/** The incumbent and the bound of one problem, and what is known beside them. */
export class Solving {
  readonly rest: Rest;
  readonly sums: Sums;
  readonly pool = new ColumnPool();
  /** The best layout so far, and what of the pieces it misses. */
  incumbent: Used | undefined;
  left: number[] = [];
  /** By size alone, whatever the cutting. */
  readonly plain: number;
  bound: number;
  readonly reasons: Reasons;
  /** Whole layouts met, for the maker's other wishes. */
  readonly seen: Used[] = [];
  private going = true;

  /** `show` is done when the incumbent is wanted as it is. */
  constructor(
    readonly problem: CuttingProblem,
    private readonly watcher: Watcher,
    private readonly keepsSeen: boolean,
    private readonly show: () => void = () => undefined,
  ) {
    const { pieces, stock } = problem;
    this.rest = { left: pieces.map((p) => p.quantity), supply: stock.map((s) => s.available) };
    this.sums = sumsOf(stock.map((s) => s.price));
    this.plain = anyBound(problem, this.sums);
    this.bound = this.plain;
    this.reasons = { size: this.plain };
  }

  get stock(): CutStock[] {
    return this.problem.stock;
  }
  /** Whether somebody still waits for something better. */
  goesOn(): boolean {
    if (this.incumbent && this.watcher.isWanted?.()) this.show();
    return (this.going &&= this.watcher.goOn?.() ?? true);
  }
  get stopped(): boolean {
    return !this.going;
  }
  /** The incumbent gives every piece. */
  get isWhole(): boolean {
    return this.incumbent !== undefined && sum(this.left) === 0;
  }
  get cost(): number {
    return costOf(this.incumbent!, this.stock);
  }
  /** The incumbent costs no more than the target, or nobody waits for a better one. */
  reaches(target: number): boolean {
    return !this.goesOn() || (this.isWhole && this.cost <= target + 1e-9);
  }

  /** Takes a layout for the incumbent where it is better: first more of the pieces, then cheaper. */
  consider(used: Used, over: number[] = []): void {
    // Whatever found it, what is overdrawn or gives too little is no layout.
    if (sum(over) === 0 && !covers(used, this.rest)) return;
    if (this.keepsSeen && sum(over) === 0 && this.seen.length < MOST_SEEN)
      this.seen.push(trimmed(used, this.rest.left));
    const fewer = sum(over) < sum(this.left) || !this.incumbent;
    if (!fewer && (sum(over) > sum(this.left) || !cheaper(used, this.incumbent, this.stock))) return;
    this.incumbent = trimmed(used, this.rest.left);
    this.left = over;
    this.tell();
  }

  raise(bound: number): void {
    this.bound = bound;
    this.tell();
  }

  private tell(): void {
    if (!this.incumbent) return;
    const count = this.incumbent.reduce((n, u) => n + u.repeat, 0);
    this.watcher.hear?.({ cost: this.cost, bound: this.bound, count });
  }
}

const sum = (ns: number[]) => ns.reduce((a, b) => a + b, 0);
