import { readFileSync } from "node:fs";
import { layoutRequest } from "@/core/job/ask";
import { readJobFile } from "@/core/job/file";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { costOf } from "@/core/order/cost";
import { orderOf } from "@/core/order/order";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { highsSolver } from "./highs";

/** The demo's largest job in its shop: 24 an hour, 12 % overhead. */
const money = { currency: "GBP", rate: 24, overhead: 12, tax: 20 };

test("the demo's forty deep bodies cost what a sheet worked by hand says", async () => {
  const job = readJobFile(readFileSync("demo/1-heath-estate.json", "utf8"), { ...USUAL_WORKSHOP, money });
  const worked = workJob({ ...job, workshop: { ...job.workshop, money } });
  const layout = layOut(layoutRequest(worked), () => 0, undefined, await highsSolver());
  const order = orderOf(worked, layout);
  const [deep] = costOf(worked, layout, order).items;
  const minor = (kind: string) => deep!.parts.find((p) => p.kind === kind)?.minor ?? 0;

  // Wood of 3/4, in square inches of what is cut. Sides and ends 9 5/8 deep (Langstroth), cleats 6 × 1 1/2; of the others medium
  // bodies 6 5/8 deep, top bars 19 × 1 1/16, bottom bars 17 3/4 × 3/8 on edge.
  const bodies = 80 * (19.125 + 16.25) * 9.625 + 80 * 6 * 1.5;
  const others = 48 * (19.125 + 16.25) * 6.625 + 400 * 19 * 1.0625 + 400 * 17.75 * 0.375;
  // Paid: the boards of 3/4 as laid out, at 14.20 and 8.60; three of the yard, 11 1/4 × 72, are worth what the cheaper of them costs by
  // its face, 8.60 for 7 1/4 × 96.
  const boards = (what: string) => order.lines.find((l) => l.what === `pine board ${what}`)?.quantity ?? 0;
  const yard = Math.round(100 * 8.6 * ((11.25 * 72) / (7.25 * 96)));
  const paid =
    boards("3/4 × 11 1/4 × 96") * 1420 + boards("3/4 × 7 1/4 × 96") * 860 + boards("3/4 × 11 1/4 × 72") * yard;
  expect(boards("3/4 × 11 1/4 × 96")).toBeGreaterThan(20);
  expect(Math.abs(minor("wood") - (paid * bodies) / (bodies + others))).toBeLessThan(1);

  // Hardware by count. Long and short screws of the corners: 12 a body of both sizes, deep 480 and medium 192, of 66.00 and 38.00;
  // cleat screws 6 a body, all of the deep, 19.60; glue by area, 40 × (0.028 + 0.0117) of that and 24 × 0.0193 and 400 × 0.0011 m².
  const corners = 480 / 672;
  const glued = 40 * (0.028 + 0.0117);
  const hardware = 6600 * corners + 3800 * corners + 1960 + (1190 * glued) / (glued + 24 * 0.0193 + 400 * 0.0011);
  expect(deep!.parts.find((p) => p.kind === "hardware")!.working).toContain("71.4 % of £66.00");
  expect(Math.abs(minor("hardware") - hardware)).toBeLessThan(4);

  // Work and set-ups: its minutes at 24 an hour, 0.40 a minute; then 12 % on all of it; one of forty to a whole penny.
  expect(Math.abs(minor("work") + minor("setUps") - deep!.minutes * 40)).toBeLessThanOrEqual(2);
  const before = minor("wood") + minor("hardware") + minor("work") + minor("setUps");
  expect(Math.abs(minor("overhead") - before * 0.12)).toBeLessThanOrEqual(0.5);
  expect([deep!.total, deep!.each]).toEqual([before + minor("overhead"), Math.round(deep!.total / 40)]);
});
