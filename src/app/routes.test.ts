import { database } from "@/store/database";
import type { StoredJob } from "@/core/job/stored";

process.env.RUNDIK_DB = ":memory:";
const jobs = await import("./api/jobs/route");
const job = await import("./api/jobs/[id]/route");
const act = await import("./api/jobs/[id]/act/route");
const file = await import("./api/jobs/[id]/file/route");
const measurements = await import("./api/jobs/[id]/measurements/route");
const lineFile = await import("./api/jobs/[id]/lines/[line]/[file]/route");

const post = (body: unknown) =>
  new Request("http://127.0.0.1/api", {
    method: "POST",
    headers: { "content-type": "application/json" },
    body: JSON.stringify(body),
  });
const at = <T extends object>(params: T) => ({ params: Promise.resolve(params) });
const get = (path = "") => new Request(`http://127.0.0.1/api${path}`);

const FILE = {
  format: "rundik-job",
  version: 1,
  name: "Moorland, brood & supers",
  units: "mm",
  lines: [{ item: "body", standard: "national", size: "brood", quantity: 3 }],
};
let id = "";

beforeAll(async () => {
  const reply = await jobs.POST(post(FILE));
  expect(reply.status).toBe(201);
  id = String(((await reply.json()) as StoredJob).id);
});

test("a job is answered as it is kept, and a missing one is a 404 with words", async () => {
  expect(await (await job.GET(get(), at({ id }))).json()).toMatchObject({ revision: 0, job: { name: FILE.name } });
  const missing = await job.GET(get(), at({ id: "77" }));
  expect([missing.status, await missing.json()]).toEqual([404, { error: "there is no job 77" }]);
});

test("an act moves the revision on; the same revision again is stale; an undo goes back", async () => {
  const rename = { revision: 0, act: { do: "name", name: "Moor" } };
  expect(await (await act.POST(post(rename), at({ id }))).json()).toMatchObject({ revision: 1, undo: "name" });
  expect((await act.POST(post(rename), at({ id }))).status).toBe(409);
  expect((await act.POST(post({ revision: 1, act: { do: "name", name: "" } }), at({ id }))).status).toBe(400);
  expect(await (await act.POST(post({ undo: true }), at({ id }))).json()).toMatchObject({
    job: { name: FILE.name },
    undo: null,
  });
});

test("the file comes back as one that can be read again, with a plain name", async () => {
  const reply = await file.GET(get(), at({ id }));
  expect(reply.headers.get("content-disposition")).toBe('attachment; filename="moorland-brood-supers.json"');
  const again = await jobs.POST(post(await reply.json()));
  expect(again.status).toBe(201);
});

test("readings are kept newest first; one that is no length is refused and not kept", async () => {
  const reading = (value: unknown) =>
    measurements.POST(post({ subject: "rip-1 fence", target: 225e6, value }), at({ id }));
  await reading(225e6);
  expect(await (await reading(224e6)).json()).toMatchObject([{ value: 224e6 }, { value: 225e6 }]);
  expect((await reading("224 mm")).status).toBe(400);
  expect((await reading(-1)).status).toBe(400);
  expect(await (await reading(223e6)).json()).toHaveLength(3);
});

test.each([
  ["item.svg", "image/svg+xml", /^<svg/],
  ["item.dxf", "application/dxf", /^0\r?\nSECTION/],
  ["stick.pdf", "application/pdf", /^%PDF/],
])("%s of a line", async (name, type, start) => {
  const reply = await lineFile.GET(get(), at({ id, line: "0", file: name }));
  expect([reply.status, reply.headers.get("content-type")]).toEqual([200, type]);
  expect(Buffer.from(await reply.arrayBuffer()).toString("latin1")).toMatch(start);
});

test.each([
  [{ line: "9", file: "item.svg" }, /has 1 lines/],
  [{ line: "0", file: "item.exe" }, /no such file/],
  [{ line: "-1", file: "item.svg" }, /no such file/],
])("%j is a 404", async (params, why) => {
  const reply = await lineFile.GET(get(), at({ id, ...params }));
  expect(reply.status).toBe(404);
  expect(((await reply.json()) as { error: string }).error).toMatch(why);
});

test("a job taken away is gone with all that hung on it", async () => {
  expect(await (await job.DELETE(get(), at({ id }))).json()).toEqual({ removed: true });
  expect((await job.GET(get(), at({ id }))).status).toBe(404);
  expect(database().prepare("SELECT count(*) AS n FROM measurement").get()).toEqual({ n: 0 });
});
