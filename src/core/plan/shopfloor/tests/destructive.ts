import type { Shop } from "@/core/plan/shopfloor/shop";

/**
 * Shows that no schedule of a job shop ends by a minute: every step has a window it lies in, windows are narrowed by what must come before
 * what on each machine until nothing moves (immediate selection and edge finding: Carlier and Pinson 1990), and each step is tried at either
 * end of its window (shaving: Martin and Shmoys 1996). A window too narrow for its step is a contradiction. Not the program's own bound.
 */
export function cannotEndBy({ jobs, counts }: Shop, end: number, goOn: () => boolean = () => true): boolean {
  const minutes: number[] = [];
  const machines: number[][] = counts.map(() => []);
  const [before, after]: number[][] = [[], []];
  const earliest: number[] = [];
  const latest: number[] = [];
  for (const { steps } of jobs)
    for (const [k, s] of steps.entries()) {
      const o = minutes.push(s.minutes) - 1;
      machines[s.station]!.push(o);
      before!.push(k > 0 ? o - 1 : -1);
      after!.push(k < steps.length - 1 ? o + 1 : -1);
      earliest.push(steps.slice(0, k).reduce((n, x) => n + x.minutes, 0));
      latest.push(end - steps.slice(k + 1).reduce((n, x) => n + x.minutes, 0));
    }
  const p = Int32Array.from(minutes);
  const narrowed = (est: Int32Array, lct: Int32Array) => narrow(p, machines, before!, after!, est, lct);
  const [est, lct] = [Int32Array.from(earliest), Int32Array.from(latest)];
  if (!narrowed(est, lct)) return true;
  for (let moved = true; moved;) {
    moved = false;
    for (let o = 0; o < p.length; o++) {
      // The first part of its window, halved until it may lie there; then the last.
      for (let part = (lct[o]! - p[o]! - est[o]!) >> 1; part >= 0; part = part === 0 ? -1 : part >> 1) {
        if (!goOn()) return false;
        const [e, l] = [est.slice(), lct.slice()];
        l[o] = Math.min(l[o]!, est[o]! + part + p[o]!);
        if (narrowed(e, l)) continue;
        est[o] = est[o]! + part + 1;
        moved = true;
        if (!narrowed(est, lct)) return true;
      }
      for (let part = (lct[o]! - p[o]! - est[o]!) >> 1; part >= 0; part = part === 0 ? -1 : part >> 1) {
        if (!goOn()) return false;
        const [e, l] = [est.slice(), lct.slice()];
        e[o] = Math.max(e[o]!, lct[o]! - p[o]! - part);
        if (narrowed(e, l)) continue;
        lct[o] = lct[o]! - part - 1;
        moved = true;
        if (!narrowed(est, lct)) return true;
      }
    }
  }
  return false;
}

/** Narrows windows until nothing moves; false where a step has no room in its own. */
function narrow(p: Int32Array, machines: number[][], before: number[], after: number[], est: Int32Array, lct: Int32Array): boolean {
  for (let moved = true; moved; ) {
    moved = false;
    const later = (o: number, to: number) => {
      if (to > est[o]!) [est[o], moved] = [to, true];
    };
    const sooner = (o: number, to: number) => {
      if (to < lct[o]!) [lct[o], moved] = [to, true];
    };
    for (let o = 0; o < p.length; o++) if (before[o]! >= 0) later(o, est[before[o]!]! + p[before[o]!]!);
    for (let o = p.length - 1; o >= 0; o--) {
      if (after[o]! >= 0) sooner(o, lct[after[o]!]! - p[after[o]!]!);
      if (est[o]! + p[o]! > lct[o]!) return false;
    }
    for (const all of machines) {
      // Windows as they were before this machine was looked at: what follows from wider ones holds.
      const [starts, ends] = [est.slice(), lct.slice()];
      // All that must lie between the beginning of one window and the end of another.
      const byStart = all.toSorted((a, b) => starts[b]! - starts[a]!);
      for (const last of all) {
        const to = ends[last]!;
        let sum = 0;
        for (const first of byStart) {
          if (ends[first]! > to) continue;
          sum += p[first]!;
          const from = starts[first]!;
          if (from + sum > to) return false;
          for (const o of all) {
            if (starts[o]! >= from && ends[o]! <= to) continue;
            // It is neither before nor among them: it comes after all; and the other way about.
            if (Math.min(from, starts[o]!) + sum + p[o]! > to) later(o, from + sum);
            if (from + sum + p[o]! > Math.max(to, ends[o]!)) sooner(o, to - sum);
          }
        }
      }
      for (const a of all)
        for (const b of all)
          if (a !== b && est[a]! + p[a]! + p[b]! > lct[b]!) {
            later(a, est[b]! + p[b]!);
            sooner(b, lct[a]! - p[a]!);
          }
      for (const o of all) if (est[o]! + p[o]! > lct[o]!) return false;
    }
  }
  return true;
} // prettier-ignore
