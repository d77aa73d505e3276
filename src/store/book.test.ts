/** @jest-environment node */
import type { Happening } from "@/core/book/book";
import { BOOK_HEADS, bookLines, bookText, readBookFile } from "@/core/book/file";
import { mm } from "@/core/length/length";
import { bookStore } from "./book";
import { openDatabase } from "./database";

const deep = { title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood: "white pine", madeOn: "2027-02-20", measured: [{ what: "depth", value: mm(244.5) }] }; // prettier-ignore
let n = 0;
const happened = (piece: number, on: string, what: Happening["what"]): Happening => ({ id: `a.${++n}`, piece, on, what }); // prettier-ignore
const wholeOf = (book: ReturnType<typeof bookStore>) => [...bookText(book.out())].join("");
const marks = (list: { mark?: string }[]) => list.map((p) => p.mark);

test("marks count on through a year and begin again with the next; asked twice they are given once", () => {
  const book = bookStore(openDatabase(":memory:"));
  expect(marks(book.give({ ...deep, job: 3 }, 3, "BW", "key-0001"))).toEqual(["BW-27-0001", "BW-27-0002", "BW-27-0003"]); // prettier-ignore
  expect(marks(book.give({ ...deep, job: 3 }, 3, "BW", "key-0001"))).toEqual(["BW-27-0001", "BW-27-0002", "BW-27-0003"]); // prettier-ignore
  expect(marks(book.give({ ...deep, madeOn: "2028-01-02" }, 1, "BW", "key-0002"))).toEqual(["BW-28-0001"]);
  expect(marks(book.give(deep, 2, "BW", "key-0003"))).toEqual(["BW-27-0004", "BW-27-0005"]);
  expect([book.count(), book.marked(3), book.code()]).toEqual([6, new Map([["Body, deep", 3]]), "BW"]);
  expect(() => book.give(deep, 9995, "BW", "key-0004")).toThrow(/of 2027 9994 marks are left/);
  expect(book.count()).toBe(6);
});

test("found by half a mark, or by words of what it is, whom it went to and what happened; what comes in first is kept once", () => {
  const book = bookStore(openDatabase(":memory:"));
  const [one, two] = book.give(deep, 2, "BW", "key-0001");
  const old = book.keep({ ...deep, title: "Body, old cedar", wood: "cedar", mark: "H.M. 1984" }, "key-0002");
  expect(book.keep({ ...deep, title: "Body, old cedar", mark: "H.M. 1984" }, "key-0002").id).toBe(old.id);
  // One that comes in with a mark of the shop's own is the one there is.
  expect(() => book.keep({ ...deep, mark: "BW-27-0001" }, "key-0003")).toThrow(
    /^mark: read BW-27-0001; that piece is in the Book/,
  );
  const events = [happened(one!.id, "2027-04-01", { do: "out", to: "Moor stand" }), happened(two!.id, "2031-09-01", { do: "inspected", faults: ["rest broken"] })]; // prettier-ignore
  book.happened(events);
  // The answer was lost and it was sent again.
  book.happened(events);
  expect([marks(book.find("bw-2?")), marks(book.find("hm19")), marks(book.find("0002"))]).toEqual([["BW-27-0001", "BW-27-0002"], ["H.M. 1984"], ["BW-27-0002"]]); // prettier-ignore
  expect([marks(book.find("moor")), marks(book.find("rest bro")), marks(book.find("white"))]).toEqual([["BW-27-0001"], ["BW-27-0002"], ["BW-27-0002", "BW-27-0001"]]); // prettier-ignore
  expect([book.find("hazel"), book.find('"); DROP'), book.find("*")]).toEqual([[], [], []]);
  expect(book.find("")).toHaveLength(3);
  expect(book.load(one!.id)).toMatchObject({ condition: { where: "out", to: "Moor stand" }, happenings: [{ on: "2027-04-01" }] }); // prettier-ignore
  expect(book.load(99)).toBeUndefined();
  // All of it or nothing.
  expect(() => book.happened([happened(one!.id, "2028-01-01", { do: "back" }), happened(99, "2028-01-01", { do: "back" })])).toThrow(/events\[1\]\.piece: read 99/); // prettier-ignore
  expect(book.load(one!.id)!.condition.where).toBe("out");
});

