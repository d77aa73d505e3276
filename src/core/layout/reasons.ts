import type { GroupLayout } from "./lay";
import { type LayoutResult, STYLES } from "./layout";

/**
 * Why no layout of one thickness can cost less than its bound, a step a sentence, with what it does cost at the end.
 * `money` writes an amount.
 */
export function reasonsText(result: LayoutResult, group: GroupLayout, money: (n: number) => string): string[] {
  const { size, fractions, counts, refuted, tried } = group.reasons;
  const pinned = group.layouts.reduce(
    (n, l) => n + (l.pin === undefined ? 0 : l.repeat * result.request.stock[l.stock]!.price),
    0,
  );
  if (group.short.length > 0)
    return ["There are too few boards for every part, so nothing is said of the least they could cost."];
  const steps: string[] = [];
  if (pinned > 0) steps.push(`The pinned layouts cost ${money(pinned)}; what follows is of the rest.`);
  if (group.boundStyle === "any" || fractions === undefined)
    steps.push(
      `By size alone, a saw cut to each part, the parts fill boards for at least ${money(size)}, however they are cut.`,
    );
  else
    steps.push(
      `If fractions of a board could be bought, the cheapest mix of all ways of ${STYLES[group.boundStyle]} would cost ${money(fractions)}. Boards come whole.`,
    );
  if (counts !== undefined)
    steps.push(
      `With whole numbers of each kind of board, the ways to cut them still mixed in fractions, nothing costs less than ${money(counts)}.${
        refuted
          ? ` ${refuted === 1 ? "One choice of such numbers is" : `${refuted} choices of such numbers are`} left out of that: fractions of so many boards would do, but no whole layouts of them give every part.`
          : ""
      }`,
    );
  if (tried)
    steps.push(
      `${tried.patterns.toLocaleString("en-GB")} ways to cut a board, none bettered by another, waste so little that they could be part of a layout for ${money(tried.upTo)} or less: no whole numbers of them give every part.`,
    );
  const least = `So the least is ${money(group.boundCost)}`;
  steps.push(
    group.cost <= group.boundCost + 1e-9
      ? `${least}, and that is what this layout costs.`
      : `${least}; this layout costs ${money(group.cost)}. Whether one between can be cut is not known.`,
  );
  return steps;
}
