/** @jest-environment node */
import type { Happening, KeptPiece, Listed } from "@/core/book/book";
import type { Group } from "@/core/book/lasting";
import { emptyJob } from "@/core/job/job";
import { writeJob } from "@/core/job/file";
import { inch } from "@/core/length/length";
import { bookText, readBookFile } from "@/core/book/file";
import { bookCsv, readBookCsv } from "@/exchange/bookCsv";
import { pagesOf } from "@/exchange/tests/readBack";
import { bookStore } from "@/store/book";
import { database, openDatabase } from "@/store/database";
import { isDeepStrictEqual } from "node:util";
import sharp from "sharp";
import { GET as brand } from "./api/book/[id]/brand/route";
import { POST as happened } from "./api/book/happened/route";
import { GET as lasting } from "./api/book/lasting/route";
import { POST as pieces } from "./api/book/pieces/route";
import { POST as mend } from "./api/book/[id]/mend/route";
import { POST as photograph } from "./api/book/[id]/photo/route";
import { GET as bookFile } from "./api/book/file/[file]/route";
import { POST as takeList } from "./api/book/file/list/route";
import { GET as labels } from "./api/book/labels/route";
import { GET as photo } from "./api/book/photo/[name]/route";
import { GET as find } from "./api/book/route";
import { GET as jobNow } from "./api/jobs/[id]/route";
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

  const paper = await brand(get("high=20"), at(String(made[1]!.id)));
  expect((await pagesOf(Buffer.from(await paper.arrayBuffer())))[0]).toMatch(/BW-27-0002.*local rules/s);
  expect((await brand(get(), at("99"))).status).toBe(404);
});

const at = (id: string) => ({ params: Promise.resolve({ id }) });
const kept = async (title: string, mark: string, key: string) => (await said<{ pieces: KeptPiece[] }>(await pieces(post({ key, keep: { title, mark, item: "body", standard: "langstroth-10", size: "deep", madeOn: "2020-01-01", measured: [] } })))).pieces[0]!; // prettier-ignore

/** Pieces with ten happenings each that go out and come in; 100 000 with `npm run figures`. */
const PIECES = Number(process.env.RUNDIK_PIECES ?? 300);

test("a whole Book goes out as JSON and as CSV and comes in equal, part by part", () => {
  const book = bookStore(openDatabase(":memory:"));
  let n = 0;
  for (let i = 0; i < PIECES / 100; i++) {
    const pieces = book.give({ title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood: `wood ${i % 7}`, madeOn: `${1990 + (i % 40)}-03-11`, measured: [{ what: "depth", value: inch(9, 1 + (i % 60), 64) }] }, 100, "BW", `size-key-${i}`); // prettier-ignore
    book.happened(pieces.flatMap((p) => Array.from({ length: 10 }, (_, k): Happening => ({ id: `a.${++n}`, piece: p.id, on: `20${30 + k}-03-01`, what: k % 2 === 0 ? { do: "out", to: `stand "${p.id % 97}", left` } : { do: "back" } })))); // prettier-ignore
  }
  const text = (of: typeof book) => [...bookText(of.out())].join("");
  const whole = text(book);
  const ways = { JSON: () => readBookFile(whole), CSV: () => readBookCsv([...bookCsv(book.out())].join(""), "2050-01-01") }; // prettier-ignore
  for (const [way, read] of Object.entries(ways)) {
    const other = bookStore(openDatabase(":memory:"));
    const from = performance.now();
    expect([way, other.take(read())]).toEqual([way, { pieces: PIECES, happenings: 10 * PIECES }]);
    if (process.env.RUNDIK_PIECES) process.stdout.write(`${PIECES} pieces came in from ${way} in ${((performance.now() - from) / 1000).toFixed(0)} s\n`); // prettier-ignore
    expect([way, isDeepStrictEqual(JSON.parse(text(other)), JSON.parse(whole))]).toEqual([way, true]);
  }
}, 3_600_000);

