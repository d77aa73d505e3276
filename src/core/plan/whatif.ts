import { type Station } from "@/core/feature/machine";
import { handsOf } from "@/core/shop/shop";
import { asItStands, dayFrom } from "./begun";
import { Hands } from "./hands";
import { construct, LOTS } from "./search";
import { countOf, instanceOf, type PlanShop } from "./tasks";
import type { WholeAsk } from "./block";
import { improved, type WholePlan } from "./whole";

/** Something the shop could have besides. */
export type More =
  | { more: "person" }
  | { more: "helper on Saturdays"; hours: [number, number][] }
  | { more: "Saturdays" }
  | { more: "station"; station: Station };

/** What it would gain: minutes of the finish and minutes late. */
export interface Gain {
  of: More;
  finish: number;
  late: number;
  gainedFinish: number;
  gainedLate: number;
}

const SATURDAY = 6;

/** The shop with it. Who helps can do what needs no machine. */
export function withMore(shop: PlanShop, of: More): PlanShop {
  const staff = (): PlanShop["staff"] => shop.staff.length > 0 ? shop.staff : Array.from({ length: shop.people }, (_, i) => ({ title: `person ${i + 1}` })); // prettier-ignore
  switch (of.more) {
    case "person":
      return shop.staff.length > 0 ? { ...shop, staff: [...shop.staff, { title: "one more" }] } : { ...shop, people: shop.people + 1 }; // prettier-ignore
    case "helper on Saturdays":
      return { ...shop, staff: [...staff(), { title: "a helper", days: [SATURDAY], hours: of.hours, works: ["bench", "clamps", "frame jig", "finish"] }] }; // prettier-ignore
    case "Saturdays": {
      const on = (days: number[]) => [...new Set([...days, SATURDAY])].toSorted((a, b) => a - b);
      return { ...shop, days: on(shop.days), staff: shop.staff.map((p) => (p.days ? { ...p, days: on(p.days) } : p)) }; // prettier-ignore
    }
    case "station":
      return { ...shop, stations: { ...shop.stations, [of.station]: countOf(of.station, shop) + 1 } };
  }
}

/** What may be asked of a shop: only what it has not, and of its stations those that are fewer than its people or that stand full while they wait. */
export function whatMore({ jobs, shop }: WholeAsk): More[] {
  const used = [...new Set(jobs.flatMap((j) => j.work.map((w) => w.station)))];
  const scarce = used.filter((s) => s === "clamps" || countOf(s, shop) < handsOf(shop));
  const saturday = shop.days.includes(SATURDAY) ? [] : ([{ more: "Saturdays" }, { more: "helper on Saturdays", hours: shop.hours }] as More[]); // prettier-ignore
  return [{ more: "person" }, ...saturday, ...scarce.map((station): More => ({ more: "station", station }))];
}

/** So many tries are made of each. */
const TRIES = 40;

/**
 * What each would gain over a plan, the best first: due days, then the finish. With more a plan can always be had that is no worse, so what is
 * found worse gains nothing.
 */
export function whatIf(
  ask: WholeAsk,
  plan: WholePlan,
  goOn: () => boolean,
  hear: (g: Gain[]) => void = () => {},
): Gain[] {
  // prettier-ignore
  const late = plan.jobs.reduce((n, j) => n + j.late, 0);
  const gains: Gain[] = [];
  for (const of of whatMore(ask)) {
    if (!goOn()) break;
    const shop = withMore(ask.shop, of);
    const hands = new Hands(shop, dayFrom(ask.now, plan.blocks));
    let left = TRIES;
    const sizes = [plan.lots, LOTS[0]!].map((lots) =>
      asItStands(instanceOf(ask.jobs, shop, hands, ask.now, lots), ask, plan.blocks),
    );
    const { worth } = improved(construct(sizes), 1, () => left-- > 0 && goOn(), () => {}); // prettier-ignore
    const isBetter = worth.late < late || (worth.late === late && worth.finish < plan.finish);
    gains.push({ of, finish: isBetter ? worth.finish : plan.finish, late: isBetter ? worth.late : late, gainedFinish: isBetter ? plan.finish - worth.finish : 0, gainedLate: isBetter ? late - worth.late : 0 }); // prettier-ignore
    gains.sort((a, b) => b.gainedLate - a.gainedLate || b.gainedFinish - a.gainedFinish);
    hear(gains);
  }
  return gains;
}
