import { jackson } from "./bounds";
import { Building, scheduleOf, worthOf } from "./decode";
import { type Chain, EPS, type Placed, type Schedule, type Shop } from "./shop";

/**
 * Branch and bound over schedules whose tasks are put in by their starts: every schedule in which nothing could start earlier is one of
 * them. On plain job shops only tasks in conflict with the one that could end first are tried (Giffler–Thompson). `best` is what has to
 * be beaten. Answers with what it found, and whether it went through all of it.
 */
export function branchAndBound(
  shop: Shop,
  chains: Chain[],
  best: Schedule,
  nodes: number,
  going: () => boolean,
): { best: Schedule; whole: boolean } {
  const building = new Building(shop, chains);
  const tasks = chains.flatMap((c) => c.tasks);
  const plain = shop.people === null && shop.counts.every((n) => n === 1) && tasks.every((t) => t.key < 0 || t.setUp === 0) && tasks.every((t) => t.minutes > 0); // prettier-ignore
  let left = nodes;
  let whole = true;

  /** What whoever goes on from here comes to at least. */
  function least(): number {
    const heads = chains.map((c, i) => {
      let head = building.ready[i]!;
      return c.tasks.slice(building.next[i]).map((t) => {
        head = Math.max(head, Math.min(...building.units[t.station]!.map((u) => u.free)));
        const from = head;
        head += t.minutes + t.wait;
        return { task: t, head: from };
      });
    });
    if (shop.aim === "lateness") {
      const ends = shop.jobs.map(() => 0);
      for (const p of building.placed)
        ends[chains[p.task.chain]!.job] = Math.max(ends[chains[p.task.chain]!.job]!, p.end);
      heads.forEach((of, i) => of.forEach(({ task, head }) => (ends[chains[i]!.job] = Math.max(ends[chains[i]!.job]!, head + task.minutes)))); // prettier-ignore
      return shop.jobs.reduce((sum, j, i) => sum + (j.due === null ? 0 : j.weight * Math.max(0, ends[i]! - j.due)), 0);
    }
    const open = heads.flat();
    const done = building.placed.reduce((m, p) => Math.max(m, p.end), 0);
    let bound = Math.max(done, ...open.map(({ task, head }) => head + task.minutes + task.tail));
    if (bound >= worthOf(shop, best) - EPS) return bound;
    for (const [station, count] of shop.counts.entries()) {
      if (count > 1) continue;
      const here = open.filter((o) => o.task.station === station).map(({ task, head }) => ({ head, minutes: task.minutes, tail: task.tail })); // prettier-ignore
      if (here.length > 1) bound = Math.max(bound, jackson(here));
    }
    return bound;
  }

  function go(last: number): void {
    if (left-- <= 0 || (left % 256 === 0 && !going())) {
      whole = false;
      return;
    }
    const next = chains.flatMap((_, i) => building.at(i) ?? []);
    if (next.length === 0) {
      const found = scheduleOf(shop, chains, [...building.placed]);
      if (worthOf(shop, found) < worthOf(shop, best) - EPS) best = found;
      return;
    }
    if (least() >= worthOf(shop, best) - EPS) return;
    for (const p of choices(next, last)) {
      const u = building.units[p.task.station]![p.unit]!;
      const was = { free: u.free, key: u.key, ready: building.ready[p.task.chain]! };
      building.put(p);
      go(plain ? last : p.start);
      building.takeBack(was);
      if (left <= 0) whole = false;
      if (!whole) return;
    }
  }

  function choices(next: NonNullable<ReturnType<Building["at"]>>[], last: number): Placed[] {
    if (plain) {
      const trials = next.map((t) => building.trial(t, 0));
      const first = trials.reduce((a, b) => (b.end < a.end ? b : a));
      return trials.filter((p) => p.task.station === first.task.station && p.start < first.end - EPS).sort((a, b) => b.task.tail + b.task.minutes - a.task.tail - a.task.minutes); // prettier-ignore
    }
    return next
      .flatMap((t) => {
        const units = building.units[t.station]!;
        // Units that stand alike are the same choice, and so are lots of a job that stand alike.
        const different = units.flatMap((u, i) => (units.findIndex((o) => o.free === u.free && o.key === u.key) === i ? [i] : [])); // prettier-ignore
        return different.map((unit) => building.trial(t, unit));
      })
      .filter((p) => p.start >= last - EPS)
      .sort((a, b) => a.start - b.start || b.task.tail - a.task.tail);
  }

  go(0);
  return { best, whole };
}