test("a picture is kept with its piece, once, and comes back as it is kept; what is none is refused and nothing is kept", async () => {
  const { id } = await kept("Body with a picture", "PH 1", "key-photo-1");
  const file = (await sharp({ create: { width: 60, height: 40, channels: 3, background: "#a52" } }).jpeg().toBuffer()).toString("base64"); // prettier-ignore
  const send = (photo: string) => photograph(post({ id: "ph.1", on: "2030-01-02", note: "left corner", photo }), at(String(id))); // prettier-ignore
  const refused = await send(Buffer.from("no picture").toString("base64"));
  expect([refused.status, (await said<{ error: string }>(refused)).error]).toEqual([400, "photo: read a file that is no picture; wanted a picture as JPEG, PNG or WebP"]); // prettier-ignore
  const once = await said<{ happenings: Happening[] }>(await send(file));
  expect(await said<object>(await send(file))).toEqual(once);
  expect(once.happenings).toHaveLength(1);
  const what = once.happenings[0]!.what as { photo: string };
  const back = await photo(get(), { params: Promise.resolve({ name: what.photo }) });
  expect(back.headers.get("content-type")).toBe("image/jpeg");
  expect(await sharp(Buffer.from(await back.arrayBuffer())).metadata()).toMatchObject({ width: 60, height: 40 });
  expect((await photo(get(), { params: Promise.resolve({ name: "a".repeat(64) }) })).status).toBe(404);
  expect((await photograph(post({ id: "ph.2", on: "2030-01-02", photo: file }), at("999999"))).status).toBe(404);
});

test("one that came in and is found to be of a standard is reckoned by that standard at once, and is nothing of what was made here", async () => {
  const { pieces: [old] } = await said<{ pieces: KeptPiece[] }>(await pieces(post({ key: "key-came-01", keep: { title: "Old body", item: "body", standard: "unknown", size: "unknown", madeOn: "2020-01-01", measured: [] } }))); // prettier-ignore
  const tell = async (n: number, what: Happening["what"]) => said<{ asNew: { standard: string; box: { depth: number } } }>(await happened(post({ events: [{ id: `cm.${n}`, piece: old!.id, on: "2030-01-02", what }] }))); // prettier-ignore
  expect((await tell(1, { do: "scorched" })).asNew.standard).toBe("langstroth-10");
  expect((await tell(2, { do: "known", item: "body", standard: "national", size: "brood" })).asNew.standard).toBe("national"); // prettier-ignore
  const made = bookStore(database()).items().find((i) => i.item === "body")!.pieces; // prettier-ignore
  const { marks } = bookStore(database()).record("body", "2040-01-01");
  expect(marks.reduce((n, m) => n + m.pieces, 0)).toBe(made);
  expect(bookStore(database()).count()).toBeGreaterThan(made);
});