test("the whole Book goes out and comes in again equal, into an empty one and into its own; a mark that another piece has is refused whole", () => {
  const book = bookStore(openDatabase(":memory:"));
  const [one, two] = book.give({ ...deep, job: 3 }, 2, "BW", "key-0001");
  const old = book.keep({ ...deep, title: "Body, old cedar", mark: "H.M. 1984", standard: "unknown" }, "key-0002");
  book.happened([happened(one!.id, "2027-04-01", { do: "out", to: "Moor stand" }), happened(two!.id, "2031-09-01", { do: "scrapped", why: "split" }), happened(old.id, "2028-01-01", { do: "measured", sizes: [{ what: "depth", value: mm(230) }] })]); // prettier-ignore
  const file = readBookFile(wholeOf(book));
  const other = bookStore(openDatabase(":memory:"));
  other.give({ ...deep, madeOn: "2030-01-01" }, 1, "KH", "key-0009");
  expect([other.take(file), other.take(file), book.take(file)]).toEqual([{ pieces: 3, happenings: 3 }, { pieces: 0, happenings: 0 }, { pieces: 0, happenings: 0 }]); // prettier-ignore
  const again = readBookFile(wholeOf(other));
  expect(again.pieces.filter((p) => file.pieces.some((f) => f.key === p.key))).toEqual(file.pieces);
  expect(again.happenings).toEqual(file.happenings);
  // It counts on after what came in, and finds it.
  expect([marks(other.give(deep, 1, "BW", "key-0010")), marks(other.find("moor"))]).toEqual([["BW-27-0003"], ["BW-27-0001"]]); // prettier-ignore
  expect(other.lasted("title", "2040-01-01").find((g) => g.value === "Body, deep")!.failed).toBe(1);
  const stranger = bookStore(openDatabase(":memory:"));
  stranger.give(deep, 1, "BW", "key-else");
  expect(() => stranger.take(file)).toThrow(
    /pieces\.0\.given: read BW-27-0001; another piece of this Book has that mark/,
  );
  expect(stranger.count()).toBe(1);
  expect([BOOK_HEADS, ...[...book.everything()].flatMap(bookLines)].map((l) => [l[0], l[9], l[13]])).toEqual([["mark", "where", "scrapped on"], ["BW-27-0001", "out", ""], ["BW-27-0002", "scrapped", "2031-09-01"], ["H.M. 1984", "here", ""]]); // prettier-ignore
});

test("a bent Book is refused with the field, and nothing of it is taken", () => {
  const file = {
    format: "rundik-book",
    version: 1,
    pieces: [{ key: "key-00001", piece: deep }],
    happenings: [] as object[],
  };
  const bent = (more: object) => () => readBookFile(JSON.stringify({ ...file, ...more }));
  expect(bent({})).not.toThrow();
  expect(bent({ pieces: [{ key: "key-00001", piece: { ...deep, madeOn: "last year" } }] })).toThrow(
    /^pieces\.0\.piece\.madeOn: .*wanted a day/,
  );
  expect(bent({ happenings: [{ id: "a.1", of: "key-00002", on: "2027-01-01", what: { do: "back" } }] })).toThrow(/^happenings\.0\.of: read "key-00002", which is no piece/); // prettier-ignore
  expect(() => readBookFile("{")).toThrow(/not JSON/);
});

/** Pieces and what happened to each; 100 000 and ten with `npm run figures`. */
const PIECES = Number(process.env["RUNDIK_PIECES"] ?? 400);

test("a Book of many pieces is searched and opened as fast as one types", () => {
  const db = openDatabase(":memory:");
  const book = bookStore(db);
  const titles = ["Body, deep", "Body, medium", "Feed rim", "Telescoping cover", "Long body, deep"];
  const woods = ["white pine", "cedar", "cypress", "spruce"];
  for (let i = 0; i < PIECES / 200; i++) {
    const pieces = book.give({ ...deep, title: titles[i % 5]!, wood: woods[i % 4]!, madeOn: `${1990 + (i % 40)}-0${1 + (i % 9)}-11` }, 200, "BW", `many-key-${i}`); // prettier-ignore
    book.happened(pieces.flatMap((p) => Array.from({ length: 10 }, (_, k) => happened(p.id, `20${30 + k}-03-01`, k % 3 === 0 ? { do: "out", to: `stand ${(p.id * 7 + k) % 97}` } : k % 3 === 1 ? { do: "inspected", faults: p.id % 11 === 0 ? ["split"] : [] } : { do: "back" })))); // prettier-ignore
  }
  const took = (run: () => unknown) => {
    const times = Array.from({ length: 20 }, () => {
      const from = performance.now();
      run();
      return performance.now() - from;
    });
    return times.toSorted((a, b) => a - b)[10]!;
  };
  const asked = ["BW-0?", "0123", "?W-1", "cedar medium", "stand 4", "split", "w", "telescoping cypress stand 12", "nowhere"]; // prettier-ignore
  expect(book.find("cedar medium").every((p) => p.wood === "cedar" && p.title === "Body, medium")).toBe(true);
  const times = asked.map((q) => [q, took(() => book.find(q))] as const);
  const opened = took(() => book.load(Math.ceil(PIECES / 2)));
  if (process.env["RUNDIK_PIECES"]) process.stdout.write(`${book.count()} pieces, ${n} happenings: ${times.map(([q, t]) => `${q} ${t.toFixed(1)} ms`).join(", ")}; a piece opened in ${opened.toFixed(2)} ms\n`); // prettier-ignore
}, 3_600_000);
