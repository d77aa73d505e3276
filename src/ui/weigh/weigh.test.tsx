/** @jest-environment jsdom */
import { act, cleanup, fireEvent, render, screen, within } from "@testing-library/react";
import { readWeigh } from "@/core/weigh/file";
import { weighRows } from "@/core/weigh/rows";
import { SETS } from "@/core/weigh/sets";
import { STARTERS } from "@/core/hive/starters";
import { madeBy, yearOf } from "@/core/weigh/year";
import { jest } from "@jest/globals";

jest.unstable_mockModule("next/navigation", () => ({ useRouter: () => ({ refresh: () => undefined }) }));
const { WeighPage } = await import("./WeighPage");

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
const settle = () => act(async () => void (await new Promise((r) => setTimeout(r, 20))));
const so = () => within(screen.getByRole("complementary", { name: "So" }));

test("four frames stand side by side at one scale, every figure on a line; what counts decides which", async () => {
  render(<WeighPage first={first} stacks={STARTERS.map((s) => s.name)} />);
  expect(screen.getByRole("img", { name: /^4 frames at one scale: Deep 19 by 9 1\/8/ })).toBeTruthy();
  expect(screen.getByRole("img", { name: /^Comb, both faces: Deep 272, .*Extra-deep 497$/ })).toBeTruthy();
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
  render(<WeighPage first={first} stacks={STARTERS.map((s) => s.name)} />);
  fireEvent.change(screen.getByLabelText("Put another beside them"), { target: { value: "lang medium frame" } });
  fireEvent.click(screen.getAllByRole("button", { name: /^Frame, medium/ })[0]!);
  await settle();
  expect(asked.at(-1)!.things.map((t) => t.name)).toHaveLength(5);
  expect(screen.getByRole("img", { name: /^5 frames at one scale/ })).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "take Deep away" }));
  await settle();
  expect(screen.queryByRole("button", { name: "take Deep away" })).toBeNull();
  fireEvent.change(screen.getByLabelText("Combs full of honey, percent"), { target: { value: "50" } });
  await settle();
  expect(asked.at(-1)!.assume).toEqual({ honeyFill: 0.5 });
  fireEvent.click(screen.getByRole("button", { name: "boxes" }));
  await settle();
  fireEvent.click(screen.getByRole("button", { name: "for a bad back" }));
  expect(so().getByText("Long body", { selector: "p" })).toBeTruthy();
  expect(so().getByText(/no box is lifted: a frame at a time/)).toBeTruthy();
});

test("sugar for twenty hives, said with its working and its caution; a choice is answered each way", () => {
  render(<WeighPage first={first} stacks={STARTERS.map((s) => s.name)} />);
  const feeding = within(screen.getByRole("region", { name: "Feeding" }));
  // 20 × 8 kg with half the water, at 1.326 kg a litre: 181 l in feeders of four.
  expect(feeding.getByText(/of sugar and/).textContent).toBe("160 kg of sugar and 80 l of water make 181 l of syrup: 3 fills a hive."); // prettier-ignore
  fireEvent.click(feeding.getByRole("button", { name: /1:1/ }));
  expect(feeding.getByText(/of sugar and/).textContent).toMatch(/^160 kg of sugar and 160 l of water make 260 l/);
  expect(feeding.getByText(/Bees drown/)).toBeTruthy();
  const each = within(screen.getByRole("region", { name: "Each way" }));
  expect(each.getByText(/the queen stays below, and dies/)).toBeTruthy();
  expect(each.getByText(/150 to 160 °C.*local rules/)).toBeTruthy();
});
