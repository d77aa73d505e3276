import { readFileSync } from "node:fs";
import { inch } from "@/core/length/length";
import { layoutRequest } from "@/core/job/ask";
import { readJobFile } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import { pin } from "@/core/layout/byhand";
import { aboveLeast, allLayouts, layOut } from "@/core/layout/layout";
import type { LayoutRequest } from "@/core/layout/request";
import { blank, board, request } from "@/core/layout/tests/samples";
import { verify } from "@/core/layout/tests/verify";
import { tradeOff } from "@/core/layout/tradeoff";

const asked = (file: string) => layoutRequest(workJob(readJobFile(readFileSync(`demo/${file}.json`, "utf8"))));
const lay = (r: LayoutRequest, setUp = 0) => layOut({ ...r, weighing: { ...r.weighing, setUp } }, () => 0);

const apart = request(
  [[19, 9.625, 26], [31, 3.5, 19], [11.375, 5.5, 23], [40, 2.25, 17]].map(([l, w, n], i) => blank(`p${i}`, inch(0, l! * 8, 8), inch(0, w! * 8, 8), n!)),
  [board(), board({ width: inch(7, 1, 4), price: 8.6 })],
); // prettier-ignore
const pinned = { ...apart, pinned: pin({ ...allLayouts(lay(apart)).at(-1)!.layout, repeat: 1 }, apart) };

test.each([
  ["each thickness alone", apart],
  ["with some of it pinned", pinned],
  ["with an offcut held to be worth a half", { ...apart, weighing: { setUp: 0, offcut: 0.5 } }],
  ["pinned, and all of it", { ...pinned, weighing: { setUp: 0, offcut: 1 } }],
  ["where thicknesses may share boards", asked("3-allotment")],
])("the price of a point of the front shows that point, and the page says of both how far above the least they are: %s", (_, r) => {
  const first = lay(r);
  const points = tradeOff(first);
  expect(points.length).toBeGreaterThan(1);
  // Of layouts found on the way some are dearer with as many set-ups.
  expect(tradeOff({ ...first, front: first.front.flatMap((p) => [p, { ...p, cost: p.cost + 1 }]) })).toEqual(points);
  expect(first).toMatchObject({ cost: points[0]!.cost, setUps: points[0]!.setUps });
  for (const { price, cost, setUps, above } of points) {
    const shown = lay(r, price);
    expect(shown).toMatchObject({ cost, setUps });
    verify(shown, r);
    expect(aboveLeast(shown)).toBeCloseTo(above, 9);
    // Whichever is shown, the others are still to be had.
    expect(tradeOff(shown)).toEqual(points);
  }
}); // prettier-ignore
