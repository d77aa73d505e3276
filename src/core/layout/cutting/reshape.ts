import {
  type CuttingProblem,
  type CutPiece,
  given,
  type Item,
  type Pattern,
  type Section,
  type Stretch,
  type Strip,
  type Used,
} from "./problem";

/**
 * Patterns and problems put into another shape, with nothing won or lost: pieces alike made one and told apart again, what a pattern
 * gives too much taken out of it.
 *
 * Two lines want 6 and 4 sides of 19 1/8 × 9 5/8. Merged they are one piece, 10 wanted; a pattern with 4 of it is cut twice, one with 2
 * once. Split, the first board is [4, 0], the second [0, 4], the third [2, 0].
 */

/** Pieces alike in size and turning become one; `of` says which each was. */
export function merge(problem: CuttingProblem): { merged: CuttingProblem; of: number[] } {
  const at = new Map<string, number>();
  const pieces: CutPiece[] = [];
  const of = problem.pieces.map((p) => {
    const key = `${p.length} ${p.width} ${p.turn} ${p.block ?? false} ${p.from?.join() ?? ""}`;
    let i = at.get(key);
    if (i === undefined) {
      i = pieces.length;
      at.set(key, i);
      pieces.push({ ...p });
    } else pieces[i] = { ...pieces[i]!, quantity: pieces[i]!.quantity + p.quantity };
    return i;
  });
  return { merged: { ...problem, pieces }, of };
}

/** Gives merged pieces their own names back; a pattern whose pieces go over from one name into another becomes two. */
export function split(
  problem: CuttingProblem,
  merged: CuttingProblem,
  of: number[],
  answered: Used,
): { used: Used; short: { piece: number; quantity: number }[] } {
  const queue = merged.pieces.map((): { piece: number; left: number }[] => []);
  of.forEach((m, piece) => queue[m]!.push({ piece, left: problem.pieces[piece]!.quantity }));
  // The name that has just enough left for all of it, or else most: so that few patterns go over into another.
  const next = (m: number, wanted = 1) => {
    const open = queue[m]!.filter((q) => q.left > 0).sort((a, b) => a.left - b.left);
    return (open.find((q) => q.left >= wanted) ?? open.at(-1))!;
  };
  const used: Used = [];
  for (const { pattern, repeat } of answered.toSorted((a, b) => b.repeat - a.repeat)) {
    for (let open = repeat; open > 0;) {
      const from = pattern.gives.map((n, m) => (n > 0 ? next(m, n * open) : undefined));
      const times = Math.min(open, ...from.flatMap((q, m) => (q ? [Math.floor(q.left / pattern.gives[m]!)] : [])));
      if (times > 0) {
        const named = from.map((q) => q?.piece ?? -1);
        from.forEach((q, m) => q && (q.left -= pattern.gives[m]! * times));
        used.push({
          repeat: times,
          pattern: renamed(pattern, (item) => [{ ...item, piece: named[item.piece]! }], problem.pieces.length),
        });
        open -= times;
      } else {
        const naming = (item: Item): Item[] => {
          const out: Item[] = [];
          for (let n = item.count; n > 0;) {
            const q = next(item.piece);
            const count = Math.min(n, q.left);
            q.left -= count;
            n -= count;
            out.push({ ...item, piece: q.piece, count });
          }
          return out;
        };
        used.push({ repeat: 1, pattern: renamed(unfolded(pattern), naming, problem.pieces.length) });
        open--;
      }
    }
  }
  const short = queue.flat().flatMap(({ piece, left }) => (left > 0 ? [{ piece, quantity: left }] : []));
  return { used, short };
}

/** A pattern with every strip and section by itself. */
export const unfolded = (p: Pattern): Pattern => ({
  ...p,
  stretches: p.stretches.map((t) => ({
    ...t,
    strips: t.strips.flatMap((s) =>
      Array.from({ length: s.count }, (): Strip => ({
        ...s,
        count: 1,
        sections: s.sections.flatMap((x) => Array.from({ length: x.count }, (): Section => ({ ...x, count: 1 }))),
      })),
    ),
  })),
});

/** A pattern with its items named anew, of so many pieces. */
export function renamed(pattern: Pattern, name: (item: Item) => Item[], pieces: number): Pattern {
  const section = (x: Section): Section => ({ ...x, items: x.items.flatMap(name) });
  const stretches = pattern.stretches.map((t) => ({
    ...t,
    strips: folded(t.strips.map((s) => ({ ...s, sections: gathered(s.sections.map(section)) }))),
  }));
  return { ...pattern, stretches, gives: given(stretches, pieces) };
}

