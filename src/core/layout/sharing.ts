import { usable } from "@/core/boards/clear";
import type { GroupLayout } from "./lay";
import { type Group, type LayoutRequest, serves } from "./request";

/**
 * Thicknesses that do better together: one has run out of boards or buys some, and the other has boards that can be planed to it. They
 * become one group, in which every blank may come from each board that can be planed to it. Undefined when each is best
 * left on its own.
 */
export function sharing(request: LayoutRequest, groups: Group[], answers: GroupLayout[]): Group[] | undefined {
  const joins = groups.map((_, k) => k);
  const root = (k: number): number => (joins[k] === k ? k : root(joins[k]!));
  for (const [k, group] of groups.entries()) {
    const { short, cost } = answers[k]!;
    for (const [h, other] of groups.entries()) {
      const helps = other.stock.some((i) => {
        const board = request.stock[i]!;
        const room = usable(board, request.saw);
        const wanted = short.length > 0 || cost > 0;
        return (
          wanted && group.lying.some((l) => serves(board, l) && l.width <= room.width && l.blank.length <= room.length)
        );
      });
      if (h !== k && helps) joins[root(h)] = root(k);
    }
  }
  const sets = new Map<number, Group[]>();
  for (const [k, g] of groups.entries()) sets.set(root(k), [...(sets.get(root(k)) ?? []), g]);
  if (sets.size === groups.length) return undefined;
  return [...sets.values()].map((set) => (set.length === 1 ? set[0]! : asOne(set, request)));
}

/** Several thicknesses as one group: each blank keeps the boards it had, and gets those that can be planed to it. */
function asOne(groups: Group[], { stock }: LayoutRequest): Group {
  const all = groups.flatMap((g) => g.stock).sort((a, b) => a - b);
  return {
    thickness: groups.reduce((least, g) => (g.thickness < least ? g.thickness : least), groups[0]!.thickness),
    stock: all,
    lying: groups.flatMap((g) =>
      g.lying.map((l) => ({
        ...l,
        from: all.flatMap((i, at) => (g.stock.includes(i) || serves(stock[i]!, l) ? [at] : [])),
      })),
    ),
  };
}
