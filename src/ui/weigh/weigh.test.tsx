/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { readWeigh } from "@/core/weigh/file";
import { weighRows } from "@/core/weigh/rows";
import { feederKinds } from "@/core/weigh/feeders";
import { SETS } from "@/core/weigh/sets";
import { STARTERS } from "@/core/hive/starters";
import { madeBy, yearOf } from "@/core/weigh/year";
import { jest } from "@jest/globals";

jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => ({ refresh: () => undefined }) }));
const { WeighPage } = await import("./WeighPage");
const { default: Against } = await import("./Against");

const weighed = (body: object) => {
  const { things, assume } = readWeigh(body);
  return weighRows(things, assume);
};
const first = weighed({ format: "rundik-weigh", version: 1, units: "in", things: SETS[0]!.things });
let asked: { things: { name: string }[]; assume: { honeyFill: number } }[] = [];
beforeEach(() => {
  asked = [];
  globalThis.fetch = (async (at: string, how: { body: string }) => {
    if (at.endsWith("/year")) {
      const { starter, fill } = JSON.parse(how.body) as { starter: number; fill: number };
      const seasons = yearOf(STARTERS[starter]!, fill);
      return {
        ok: true,
        status: 200,
        json: async () => ({ seasons, madeBy: madeBy(STARTERS[starter]!, seasons, "2027-01-10") }),
      };
    }
    const body = JSON.parse(how.body) as (typeof asked)[number];
    asked.push(body);
    return { ok: true, status: 200, json: async () => ({ rows: weighed(body) }) };
  }) as never;
});
afterEach(cleanup);
const own = { standards: [], designs: [] };
const page = () => <WeighPage first={first} stacks={STARTERS.map((h) => h.name)} own={own} feeders={feederKinds()} hives={[{ ...STARTERS[0]!, name: "My stand" }]} />; // prettier-ignore
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 20))));
const so = () => within(screen.getByRole("complementary", { name: "So" }));

test("five frames stand side by side at one scale, every figure on a line; what counts decides which", async () => {
  render(page());
  expect(screen.getByRole("img", { name: /^5 frames at one scale: Deep 19 by 9 1\/8/ })).toBeTruthy();
  expect(
    screen.getByRole("img", { name: /^Comb, both faces: Deep 272, .*Extra-deep 497, No ears, on rods \d+$/ }),
  ).toBeTruthy();
  for (const s of screen.getAllByLabelText(/^How much it counts/)) fireEvent.change(s, { target: { value: "0" } });
  expect(so().getByText(/Nothing decides/)).toBeTruthy();
  fireEvent.change(screen.getByLabelText("How much it counts: Comb, both faces"), { target: { value: "3" } });
  expect(so().getByText("Extra-deep", { selector: "p" })).toBeTruthy();
  expect(so().getByText(/Full frame: none does worse/)).toBeTruthy();
  expect(so().getByText(/If full frame decides/)).toBeTruthy();
  // Nothing was asked of the server for that.
  expect(asked).toEqual([]);
  await act(async () => void fireEvent.keyDown(document.body, { key: "u" }));
  expect(screen.getByRole("img", { name: /^Comb, both faces: Deep 1755/ })).toBeTruthy();
});

test("another is put beside them as it is asked for anywhere, one is taken away, combs are less full: weighed up again at once", async () => {
  render(page());
  fireEvent.change(screen.getByLabelText("Put another beside them"), { target: { value: "lang medium frame" } });
  fireEvent.click(screen.getAllByRole("button", { name: /^Frame, medium/ })[0]!);
  await settle();
  expect(asked.at(-1)!.things.map((t) => t.name)).toHaveLength(6);
  expect(screen.getByRole("img", { name: /^6 frames at one scale/ })).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "take Deep away" }));
  await settle();
  expect(screen.queryByRole("button", { name: "take Deep away" })).toBeNull();
  fireEvent.change(screen.getByLabelText("Combs full of honey, percent"), { target: { value: "50" } });
  await settle();
  expect(asked.at(-1)!.assume).toEqual({ honeyFill: 0.5 });
  fireEvent.click(screen.getByRole("button", { name: "boxes" }));
  await settle();
  fireEvent.click(screen.getByRole("button", { name: "for cold winters" }));
  expect(screen.getByRole("button", { name: "for a bad back" }).getAttribute("aria-pressed")).toBe("true");
  expect(so().getByText("Long body", { selector: "p" })).toBeTruthy();
  expect(so().getByText(/no box is lifted: a frame at a time/)).toBeTruthy();
});

