import type { StockEntry } from "@/core/boards/stock";
import { layoutRequest } from "@/core/job/ask";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { densityOf } from "@/core/judge/weight";
import { layOut } from "@/core/layout/layout";
import { inch } from "@/core/length/length";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import { alternativesOf, jobWith, weighedUp } from "./instead";
import { daysInShop } from "./makeorbuy";
import { orderOf, otherPacks } from "./order";

const board = (material: string, t: [number, number], price: number): StockEntry => ({ form: "board", material, thickness: inch(0, ...t), width: inch(11, 1, 4), length: inch(96), price, available: null, source: "buy" }); // prettier-ignore
const screws = (pack: number, price: number): StockEntry => ({ form: "pack", material: "exterior screw, no. 8 × 2 1/4", pack, price, available: null, source: "buy" }); // prettier-ignore
const stock = [board("pine", [3, 4], 14.2), board("larch", [3, 4], 21), board("pine", [7, 8], 16), board("pine", [3, 8], 9), screws(200, 16.5), screws(1000, 66)]; // prettier-ignore
const line = { item: "body", standard: "langstroth-10", size: "deep", quantity: 10, options: { joint: "rabbet-ends" } };
const job: Job = { ...emptyJob("Ten", "in"), lines: [line], stock };
const weighed = (j: Job) => {
  const worked = workJob(j.wood ? { ...j, stock: j.stock.filter((s) => s.form === "pack" || s.material === j.wood) } : j); // prettier-ignore
  return weighedUp(
    worked,
    layOut(layoutRequest(worked), () => 0),
  );
};

test("what else there is to make it from is set beside it: it costs and weighs by its wood, and thicker boards that do not fit say so", () => {
  const found = alternativesOf(job, job);
  // 3/4 is what the standard has; 3/8 makes no body.
  expect(found.map((a) => [a.wood, a.thickness])).toEqual([[undefined, undefined], ["pine", undefined], ["larch", undefined], [undefined, inch(0, 7, 8)]]); // prettier-ignore
  const [asIs, pine, larch, thick] = found.map((a) => weighed(jobWith(job, a)!));
  expect([pine, asIs!.stops]).toEqual([asIs, 0]);
  // Eastern white pine is 0.35 × 1.12 × 1000 = 392 kg/m³, larch 0.52: the same pieces in another wood.
  expect([densityOf("pine"), densityOf("teak")]).toEqual([392, undefined]);
  expect(larch!.kg! / pine!.kg!).toBeCloseTo(0.52 / 0.35, 2);
  // Of ten bodies the boards are near 10 × 2 × (19 7/8 + 16 1/4) × 9 5/8 × 3/4 cubic inches, pine: 33.5 kg and the cleats.
  const bare = (10 * 2 * (19.875 + 16.25) * 9.625 * 0.75 * 0.0254 ** 3 * 392); // prettier-ignore
  expect(pine!.kg!).toBeGreaterThan(bare * 0.95);
  expect(pine!.kg!).toBeLessThan(bare * 1.15);
  expect(larch!.boards).toBe(pine!.boards);
  expect(thick!.kg!).toBeGreaterThan(pine!.kg!);
  expect(alternativesOf({ ...job, wood: "pine" }, job).map((a) => a.wood ?? a.thickness)).toEqual([undefined, "larch", inch(0, 7, 8)]); // prettier-ignore
});

test("a cover of ply can be of the next thinner or thicker sheet there is, and one act makes it so", () => {
  const sheet = (t: [number, number]): StockEntry => ({ form: "sheet", material: "birch ply", thickness: inch(0, ...t), width: inch(48), length: inch(96), price: 40, available: null, source: "buy" }); // prettier-ignore
  const cover: Job = { ...job, lines: [{ item: "cover-telescoping", standard: "langstroth-10", size: "deep", quantity: 4, options: {} }], stock: [...stock, sheet([1, 4]), sheet([3, 8]), sheet([1, 2]), sheet([3, 4])] }; // prettier-ignore
  const panel = (j: Job) => workJob(j).lines[0]!.shape.parts.find((p) => p.id === "panel")!.cut.t;
  const sheets = alternativesOf(cover, cover).filter((a) => a.sheet);
  const now = panel(cover);
  // Of a quarter, three eighths, a half and three quarters: the neighbours of what it is.
  const all = [inch(0, 1, 4), inch(0, 3, 8), inch(0, 1, 2), inch(0, 3, 4)];
  expect(sheets.map((a) => a.thickness)).toEqual([all.findLast((t) => t < now), all.find((t) => t > now)].filter(Boolean)); // prettier-ignore
  for (const a of sheets) expect([a.sheet, panel(jobWith(cover, a)!)]).toEqual([{ material: "birch ply", instead: now }, a.thickness]); // prettier-ignore
});

test("a size of pack that is chosen is bought in no other; what lies in the yard is used first all the same", () => {
  const chosen: StockEntry = { ...(screws(1000, 66) as Extract<StockEntry, { form: "pack" }>), chosen: true };
  const packs = (more: StockEntry[]) => {
    const worked = workJob({ ...job, stock: [...stock, ...more] });
    const { lines } = orderOf(
      worked,
      layOut(layoutRequest(worked), () => 0),
    );
    return lines.find((l) => l.what.startsWith("exterior screw, no. 8 × 2 1/4"))!;
  };
  expect(packs([]).packs).toEqual([{ size: 200, count: 1, price: 16.5 }]);
  expect(packs([chosen]).packs).toEqual([{ size: 1000, count: 1, price: 66 }]);
  const lying: StockEntry = {
    form: "pack",
    material: chosen.material,
    pack: 50,
    price: 0,
    available: 1,
    source: "yard",
  };
  expect(packs([chosen, lying])).toMatchObject({ bought: 76, price: 66 });
});

test("another size of pack says what it would come to; days are working days with all hands at it", () => {
  const worked = workJob(job);
  const { lines } = orderOf(
    worked,
    layOut(layoutRequest(worked), () => 0),
  );
  // 10 × 12 and 5 % are 126 screws.
  expect(otherPacks(lines.find((l) => l.what.startsWith("exterior screw, no. 8 × 2 1/4"))!, stock)).toEqual([{ pack: 1000, count: 1, price: 66 }]); // prettier-ignore
  const two = { ...USUAL_WORKSHOP, people: 2, staff: [], hours: [[480, 720], [780, 1020]] as [number, number][] }; // prettier-ignore
  // Two people are 960 minutes a day.
  expect([0, 1, 960, 961].map((m) => daysInShop(m, two))).toEqual([0, 1, 1, 2]);
});
