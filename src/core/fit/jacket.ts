import { inch, nm } from "@/core/length/length";
import type { Standing } from "@/core/line/standing";
import type { Finding, State } from "./finding";
import type { Ruler } from "./ruler";

/** A jacket is as high as the boxes it stands round, and goes over them. */
export function jacketed(jacket: Standing, all: Standing[], r: Ruler): Finding[] {
  const boxes = all.filter((s) => s.as === "body" && s.at < jacket.at);
  const last = boxes.at(-1);
  if (!last?.inside || !jacket.shape)
    return [
      r.missing(
        "jacket-fit",
        "Jacket",
        jacket.at,
        "no box under it to stand round",
        "put it after the box it goes round",
      ),
    ];
  const sums = boxes.toReversed().reduce<number[]>((list, s) => [...list, (list.at(-1) ?? 0) + s.height], []);
  const nearest = sums.reduce((a, b) => (Math.abs(b - jacket.height) < Math.abs(a - jacket.height) ? b : a));
  const high = r.work(
    "Jacket against its boxes",
    [
      ["jacket", "jacket, high", jacket.height],
      ["boxes", "boxes inside it, high", nearest],
    ],
    "jacket - boxes",
  );
  const off: State = Math.abs(high.value) <= inch(0, 1, 16) ? "ok" : "stop";
  return [
    r.finding(
      {
        rule: "jacket-height",
        label: "Jacket against its boxes",
        at: jacket.at,
        state: off,
        allowed: [nm(-inch(0, 1, 16)), inch(0, 1, 16)],
        text:
          off === "ok"
            ? "ends level"
            : `${r.say(Math.abs(high.value))} ${high.value > 0 ? "stands up past the box: the cover rocks" : "short of the box"}`,
        advice: "give it the height of the boxes inside",
      },
      high,
    ),
  ];
}
