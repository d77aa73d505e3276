import type { Instance } from "../tasks";

/**
 * The earliest finish of a small instance, and how late it has to be at least, by trying everything: every order of tasks, each by every choice of people at every
 * station of its kind, as early as those before it let it.
 */
export function everything({ tasks, families, stations, hands, jobs, now, begun }: Instance): {
  finish: number;
  late: number;
} {
  const n = tasks.length;
  const [end, done] = [new Float64Array(n), new Uint8Array(n)];
  const units = stations.map((s) => Array.from({ length: s.count }, () => ({ free: 0, key: -1 })));
  const free = Array.from({ length: hands.count }, () => now);
  const best = { finish: Infinity, late: Infinity };
  const some = (of: number[], k: number): number[][] => (k === 0 ? [[]] : of.flatMap((p, i) => some(of.slice(i + 1), k - 1).map((rest) => [p, ...rest]))); // prettier-ignore
  const go = (left: number) => {
    if (left === 0) {
      const ready = jobs.map((j) => Math.max(now, j.from));
      for (const [t, { family }] of tasks.entries()) {
        const f = families[family]!;
        ready[f.job] = Math.max(ready[f.job]!, end[t]! + f.work.wait);
      }
      best.finish = Math.min(best.finish, Math.max(...ready));
      best.late = Math.min(best.late, jobs.reduce((sum, j, i) => sum + (j.due === null ? 0 : Math.max(0, ready[i]! - j.due)), 0)); // prettier-ignore
      return;
    }
    for (let t = 0; t < n; t++) {
      const task = tasks[t]!;
      if (done[t] || task.after.some((a) => !done[a])) continue;
      const f = families[task.family]!;
      const ready = Math.max(f.release, now, ...task.after.map((a) => end[a]! + families[tasks[a]!.family]!.work.wait));
      for (const unit of units[f.station]!)
        for (const who of some(stations[f.station]!.able, f.people)) {
          const w = hands.all(who);
          const setUp = f.key >= 0 && unit.key !== f.key ? f.setUp : 0;
          const start = w.next(Math.max(ready, unit.free, ...who.map((p) => free[p]!)));
          const was = { ...unit };
          const were = who.map((p) => free[p]!);
          end[t] = w.end(start, task.minutes + setUp);
          done[t] = 1;
          Object.assign(unit, { free: end[t]! + (stations[f.station]!.held ? f.work.wait : 0), key: f.key >= 0 ? f.key : unit.key }); // prettier-ignore
          for (const p of who) free[p] = end[t]!;
          go(left - 1);
          done[t] = 0;
          Object.assign(unit, was);
          for (const [i, p] of who.entries()) free[p] = were[i]!;
        }
    }
  };
  for (const [t, b] of [...begun].toSorted(([, x], [, y]) => x.end - y.end || x.start - y.start)) {
    const f = families[tasks[t]!.family]!;
    const unit = units[f.station]![b.unit]!;
    [end[t], done[t]] = [b.end, 1];
    Object.assign(unit, { free: Math.max(unit.free, b.end + (stations[f.station]!.held ? f.work.wait : 0)), key: f.key >= 0 ? f.key : unit.key }); // prettier-ignore
    for (const p of b.who) free[p] = Math.max(free[p]!, b.end);
  }
  go(n - begun.size);
  return best;
}
