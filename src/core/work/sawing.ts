import type { Hazard } from "@/core/feature/hazard";
import type { Station } from "@/core/feature/machine";
import { trims } from "@/core/boards/saw";
import { lengthWithUnit } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";
import { type PartId, pieceKey } from "@/core/line/line";
import { isHeldLong, type SawStep, type SetUp, setUps } from "@/core/layout/setups";
import type { LayoutResult } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import type { Minutes } from "@/core/shop/shop";
import { type Operation, operation } from "./operation";

/** Minutes at the saw before there is evidence from the shop: starting guesses [mem]. */
const GUESS: Record<SawStep, { setup: number; each: number }> = {
  joint: { setup: 8, each: 2 },
  resaw: { setup: 10, each: 4 },
  section: { setup: 5, each: 0.5 },
  block: { setup: 5, each: 0.5 },
  rip: { setup: 5, each: 1.5 },
  slice: { setup: 5, each: 0.3 },
  crosscut: { setup: 5, each: 0.5 },
  trim: { setup: 5, each: 0.5 },
  plane: { setup: 10, each: 1.5 },
};

const SAID: Record<SawStep, { name: string; check: string; of: string }> = {
  joint: { name: "Joint one edge straight", check: "no light under a straight edge", of: "boards" },
  resaw: {
    name: "Resaw to thinner boards",
    check: "measure the first at both ends and in the middle: a blade that drifts shows there",
    of: "boards",
  },
  section: { name: "Crosscut to sections", check: "measure the first section", of: "sections" },
  block: { name: "Crosscut to blocks", check: "measure the first block, and that its ends are square", of: "blocks" },
  rip: { name: "Rip to width", check: "measure the first strip at both ends", of: "strips" },
  slice: { name: "Slice the blocks", check: "measure the first slice at both ends", of: "slices" },
  crosscut: { name: "Crosscut to length", check: "measure the first piece", of: "pieces" },
  trim: { name: "Trim to size", check: "measure the first piece", of: "pieces" },
  plane: { name: "Plane to thickness", check: "measure the first at both ends", of: "" },
};

const HELD = "measure the first section: longer than its pieces, so that it is held while it is ripped";

/** The kinds of operation at the saw, with the guess each begins with. */
export const SAW_KINDS = (Object.keys(GUESS) as SawStep[]).map((step) => ({ kind: SAID[step].name, ...GUESS[step] }));

/** Minutes one more set-up takes at the saw, as the shop says or as they are guessed: half are fences, half stops. */
export const setUpMinutes = (said: Record<string, Minutes>): number =>
  (["rip", "crosscut"] as const).reduce((sum, step) => sum + (said[SAID[step].name] ?? GUESS[step]).setup / 2, 0);

const STATION: Partial<Record<SawStep, Station>> = { joint: "jointer", resaw: "band saw", plane: "planer" };

/** Narrower than 1/2" the rip is a thin strip. */
const THIN = 12_700_000;

/** The saw's set-ups as operations, in sawing order; what each brings to size, it makes. */
export function sawing(
  layout: LayoutResult,
  minHold: Length,
  units: Units,
  name: (part: PartId) => string,
): { op: Operation; up: SetUp }[] {
  const ups = setUps(layout);
  const ids = new Map(ups.map((s, i) => [s.id, `${s.step}-${i + 1}`]));
  return ups.map((up) => {
    const makes = up.blanks.flatMap((b) => {
      const pieces = up.finishes.get(pieceKey(b.of)) ?? 0;
      return pieces > 0 && !b.staves ? [{ part: b.of, feature: null, pieces }] : [];
    });
    const parts = [...new Map(up.blanks.map((b) => [pieceKey(b.of), name(b.of)])).values()];
    const many = SAID[up.step].of;
    const what = up.count === 1 ? many.replace(/s$/, "") : many;
    const op = operation({
      id: ids.get(up.id)!,
      name: SAID[up.step].name,
      station: STATION[up.step] ?? "table saw",
      pieces: up.count,
      of: `${what}${what ? " for " : ""}${[...new Set(parts)].join(", ")}`,
      makes,
      boards: up.begins,
      // Of a panel its staves go through: as many more are sawn, and none of them is another piece.
      parts: new Map(up.blanks.filter((b) => !b.staves).map((b) => [pieceKey(b.of), up.through.get(pieceKey(b.of))!])),
      settings:
        up.step === "joint"
          ? []
          : [{ kind: up.step === "plane" ? "take off" : up.kind === "crosscut" ? "stop" : "fence", value: up.setting }],
      how: squared(up, layout.request, units),
      ...GUESS[up.step],
      after: [...up.after].map((a) => ids.get(a)!),
      hazard: hazardOf(up, minHold),
      check: isHeldLong(up, minHold) ? HELD : SAID[up.step].check,
    });
    return { op, up };
  });
}

/** What is measured from has to be square: boards are squared where they are worked first, a rough one once it has a straight edge. */
function squared({ step, begins }: SetUp, { stock, saw }: LayoutRequest, units: Units): string[] {
  const boards = [...begins.keys()].map((k) => stock[k]!);
  const ends = [...new Set(boards.map((b) => trims(b, saw).end))].filter((end) => end > 0);
  if (step === "resaw" || ends.length === 0) return [];
  const each = boards.every((b) => b.form === "board") ? "board" : "sheet";
  const off = ends.map((end) => lengthWithUnit(end, units)).join(" or ");
  return [`${step === "joint" ? "Then square" : "Square"} one end of each ${each}${step === "joint" ? "" : " first"}: take off ${off}.`];
} // prettier-ignore

function hazardOf(up: SetUp, minHold: Length): Hazard {
  if (up.step === "joint" || up.step === "resaw" || up.step === "plane") return up.step;
  if (up.kind === "rip") return up.setting < THIN ? "thin" : "rip";
  return up.setting < minHold ? "short" : "crosscut";
}
