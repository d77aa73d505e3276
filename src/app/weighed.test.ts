/** @jest-environment node */
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { designFrom } from "@/core/designs/start";
import { RECIPES } from "@/core/recipes";
import { ownStandard } from "./tests/samples";
import { shopStore } from "@/store/shop";
import { USUAL_WORKSHOP } from "@/core/shop/shop";
import type { Row } from "@/core/weigh/rows";
import { fromXlsx, pagesOf } from "@/exchange/tests/readBack";
import { GET } from "./api/weigh/file/[file]/route";
import { POST } from "./api/weigh/route";

process.env.RUNDIK_DB = ":memory:";
/** Eight hives are changed so often; 200 times with `npm run figures`. */
const CHANGES = Number(process.env.RUNDIK_CHANGES ?? 3);

const level = (item: string, size = "deep", options: object = {}) => ({ item, standard: "langstroth-10", size, options }); // prettier-ignore
const hive = (name: string, size: string, thickness = "3/4") => ({ name, hive: [level("floor-solid"), level("body", "deep", { thickness }), level("body", size), level("inner-cover"), level("cover-telescoping")] }); // prettier-ignore
const file = (things: object[], honeyFill = 1) => ({ format: "rundik-weigh", version: 1, units: "in", things, assume: { honeyFill } }); // prettier-ignore
const asked = async (body: object): Promise<Row[]> => {
  const answer = await POST(new Request("http://127.0.0.1/api/weigh", { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) })); // prettier-ignore
  expect([answer.status, answer.ok ? "" : await answer.clone().text()]).toEqual([200, ""]);
  return ((await answer.json()) as { rows: Row[] }).rows;
};

test("money is what the shop's catalogue and its rate say, and carried off it is the same figure", async () => {
  const frames = [{ name: "Plastic", ...level("frame", "deep", { foundation: "plastic" }) }];
  expect((await asked(file(frames)))[0]!.costs).toBeNull();
  const db = database();
  catalogueStore(db).all([{ revision: 0, act: { do: "offer", offers: [{ form: "pack", material: "foundation, plastic", pack: 50, price: 60 }, { form: "pack", material: "foundation, plastic", pack: 10, price: 15 }] } }]); // prettier-ignore
  shopStore(db).all([{ revision: 0, act: { do: "workshop", to: { ...USUAL_WORKSHOP, money: { ...USUAL_WORKSHOP.money, currency: "EUR", rate: 24 } } } }]); // prettier-ignore
  const [row] = await asked(file(frames));
  // The cheaper of two packs is 1.20 a sheet; a minute is 0.40. Wood, nails and glue have no price here.
  expect(row!.costs!.each).toBeCloseTo(1.2 + row!.making!.work * 0.4, 9);
  expect(row!.costs!.unpriced).toEqual(["wood", "frame nail, 1 1/4", "waterproof wood glue"]);
  const query = new URLSearchParams({ of: JSON.stringify(file(frames)), many: "400", units: "in" });
  const got = await GET(new Request(`http://127.0.0.1/api/weigh/file/weighed-up.xlsx?${query}`), { params: Promise.resolve({ file: "weighed-up.xlsx" }) }); // prettier-ignore
  const lines = fromXlsx(Buffer.from(await got.arrayBuffer()));
  const costs = row!.costs!.each * 400 + row!.costs!.setUps;
  expect(Number(lines.find(([name]) => name === "Costs, EUR")![1])).toBeCloseTo(costs, 2);
  const pdf = await GET(new Request(`http://127.0.0.1/api/weigh/file/weighed-up.pdf?${query}`), { params: Promise.resolve({ file: "weighed-up.pdf" }) }); // prettier-ignore
  expect((await pagesOf(Buffer.from(await pdf.arrayBuffer()))).join(" ")).toMatch(new RegExp(`Costs, EUR\\s+${costs.toFixed(2)}.*Follow local guidance`, "s")); // prettier-ignore
});

test("two marks of a design of the maker's own stand side by side, and a standard of their own beside those that ship", async () => {
  const db = database();
  const first = designFrom(
    RECIPES.find((r) => r.id === "body")!,
    "Moor body",
    [],
  );
  const thicker = { ...first, parameters: first.parameters.map((p) => (p.name === "thickness" && p.kind === "length" ? { ...p, default: "1*inch" } : p)) }; // prettier-ignore
  for (const recipe of [first, thicker]) designStore(db).keep(recipe, "for winter", []);
  const thing = (name: string, mark?: number) => ({ name, item: first.id, standard: "langstroth-10", size: "deep", options: {}, ...(mark ? { mark } : {}) }); // prettier-ignore
  const rows = await asked(file([thing("mark I", 1), thing("mark II", 2), thing("newest")]));
  expect([rows[0]!.wall! < rows[1]!.wall!, rows[1]!.wall === rows[2]!.wall]).toEqual([true, true]);
  standardStore(db).put(ownStandard);
  const [own, built] = await asked(file([{ name: "Heath", item: "body", standard: "heath", size: "brood" }, { name: "National", item: "body", standard: "national", size: "brood" }])); // prettier-ignore
  expect({ ...own, name: "" }).toEqual({ ...built, name: "" });
});

test("eight whole hives side by side answer a changed option, each as if it were alone", async () => {
  const sizes = ["deep", "medium", "shallow"];
  const hives = Array.from({ length: 8 }, (_, k) => hive(`hive ${k}`, sizes[k % 3]!, k < 4 ? "3/4" : "7/8"));
  await asked(file(hives));
  const took: number[] = [];
  for (let k = 0; k < CHANGES; k++) {
    hives[3] = hive("hive 3", "medium", `${20 + k / 20} mm`);
    const from = performance.now();
    const rows = await asked(file(hives, 1 - k / 1000));
    took.push(performance.now() - from);
    expect(rows[3]).toEqual((await asked(file([hives[3]!], 1 - k / 1000)))[0]);
    expect(rows[3]!.wall! > rows[0]!.wall!).toBe(true);
  }
  took.sort((a, b) => a - b);
  if (process.env.RUNDIK_CHANGES) process.stdout.write(`eight hives, ${took.length} changes of one: median ${took[took.length >> 1]!.toFixed(0)} ms, 19 of 20 within ${took[Math.floor(took.length * 0.95)]!.toFixed(0)} ms\n`); // prettier-ignore
});
