import type { Units } from "@/core/length/length";
import { chainOf, low, type Standing } from "@/core/line/standing";
import type { Judging } from "./bands";
import { complete } from "./complete";
import { excluderCover } from "./excluder";
import type { Finding } from "./finding";
import { footprintStep } from "./footprint";
import { jacketed } from "./jacket";
import { ruler } from "./ruler";
import { skirted } from "./skirt";
import { spaces } from "./spaces";

/** Every place where two things of a hive meet, judged; a finding's `line` is the level it is found at, from the ground. */
export function judgeStack(standing: Standing[], by: Judging): Finding[] {
  const { units } = by;
  const chain = chainOf(standing);
  const rule = ruler(by);
  return [
    ...complete(chain, rule),
    ...chain.flatMap((s, i) => (s.as === "body" ? spaces(chain, i, rule) : [])),
    ...chain.slice(1).flatMap((upper, i) => stepped(upper, chain[i]!, units)),
    ...chain.flatMap((s, i) => (s.as === "sheet" && s.excludes ? excluded(chain, i, units) : [])),
    ...chain.flatMap((s) => (s.skirt ? skirted(standing, s, rule) : [])),
    ...standing.filter((s) => s.as === "jacket").flatMap((s) => jacketed(s, standing, rule)),
  ];
}

/** What two things say of each other where one stands on the other; nothing of what else a hive would need. */
export function judgeMeeting(lower: Standing, upper: Standing, by: Judging): Finding[] {
  const alone = ["floor-missing", "cover-missing", "inner-cover-missing", "jacket-fit", "jacket-height"];
  return judgeStack([lower, { ...upper, foot: lower.height }], by).filter((f) => !alone.includes(f.rule));
}

/** How far the outsides of neighbours differ, each side, where they do. A cover's skirt goes over; a stand may be any size. */
function stepped(upper: Standing, lower: Standing, units: Units): Finding[] {
  if (upper.skirt || lower.as === "stand") return [];
  const step = footprintStep(
    { name: low(lower), ...lower },
    { name: low(upper), ...upper },
    {
      label: `${upper.title} on ${low(lower)}`,
      line: upper.at,
      units,
      lies: "under",
      advice: `make ${upper.as === "body" ? low(lower) : low(upper)} to the box it meets`,
    },
  );
  return step.state === "ok" ? [] : [step];
}

/** How much of each wall's edge below and above an excluder covers. */
function excluded(chain: Standing[], i: number, units: Units): Finding[] {
  const sheet = chain[i]!;
  return [chain[i - 1], chain[i + 1]].flatMap((box) =>
    box?.inside
      ? [
          excluderCover(
            sheet.outside,
            { inside: box.inside, outside: box.outside },
            { label: `Excluder on ${low(box)}`, line: sheet.at, units, advice: "make its rim to the box" },
          ),
        ]
      : [],
  );
}
