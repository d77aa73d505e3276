/** @jest-environment jsdom */
import { cleanup, render, screen, within } from "@testing-library/react";
import jsQR from "jsqr";
import { emptyJob, type Job } from "@/core/job/job";
import { layoutRequest } from "@/core/job/ask";
import { workJob } from "@/core/job/worked";
import { layOut } from "@/core/layout/layout";
import { board } from "@/core/layout/tests/samples";
import { cutList } from "@/core/line/cutlist";
import { planOf } from "@/core/plan/plan";
import { batchOf, codeOf } from "@/core/papers/batch";
import { Batch, Code } from "./Batch";

afterEach(cleanup);

const job: Job = { ...emptyJob("Four boxes", "in"), start: "2027-02-08", stock: [board()], lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: {} }] }; // prettier-ignore
const worked = workJob(job);
const result = layOut(layoutRequest(worked), () => 0);
const plan = planOf(worked, result);

/** What a scanner reads off squares that are drawn. */
function scanned(svg: Element): string | undefined {
  const [, , size] = svg.getAttribute("viewBox")!.split(" ").map(Number) as [number, number, number, number];
  const scale = 6;
  const wide = size * scale;
  const pixels = new Uint8ClampedArray(wide * wide * 4).fill(255);
  for (const [, x, y] of svg
    .querySelector("path")!
    .getAttribute("d")!
    .matchAll(/M(\d+) (\d+)h1v1h-1z/g))
    for (let i = 0; i < scale; i++)
      for (let j = 0; j < scale; j++)
        pixels.set([0, 0, 0], (((Number(y) + 2) * scale + j) * wide + (Number(x) + 2) * scale + i) * 4);
  return jsQR(pixels, wide, wide)?.data;
}

test("one print has every paper of the job: each setting once, every part, every day, a sheet a pattern, the assembly, a label a part", () => {
  render(<Batch worked={worked} jobId={7} result={result} plan={plan} />);
  const section = (name: string) => within(screen.getByRole("region", { name }));
  // Every setting the plan has stands on the list once, with its caution.
  const settings = new Set(plan.operations.filter((o) => o.settings.length > 0).map((o) => o.whole));
  expect(section("Set-up list").getAllByRole("row")).toHaveLength(settings.size);
  expect(section("Set-up list").getAllByText(/manual, local rules and licensed practice/).length).toBe(settings.size);
  const parts = cutList(worked.lines);
  expect(section("Cut list").getAllByRole("row")).toHaveLength(parts.length);
  expect(section("Run sheet").getByText("Mon 8 Feb")).toBeTruthy();
  for (const name of new Set(plan.operations.map((o) => o.name))) expect(section("Run sheet").getAllByText(name).length).toBeGreaterThan(0); // prettier-ignore
  expect(screen.getAllByText(/like this/)).toHaveLength(result.groups.flatMap((g) => g.result.layouts).length);
  expect(screen.getByRole("region", { name: /^Assembly sheet/ })).toBeTruthy();
  const codes = section("Labels").getAllByRole("img");
  expect(codes).toHaveLength(parts.length);
  // Read back by a scanner's library.
  expect(codes.map(scanned)).toEqual(parts.map((p) => codeOf(7, p)));
});

test("without a start day there is no run sheet, and it says so; a long code is read too", () => {
  render(<Batch worked={worked} jobId={7} result={result} plan={null} />);
  expect(screen.queryByRole("region", { name: "Run sheet" })).toBeNull();
  expect(screen.getByText(/no start day/)).toBeTruthy();
  cleanup();
  const long = `RUNDIK 123456789/42/${"SIDE-".repeat(12)}`;
  render(<Code text={long} />);
  expect(scanned(screen.getByRole("img"))).toBe(long);
});

test("a ticket goes with each stack past everything it passes, each stop once; the story stick is on paper at true size", () => {
  render(<Batch worked={worked} jobId={7} result={result} plan={plan} />);
  const tickets = within(screen.getByRole("region", { name: "Cut tickets" }));
  const { setUps, days, tickets: said, sticks } = batchOf(worked, result, plan);
  expect(tickets.getAllByRole("img").map(scanned)).toEqual(said.map((t) => codeOf(7, t.part)));
  for (const t of said) {
    const list = within(tickets.getByText(`${t.letter} ${t.part.part.name} × ${t.part.quantity}`, { exact: false, selector: "b" }).closest(".keep-together")!); // prettier-ignore
    expect(list.getAllByRole("listitem")).toHaveLength(t.passes.length);
    // Its blank is sawn before anything is cut into it, and it is put together last.
    const names = t.passes.map((o) => o.name);
    expect([/^(Rip|Crosscut)/.test(names[0]!), /Glue/.test(names.at(-1)!)]).toEqual([true, true]);
    expect(new Set(t.passes.map((o) => o.id)).size).toBe(names.length);
  }
  // Nothing of the plan is lost between the days, and every set-up stands once.
  expect(days.flatMap((d) => d.rows).reduce((n, r) => n + r.lots.length, 0)).toBe(plan.operations.length);
  expect(new Set(setUps.map((s) => s.op.whole)).size).toBe(setUps.length);
  const [stick] = sticks;
  const pages = screen.getAllByRole("region", { name: /^Story stick: Body, deep, page/ });
  expect(pages.length).toBeGreaterThan(1);
  const [first] = pages.map((page) => page.querySelector("svg")!);
  // As many millimetres high as it says it is, so that a millimetre on it is one on paper.
  const [, , wide, high] = first!.getAttribute("viewBox")!.split(" ").map(Number);
  expect([first!.style.width, first!.style.height]).toEqual([`${wide}mm`, `${high}mm`]);
  // The rest, 5/8 down from the top of the box, is 15.875 mm from the top of the stick.
  const rest = stick!.marks.find((m) => m.label.startsWith("rest"))!;
  const line = [...first!.querySelectorAll("g")].find((g) => g.textContent!.includes("rest"))!.querySelector("path")!;
  expect(Number(/^M0 ([\d.]+)h/.exec(line.getAttribute("d")!)![1]) - 14).toBeCloseTo(rest.at / 1e6, 6);
  expect(rest.at / 1e6).toBeCloseTo(15.875, 6);
  // The bar that shows whether the printer scaled: four inches of 25.4.
  expect(first!.querySelector("path")!.getAttribute("d")).toContain("h101.6");
  expect(within(pages[0]!).getByText(/this bar measures 4"/)).toBeTruthy();
});
