/** @jest-environment node */
import type { Happening, KeptPiece, Listed } from "@/core/book/book";
import type { Group } from "@/core/book/lasting";
import { emptyJob } from "@/core/job/job";
import { writeJob } from "@/core/job/file";
import { inch } from "@/core/length/length";
import { pagesOf } from "@/exchange/tests/readBack";
import { GET as brand } from "./api/book/[id]/brand/route";
import { POST as happened } from "./api/book/happened/route";
import { GET as lasting } from "./api/book/lasting/route";
import { POST as pieces } from "./api/book/pieces/route";
import { GET as find } from "./api/book/route";
import { POST as jobs } from "./api/jobs/route";

process.env.RUNDIK_DB = ":memory:";
const post = (body: object) => new Request("http://127.0.0.1/", { method: "POST", headers: { "content-type": "application/json" }, body: JSON.stringify(body) }); // prettier-ignore
const get = (query = "") => new Request(`http://127.0.0.1/?${query}`);
const said = async <T>(answer: Response): Promise<T> => (await answer.json()) as T;

test("from a job to the Book: what was made is marked with what it is made of and measured, found, told of, and reckoned", async () => {
  const job = { ...emptyJob("Deeps", "in"), lines: [{ item: "body", standard: "langstroth-10", size: "deep", quantity: 4, options: { joint: "finger", finish: "oil" } }], readings: [{ subject: "made 0 depth", target: inch(9, 5, 8), value: inch(9, 9, 16), at: "2027-01-05T08:00:00.000Z" }] }; // prettier-ignore
  const { id } = await said<{ id: number }>(await jobs(post(writeJob(job))));
  const give = (more: object = {}) => pieces(post({ key: "key-book-0001", give: { job: id, line: 0, count: 4, code: "BW", madeOn: "2027-02-20", ...more } })); // prettier-ignore
  const { pieces: made } = await said<{ pieces: KeptPiece[] }>(await give());
  expect(made.map((p) => p.mark)).toEqual(["BW-27-0001", "BW-27-0002", "BW-27-0003", "BW-27-0004"]);
  expect(made[0]).toMatchObject({ title: "Body, deep", job: id, joint: "fingers", finish: "oil", measured: [{ what: "depth", value: inch(9, 9, 16) }] }); // prettier-ignore
  expect((await said<{ pieces: KeptPiece[] }>(await give())).pieces).toEqual(made);
  const refused = await pieces(post({ key: "key-book-0002", give: { job: id, line: 7, count: 1, code: "BW", madeOn: "2027-02-20" } })); // prettier-ignore
  expect([refused.status, (await said<{ error: string }>(refused)).error]).toEqual([400, "give.line: read 7; the job has no such line"]); // prettier-ignore
  expect((await said<{ error: string }>(await give({ code: "bw1" }))).error).toMatch(/capital letters/);

  const events: Happening[] = made.map((p, i) => ({ id: `s.${i + 1}`, piece: p.id, on: "2040-02-20", what: { do: "scrapped", why: i === 0 ? "lost" : "corner rotten" } })); // prettier-ignore
  expect((await said<{ condition: object }>(await happened(post({ events })))).condition).toMatchObject({ where: "scrapped" }); // prettier-ignore
  const found = async (q: string) => (await said<{ found: Listed[] }>(await find(get(`q=${encodeURIComponent(q)}`)))).found.map((p) => p.mark); // prettier-ignore
  expect([await found("?W-27-0002"), await found("fingers lost"), await found("body lost")]).toEqual([["BW-27-0002"], [], ["BW-27-0001"]]); // prettier-ignore
  const { groups } = await said<{ groups: Group[] }>(await lasting(get("by=joint")));
  expect(groups).toMatchObject([{ value: "fingers", pieces: 4, failed: 3, why: [{ fault: "corner rotten", n: 3 }, { fault: "lost", n: 1 }] }]); // prettier-ignore
  expect((await lasting(get("by=colour"))).status).toBe(400);

  const at = (n: string) => ({ params: Promise.resolve({ id: n }) });
  const paper = await brand(get("high=20"), at(String(made[1]!.id)));
  expect((await pagesOf(Buffer.from(await paper.arrayBuffer())))[0]).toMatch(/BW-27-0002.*local rules/s);
  expect((await brand(get(), at("99"))).status).toBe(404);
});
