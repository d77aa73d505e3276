import { inch } from "@/core/length/length";
import { layoutRequest } from "@/core/job/ask";
import { cutsOf } from "@/core/layout/cuts";
import { lengthText } from "@/core/length/format";
import { emptyJob, type Job } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import { settingText } from "@/core/feature/say";
import { allLayouts, layOut } from "@/core/layout/layout";
import { board } from "@/core/layout/tests/samples";
import { batchOf } from "@/core/papers/batch";
import { planOf } from "@/core/plan/plan";
import { lotsOf } from "@/core/work/names";
import { operations } from "@/core/work/operations";
import { batchPdf, labelsPdf } from "./batchPdf";
import { pagesOf } from "./tests/readBack";

const line = (item: string, quantity: number) => ({ item, standard: "langstroth-10", size: "deep", quantity, options: {} }); // prettier-ignore
const job: Job = { ...emptyJob("Heath estate", "in"), start: "2027-02-08", stock: [board(), board({ thickness: inch(1, 1, 2) })], lines: [line("body", 4), line("frame", 20)] }; // prettier-ignore
const worked = workJob(job);
const result = layOut(layoutRequest(worked), () => 0);
const plan = planOf(worked, result);
const of = { jobId: 7, job, lines: worked.lines, result };
const words = (text: string) => text.replace(/\s+/g, " ");

test("papers of what has no wood say on the first page what they are short of", async () => {
  const short = layOut(
    layoutRequest({ ...worked, job: { ...job, stock: [board({ thickness: inch(0, 3, 8) })] } }),
    () => 0,
  );
  const batch = batchOf(worked, short, planOf(worked, short));
  const pages = (await pagesOf(await batchPdf(batch, { ...of, result: short }, "A4"))).map(words);
  expect(short.missing.length).toBeGreaterThan(1);
  expect(pages.map((p) => p.includes(`No board gives ${short.missing.length} of its parts`))).toEqual(pages.map((_, i) => i === 0)); // prettier-ignore
  expect((await pagesOf(await batchPdf(batchOf(worked, result, plan), of, "A4"))).join(" ")).not.toContain("No board gives"); // prettier-ignore
});

test("the batch as PDF has every paper: each setting, part, day, pattern, step, ticket, stick and label, and no caution is lost", async () => {
  const batch = batchOf(worked, result, plan);
  const pages = (await pagesOf(await batchPdf(batch, of, "A4"))).map(words);
  const all = pages.join(" ");
  const on = (heading: string) => pages.filter((p) => p.startsWith(heading));
  for (const { op } of batch.setUps)
    expect(all).toContain(words(op.settings.map((s) => settingText(s, "in")).join(" ")));
  const cautions = new Set(plan.operations.flatMap((o) => o.caution ?? []));
  for (const c of cautions) expect(all.split(words(c)).length).toBeGreaterThan(1);
  expect(on("Set-up list").length).toBeGreaterThan(0);
  for (const { part, quantity } of batch.parts) expect(all).toMatch(new RegExp(`${quantity} ${part.name}`));
  expect(all).toContain("Monday 8 February");
  expect(all.match(/like this/g)).toHaveLength(allLayouts(result).length);
  // No setting of a cut loses how often it is made.
  for (const { layout } of allLayouts(result)) for (const c of cutsOf(layout, result.request.stock[layout.stock]!, result.request.saw)) if (c.count > 1) expect(all).toContain(`${lengthText(c.setting, "in")}, ${c.count} times`); // prettier-ignore
  for (const l of worked.lines) expect(on(`${l.shape.title}, ${l.line.quantity} to make`).length).toBeGreaterThan(0);
  // The stack of each part is ticked at everything that part passes, and at nothing else.
  const ops = [...lotsOf(operations(worked, result)).values()].map(([first]) => first!);
  for (const t of batch.tickets) expect(t.passes.map((o) => o.id)).toEqual(ops.filter((o) => o.makes.some((m) => m.part.part === t.part.of.part && m.part.line === t.part.of.line) || o.parts.has(t.part.id) || o.joins.some((j) => j.part.part === t.part.of.part && j.part.line === t.part.of.line)).map((o) => o.id)); // prettier-ignore
  expect(batch.tickets.every((t) => t.passes.length > 1 && t.patterns.length > 0)).toBe(true);
  for (const s of batch.sticks) expect(on(`Story stick: ${s.title}`).length).toBeGreaterThan(0);
  // Without a plan there is no day to say.
  const bare = (await pagesOf(await batchPdf(batchOf(worked, result, null), of, "Letter"))).join(" ");
  expect([/Run sheet|Set-up list/.test(bare), /Cut list/.test(bare)]).toEqual([false, true]);
});

test("labels for a printer come one to a page, each with what it is for; a name nobody can print does no harm", async () => {
  const batch = batchOf(worked, result, plan);
  const pages = (await pagesOf(await labelsPdf(batch, { ...of, job: { ...job, name: "Bienenstöcke ☃ ".repeat(7) } }))).map(words); // prettier-ignore
  expect(pages).toHaveLength(batch.parts.length);
  batch.parts.forEach((p, i) =>
    expect(pages[i]).toMatch(new RegExp(`${p.part.name} × ${p.quantity}.*Bienenstöcke \\?`)),
  );
});