test("mending becomes a line of a job of its own or of one there is, its end as wide as the box was measured; the search finds that job", async () => {
  const { id } = await kept("Body to mend", "MD 7", "key-mend-01");
  await happened(post({ events: [{ id: "md.1", piece: id, on: "2030-01-02", what: { do: "inspected", faults: ["corner rotten"] } }] })); // prettier-ignore
  const box = { outsideLength: inch(19, 7, 8), outsideWidth: inch(16, 3, 8), insideLength: inch(18, 3, 8), insideWidth: inch(14, 7, 8), depth: inch(9, 1, 2), restToRest: inch(19, 1, 8), restDepth: inch(0, 5, 8) }; // prettier-ignore
  const ask = async (more: object) => mend(post({ box, corner: "rabbet-ends", ...more }), at(String(id)));
  const own = await said<{ id: number; name: string }>(await ask({}));
  expect(own.name).toBe("Mending MD 7");
  const other = await said<{ id: number }>(
    await jobs(post(writeJob({ ...emptyJob("Winter repairs", "in"), lines: [] }))),
  );
  for (const n of [1, 2]) {
    expect(await said<object>(await ask({ into: other.id }))).toEqual({ id: other.id, name: "Winter repairs" });
    const { job } = await said<{ job: { lines: object[]; designs: object[] } }>(
      await jobNow(get(), at(String(other.id))),
    );
    // Planned twice it is there twice, by one design.
    expect([job.lines.length, job.designs.length]).toEqual([n, 1]);
  }
  expect((await ask({ into: 999_999 })).status).toBe(404);
  const broken = await ask({ box: { ...box, insideLength: inch(19, 7, 8) } });
  expect([broken.status, (await said<{ error: string }>(broken)).error]).toEqual([400, expect.stringMatching(/^inside length: read 19 7\/8" .*wanted 1\/4" /)]); // prettier-ignore
  const { elsewhere } = await said<{ elsewhere: { kind: string; name: string; href: string }[] }>(await find(get("q=mending+md"))); // prettier-ignore
  expect(elsewhere.map((e) => [e.kind, e.name, e.href])).toEqual([["job", "Mending MD 7", `/jobs/${own.id}/shape`], ["job", "Winter repairs", `/jobs/${other.id}/shape`]]); // prettier-ignore
});

test("a mark of odd letters is kept and found as it is; one of more than a line, or that a template cannot write, is refused by name", async () => {
  const keep = (mark: string, key: string) => pieces(post({ key, keep: { title: "Box", mark, item: "body", standard: "unknown", size: "unknown", madeOn: "2020-01-01", measured: [] } })); // prettier-ignore
  for (const bad of ["BW\n27", "BW\u202e27", "\u0000", "   ", "x".repeat(41)]) {
    const refused = await keep(bad, "key-odd-0001");
    expect([bad, refused.status, (await said<{ error: string }>(refused)).error]).toEqual([bad, 400, expect.stringContaining("mark")]); // prettier-ignore
  }
  for (const [i, mark] of ["<img src=x onerror=alert(1)>", '"); DROP TABLE piece;--', "ŽĎÁR 3 ☃", "=1+1"].entries()) {
    const { pieces: [piece] } = await said<{ pieces: KeptPiece[] }>(await keep(mark, `key-odd-1${i}00`)); // prettier-ignore
    const { found } = await said<{ found: Listed[] }>(await find(get(`q=${encodeURIComponent(mark)}`)));
    expect([mark, found.map((p) => p.mark).includes(mark)]).toEqual([mark, true]);
    expect((await labels(get(`from=${piece!.id}&to=${piece!.id}`))).status).toBe(200);
    if (i === 2) expect([(await brand(get(), at(String(piece!.id)))).status]).toEqual([400]);
  }
});

test("a typed list comes in and goes out in the Book's CSV, its labels are printed; a bent one is refused whole", async () => {
  const list = (csv: string) => takeList(post({ csv }));
  expect((await said<{ error: string }>(await list("mark,what,made on\nLX-19-0001,Old deep,2019-03-01\nLX-19-0002,,"))).error).toMatch(/^row 3, what/); // prettier-ignore
  expect(await said<object>(await list("mark,what,made on\nLX-19-0001,Old deep,2019-03-01"))).toEqual({ pieces: 1, happenings: 0 }); // prettier-ignore
  const csv = await (await bookFile(get(), { params: Promise.resolve({ file: "book.csv" }) })).text();
  expect(csv).toContain("LX-19-0001");
  expect(csv).not.toContain("LX-19-0002");
  expect(await said<object>(await list(csv))).toEqual({ pieces: 0, happenings: 0 });
  expect((await pagesOf(Buffer.from(await (await labels(get("q=LX-19"))).arrayBuffer())))[0]).toContain("LX-19-0001");
  expect([(await labels(get("q=nobody"))).status, (await labels(get("from=1&to=x"))).status]).toEqual([404, 400]);
});