test("a figure opens on how it comes about and is pinned to the drawings; what is the same in all is said in a line", async () => {
  render(page());
  fireEvent.click(screen.getByRole("button", { name: /^Comb, both faces/ }));
  const how = within(screen.getByRole("region", { name: "How it comes about: Comb, both faces" }));
  // Seventeen by eight inches and both faces (17 3/4 less two end bars; 9 1/8 less top and bottom bar).
  expect(how.getByText("2 faces × 17 × 8 = 272.0 in²")).toBeTruthy();
  fireEvent.click(how.getByRole("button", { name: "pin it to the drawings" }));
  const drawing = screen.getByRole("img", { name: /^5 frames at one scale/ });
  expect([...drawing.querySelectorAll("text")].map((t) => t.textContent)).toContain("272 in²");
  fireEvent.click(screen.getByRole("button", { name: "foundations" }));
  await settle();
  expect(screen.getByText(/^The same in all: comb, both faces 272 in²; .*full frame 7\.3 lb/)).toBeTruthy();
  expect(screen.queryByRole("img", { name: /^Full frame/ })).toBeNull();
  // Four hundred are asked about there; what each does later stands with it.
  expect(
    within(screen.getByRole("group", { name: "Bought for them" })).getByText(/400 foundation, plastic/),
  ).toBeTruthy();
  expect(
    within(screen.getByRole("region", { name: "What each does later" })).getByText("against: ends as waste"),
  ).toBeTruthy();
  // A workbook of what is on the screen.
  const at = new URL(screen.getByText("workbook").getAttribute("href")!, "http://x");
  expect([at.pathname, at.searchParams.get("many"), JSON.parse(at.searchParams.get("of")!).things.length]).toEqual(["/api/weigh/file/weighed-up.xlsx", "400", 5]); // prettier-ignore
});

test("a hive of a job is set beside others, as it stands in summer", async () => {
  render(page());
  fireEvent.change(screen.getByLabelText("Put another beside them"), { target: { value: "my stand" } });
  fireEvent.click(screen.getByRole("button", { name: "My stand · whole hive" }));
  await settle();
  const asks = asked.at(-1)!.things.at(-1) as unknown as { name: string; hive: { item: string }[] };
  expect([asks.name, asks.hive.map((l) => l.item)]).toEqual(["My stand", ["stand", "floor-screened", "body", "excluder", "body", "inner-cover", "cover-telescoping"]]); // prettier-ignore
  expect(screen.getByRole("button", { name: "take My stand away" })).toBeTruthy();
});

test("each box of a stack is a point of its lift, the lower of two alike the worse one", () => {
  const [two] = weighed({ format: "rundik-weigh", version: 1, units: "in", things: [SETS.find((x) => x.id === "hives")!.things[0]!] }); // prettier-ignore
  render(<Against rows={[two!]} units="in" many={1} />);
  const lifts = screen.getByRole("img", { name: /^Hands above the ground against lift index/ });
  const points = [...lifts.getAttribute("aria-label")!.matchAll(/at ([^,;]+?) ([\d.]+), (\d+)/g)].map((m) => [Number(m[2]), Number(m[3])]); // prettier-ignore
  // Two deeps and a medium from the ground up: hands two thirds up each; the lower deep is taken up from under the knuckles.
  expect(points).toHaveLength(3);
  expect(points[0]![1]).toBeLessThan(points[1]![1]!);
  expect(points[2]![0]).toBeLessThan(points[1]![0]!);
});

test("a stack over the year: what stands, what each lift is for one and for two and what to do instead, what is made by when", async () => {
  render(page());
  await settle();
  const year = within(screen.getByRole("region", { name: "Over the year" }));
  // A full deep is 80 lb; for two the limit is four thirds of one person's.
  expect(
    year.getByRole("img", {
      name: /^winter: .*Body, deep 80 lb, index 3\.5, for two 2\.7; Body, medium 53 lb, index 2\.3, for two 1\.7/,
    }),
  ).toBeTruthy();
  expect(year.getByText(/^Instead of lifting the body, deep full: a frame at a time/)).toBeTruthy();
  expect(year.getByText("on: framed excluder")).toBeTruthy();
  expect(year.getByText("off: framed excluder")).toBeTruthy();
  expect(year.getByText(/the cluster climbs and would leave its queen/)).toBeTruthy();
  fireEvent.change(year.getByLabelText("Which stack"), {
    target: { value: String(STARTERS.findIndex((s) => s.name === "Long hive")) },
  });
  await settle();
  expect(year.queryByText(/^Instead/)).toBeNull();
});

test("sugar for twenty hives, said with its working and its caution; a choice is answered each way", () => {
  render(page());
  const feeding = within(screen.getByRole("region", { name: "Feeding" }));
  // 20 × 8 kg with half the water, at 1.326 kg a litre: 181 l in feeders of four.
  expect(feeding.getByText(/of sugar and/).textContent).toBe("160 kg of sugar and 80 l of water make 181 l of syrup: 3 fills a hive, 20 feeders."); // prettier-ignore
  fireEvent.click(feeding.getByRole("button", { name: /1:1/ }));
  expect(feeding.getByText(/of sugar and/).textContent).toMatch(/^160 kg of sugar and 160 l of water make 260 l/);
  fireEvent.change(feeding.getByLabelText("Kind of feeder"), { target: { value: "gallon pail over a hole" } });
  // 260 l in twenty hives are 13 l each, four gallons of 3.785.
  expect(feeding.getByText(/of sugar and/).textContent).toMatch(/: 4 fills a hive/);
  expect(feeding.getByText(/Bees drown/)).toBeTruthy();
  const each = within(screen.getByRole("region", { name: "Each way" }));
  expect(each.getByText(/the queen stays below, and dies/)).toBeTruthy();
  expect(each.getByText(/150 to 160 °C.*local rules/)).toBeTruthy();
});
