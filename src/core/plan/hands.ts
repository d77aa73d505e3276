import type { Station } from "@/core/feature/machine";
import { canWork, handsOf, hoursOn, presence, type Workshop } from "@/core/shop/shop";
import { type Span, Windows } from "./calendar";

type In = Pick<Workshop, "days" | "hours" | "closed" | "staff" | "people">;

/** A Monday on which nothing is closed: what is usual in a week is read from it on. */
const USUAL = ["1970-01-05", "1970-01-06", "1970-01-07", "1970-01-08", "1970-01-09", "1970-01-10", "1970-01-11"];

/** Who works in the shop, and when they are in; they are told apart by their places. */
export class Hands {
  readonly count: number;
  private readonly days = new Map<string, Span[][]>();
  private readonly together = new Map<string, Windows>();
  private readonly ableAt = new Map<Station, number[]>();

  /** @param first the first day that is planned, `YYYY-MM-DD` */
  constructor(
    private readonly shop: In,
    readonly first: string,
  ) {
    this.count = handsOf(shop);
  }

  /** Who can work a station; where nobody can, whoever is in does. */
  able(station: Station): number[] {
    const known = this.ableAt.get(station);
    if (known) return known;
    const all = Array.from({ length: this.count }, (_, p) => p);
    const some = all.filter((p) => !this.shop.staff[p] || canWork(this.shop.staff[p], station));
    const able = some.length > 0 ? some : all;
    this.ableAt.set(station, able);
    return able;
  }

  /** Nobody is told apart: all are in at the same hours and can do the same. */
  get alike(): boolean {
    return this.shop.staff.length === 0;
  }

  /** What they are called. */
  title(person: number): string {
    return this.shop.staff[person]?.title ?? `person ${person + 1}`;
  }

  /** When each of them is in on a day. */
  private inOn(day: string): Span[][] {
    const known = this.days.get(day);
    if (known) return known;
    const { staff } = this.shop;
    const spans = staff.length > 0 ? presence(this.shop, day) : Array.from({ length: this.count }, () => hoursOn(this.shop, day)); // prettier-ignore
    this.days.set(day, spans);
    return spans;
  }

  /** When all of some are in. */
  all(people: number[]): Windows {
    return this.kept(`all ${people.join(" ")}`, (day) => shared(people.map((p) => this.inOn(day)[p]!), people.length, people.length)); // prettier-ignore
  }

  /** When any of some are in, and how many, at most so many. */
  any(people: number[], most = Infinity): Windows {
    return this.kept(`any ${most} ${people.join(" ")}`, (day) => shared(people.map((p) => this.inOn(day)[p]!), 1, most)); // prettier-ignore
  }

  /** Of so many wanted, how many of those who can are ever in at once. */
  most(station: Station, wanted: number): number {
    const able = this.able(station);
    if (wanted <= 1 || able.length <= 1) return 1;
    const weekly = new Hands({ ...this.shop, closed: [], staff: this.shop.staff.map((p) => ({ ...p, off: [] })) }, USUAL[0]!); // prettier-ignore
    const rates = USUAL.flatMap((day) => shared(able.map((p) => weekly.inOn(day)[p]!), 1, wanted).map((s) => s[2]!)); // prettier-ignore
    return Math.max(1, ...rates);
  }

  private kept(key: string, spansOn: (day: string) => Span[]): Windows {
    const known = this.together.get(key);
    if (known) return known;
    const made = new Windows(this.first, spansOn);
    this.together.set(key, made);
    return made;
  }
}

/** The spans in which at least so many of several are there, and how many, at most so many. */
function shared(of: Span[][], least: number, most: number): Span[] {
  if (of.length === 1) return of[0]!.map(([a, b]) => [a, b, 1]);
  const edges = [...new Set(of.flat().flatMap(([a, b]) => [a, b]))].toSorted((a, b) => a - b);
  const out: Span[] = [];
  for (let i = 0; i + 1 < edges.length; i++) {
    const [a, b] = [edges[i]!, edges[i + 1]!];
    const there = of.filter((spans) => spans.some(([x, y]) => x <= a && b <= y)).length;
    if (there < least) continue;
    const rate = least === of.length && least > 1 ? 1 : Math.min(most, there);
    const last = out.at(-1);
    if (last && last[1] === a && last[2] === rate) last[1] = b;
    else out.push([a, b, rate]);
  }
  return out;
}
