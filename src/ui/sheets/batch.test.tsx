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
import { codeOf } from "@/core/papers/batch";
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
