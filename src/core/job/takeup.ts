import type { Pinned } from "@/core/boards/laid";
import type { Act } from "./acts";
import type { Job } from "./job";

/**
 * An act that names boards of the yard or the catalogue by their place in the job as it stands in its shop, so that it can be done
 * to the job itself: they are taken up into its stock before it.
 */
export function takingUp(act: Act, job: Job, inShop: Job): { before: Act[]; act: Act } {
  const taken = new Map<number, number>();
  const place = (at: number): number => {
    if (at < job.stock.length || !inShop.stock[at]) return at;
    const known = taken.get(at) ?? job.stock.length + taken.size;
    taken.set(at, known);
    return known;
  };
  const moved = at(act, place);
  return { before: [...taken.keys()].map((n): Act => ({ do: "add stock", stock: inShop.stock[n]! })), act: moved };
}

/** The act with its places in the stock as they are then. */
function at(act: Act, place: (at: number) => number): Act {
  switch (act.do) {
    case "strike out":
    case "resaw":
    case "bad stretches":
      return { ...act, at: place(act.at) };
    case "pin":
    case "hold":
      return { ...act, pinned: act.pinned.map((p): Pinned => ({ ...p, stock: place(p.stock) })) };
    default:
      return act;
  }
}
