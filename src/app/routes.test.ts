import { database } from "@/store/database";
import type { KeptMark } from "@/core/designs/design";
import { designFrom } from "@/core/designs/start";
import { RECIPES } from "@/core/recipes";
import type { StoredJob } from "@/core/job/stored";
import { DAYS_AWAY, jobStore } from "@/store/jobs";

process.env.RUNDIK_DB = ":memory:";
const jobs = await import("./api/jobs/route");
const job = await import("./api/jobs/[id]/route");
const act = await import("./api/jobs/[id]/act/route");
const file = await import("./api/jobs/[id]/file/route");
const designs = await import("./api/designs/route");
const designFile = await import("./api/designs/file/route");
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
  expect((await act.POST(post({ revision: 1, act: { do: "dates", due: "soon" } }), at({ id }))).status).toBe(400);
  expect(await (await act.POST(post({ undo: true, revision: 1 }), at({ id }))).json()).toMatchObject({
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
  [{ line: "0", file: "item.exe" }, /nothing at this address/],
  [{ line: "-1", file: "item.svg" }, /nothing at this address/],
])("%j is a 404", async (params, why) => {
  const reply = await lineFile.GET(get(), at({ id, ...params }));
  expect(reply.status).toBe(404);
  expect(((await reply.json()) as { error: string }).error).toMatch(why);
});

test("a job taken away is not there, can be brought back, and after some weeks is gone with all that hung on it", async () => {
  expect(await (await job.DELETE(get(), at({ id }))).json()).toEqual({ removed: true });
  expect((await job.GET(get(), at({ id }))).status).toBe(404);
  expect((await job.PATCH(post({ away: false }), at({ id }))).status).toBe(200);
  expect((await job.GET(get(), at({ id }))).status).toBe(200);
  expect((await job.PATCH(post({ archived: true, away: true }), at({ id }))).status).toBe(400);
  await job.DELETE(get(), at({ id }));
  expect(jobStore(database()).purge(Date.now() + (DAYS_AWAY - 1) * 86_400_000)).toBe(0);
  expect(jobStore(database()).purge(Date.now() + (DAYS_AWAY + 1) * 86_400_000)).toBe(1);
  expect(database().prepare("SELECT count(*) AS n FROM done WHERE thing LIKE 'job %'").get()).toEqual({ n: 0 });
});

describe("designs", () => {
  const send = (method: string, body: unknown) =>
    new Request("http://127.0.0.1/api/designs", {
      method,
      headers: { "content-type": "application/json" },
      body: typeof body === "string" ? body : JSON.stringify(body),
    });
  const recipe = designFrom(
    RECIPES.find((r) => r.id === "feed-rim")!,
    "Moor rim",
    [],
  );
  const marks = async (reply: Response) =>
    ((await reply.json()) as KeptMark[]).map((m) => [m.recipe.id, m.mark, m.why]);

  test("kept, listed, noted and taken away; each answer is everything there is", async () => {
    expect(await marks(await designs.POST(send("POST", { recipe, why: "for patties" })))).toEqual([
      ["moor-rim", 1, "for patties"],
    ]);
    const noted = (await (
      await designs.PATCH(send("PATCH", { id: "moor-rim", mark: 1, note: "warped" }))
    ).json()) as KeptMark[];
    expect(noted[0]!.notes.map((n) => n.text)).toEqual(["warped"]);
    const changed = { ...recipe, about: "higher" };
    expect(await marks(await designs.POST(send("POST", { recipe: changed, why: "" })))).toHaveLength(2);
    expect(await marks(await designs.GET(get()))).toEqual([
      ["moor-rim", 1, "for patties"],
      ["moor-rim", 2, ""],
    ]);
  });

  test("a file of any mark goes out and, changed, comes in as the next", async () => {
    const get = (query: string) => designFile.GET(new Request(`http://127.0.0.1/api/designs/file?${query}`));
    const first = await get("id=moor-rim&mark=1");
    expect(first.headers.get("content-disposition")).toBe('attachment; filename="moor-rim-mark-1.json"');
    const file = (await first.json()) as { format: string; recipe: { about: string } };
    expect([file.format, file.recipe.about]).toEqual(["rundik-design", recipe.about]);
    expect(((await (await get("id=moor-rim")).json()) as { mark: number }).mark).toBe(2);
    const again = await designFile.POST(send("POST", { ...file, recipe: { ...file.recipe, about: "lower" } }));
    expect((await marks(again)).at(-1)).toEqual(["moor-rim", 3, "for patties"]);
    for (const query of ["id=nothing", "id=moor-rim&mark=9"]) expect((await get(query)).status).toBe(404);
  });

  test.each<[string, unknown, RegExp]>([
    [
      "a formula that does not hold",
      { recipe: { ...recipe, values: [{ name: "a", label: "a", formula: "b" }] }, why: "" },
      /values.0.formula: "b" uses b/,
    ],
    ["a shipped id", { recipe: { ...recipe, id: "body" }, why: "" }, /ships already/],
    ["a field too many", { recipe, why: "", run: 1 }, /run/],
    ["no recipe", { why: "" }, /recipe/],
    ["not JSON", "{", /not JSON/],
    ["300 kB", { recipe: { ...recipe, about: "x".repeat(300 * 1024) }, why: "" }, /more than 256 kB/],
  ])("%s is refused with its reason and nothing is kept", async (_name, body, reason) => {
    const before = await marks(await designs.GET(get()));
    const reply = await designs.POST(send("POST", body));
    expect([reply.status, ((await reply.json()) as { error: string }).error]).toEqual([
      400,
      expect.stringMatching(reason),
    ]);
    expect(await marks(await designs.GET(get()))).toEqual(before);
  });

  test("a job that took a mark up goes on without the design", async () => {
    const design = { recipe, mark: 1, why: "" };
    const line = { item: "moor-rim", standard: "langstroth-10", size: "deep", quantity: 2, options: {} };
    const made = (await (await jobs.POST(post({ ...FILE, units: "in" }))).json()) as StoredJob;
    const of = { id: String(made.id) };
    for (const [n, what] of [
      { do: "use design", design },
      { do: "add line", line },
    ].entries())
      expect((await act.POST(post({ revision: n, act: what }), at(of))).status).toBe(200);
    expect(await marks(await designs.DELETE(send("DELETE", { id: "moor-rim" })))).toEqual([]);
    const kept = (await (await job.GET(get(), at(of))).json()) as StoredJob;
    expect([kept.job.designs.length, kept.job.lines.at(-1)!.item]).toEqual([1, "moor-rim"]);
    const sheet = await lineFile.GET(get(), at({ ...of, line: "1", file: "item.svg" }));
    expect(await sheet.text()).toContain("<title>Moor rim</title>");
  });
});

test("an act that is none is refused at the field it has wrong, not as a whole", async () => {
  const made = (await (await jobs.POST(post(FILE))).json()) as StoredJob;
  const wrong = await act.POST(
    post({
      revision: 0,
      act: { do: "hives", hives: [{ name: "x", count: 1, levels: [{ measured: { name: "old" } }], begins: {} }] },
    }),
    at({ id: String(made.id) }),
  );
  const { error } = (await wrong.json()) as { error: string };
  expect([wrong.status, error]).toEqual([400, expect.stringContaining("act.hives.0.levels.0.measured.outsideLength")]);
});