/** Takes out what patterns give above what is wanted, from as few of them as possible; empty ones are left out. */
export function trimmed(used: Used, wanted: number[]): Used {
  let all = used;
  wanted.forEach((n, i) => {
    let over = all.reduce((s, u) => s + u.repeat * u.pattern.gives[i]!, 0) - n;
    if (over <= 0) return;
    all = [...all]
      .sort((a, b) => a.repeat - b.repeat)
      .flatMap(({ pattern, repeat }) => {
        const each = pattern.gives[i]!;
        if (over <= 0 || each === 0) return [{ pattern, repeat }];
        const empty = Math.min(repeat, Math.floor(over / each));
        over -= empty * each;
        const part = empty < repeat && over > 0 ? over : 0;
        over -= part;
        return [
          { pattern, repeat: repeat - empty - (part > 0 ? 1 : 0) },
          { pattern: without(pattern, i, each), repeat: empty },
          { pattern: without(pattern, i, part), repeat: part > 0 ? 1 : 0 },
        ].filter((u) => u.repeat > 0 && u.pattern.stretches.length > 0);
      });
  });
  return all;
}

/** A pattern with `n` fewer of one piece; what is then empty is left out. */
function without(pattern: Pattern, piece: number, n: number): Pattern {
  let over = n;
  const stretches = unfolded(pattern).stretches.flatMap((t) => {
    const strips = t.strips.flatMap((s): Strip[] => {
      const sections = s.sections.flatMap((x): Section[] => {
        const items = x.items.flatMap((it): Item[] => {
          const taken = it.piece === piece ? Math.min(over, it.count) : 0;
          over -= taken;
          return it.count > taken ? [{ ...it, count: it.count - taken }] : [];
        });
        return items.length > 0 ? [{ ...x, items }] : [];
      });
      return sections.length > 0 ? [{ ...s, sections: gathered(sections) }] : [];
    });
    return strips.length > 0 ? [{ ...t, strips: folded(strips) }] : [];
  });
  return { ...pattern, stretches, gives: given(stretches, pattern.gives.length) };
}

/** Strips that are alike as one with a count. */
export function folded(strips: Strip[]): Strip[] {
  const out = new Map<string, Strip>();
  for (const s of strips) {
    const key = JSON.stringify([s.size, s.sections]);
    const before = out.get(key);
    out.set(key, before ? { ...before, count: before.count + s.count } : s);
  }
  return [...out.values()];
}

/** A pattern without what it gives above what is left; undefined when nothing remains. */
export function clipped(pattern: Pattern, left: number[]): Pattern | undefined {
  const rest = [...left];
  const stretches = pattern.stretches.flatMap((t): Stretch[] => {
    const strips = t.strips.flatMap((s) =>
      Array.from({ length: s.count }, (): Strip => {
        const sections = fit(s.sections, rest);
        given([{ strips: [{ size: 0, count: 1, sections }] }], rest.length).forEach((n, i) => (rest[i]! -= n));
        return { ...s, count: 1, sections };
      }).filter((x) => x.sections.length > 0),
    );
    return strips.length > 0 ? [{ ...t, strips }] : [];
  });
  return stretches.length > 0 ? { ...pattern, stretches, gives: given(stretches, left.length) } : undefined;
}

/** Leaves out of a strip's sections what is more than is left. */
export function fit(sections: Section[], left: number[]): Section[] {
  const rest = [...left];
  const out: Section[] = [];
  for (const section of sections) {
    for (let n = 0; n < section.count; n++) {
      const items = section.items.flatMap((i): Item[] => {
        const count = Math.min(i.count, rest[i.piece]!);
        rest[i.piece]! -= count;
        return count > 0 ? [{ ...i, count }] : [];
      });
      if (items.length > 0) out.push({ ...section, count: 1, items });
    }
  }
  return gathered(out);
}

/** Sections that are alike, one after another, as one with a count. */
export function gathered(sections: Section[]): Section[] {
  const out = new Map<string, Section>();
  for (const s of sections) {
    const key = `${s.size} ${s.items.map((i) => `${i.piece}${i.turned}${i.count}`).join()}`;
    const before = out.get(key);
    out.set(key, before ? { ...before, count: before.count + s.count } : s);
  }
  return [...out.values()];
}
