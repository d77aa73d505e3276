import { conditionOf, type Happening, happeningSchema, happeningText, inOrder, pieceSchema, wordsOf } from "./book";
import { groupsOf, lasting } from "./lasting";
import { markKey, markPattern, markText } from "./mark";

test("a mark is read with or without what stands between its parts, and half of it finds it", () => {
  const marks = [markText("BW", 2027, 123), markText("BW", 1984, 7), markText("KH", 2027, 123)];
  expect(marks).toEqual(["BW-27-0123", "BW-84-0007", "KH-27-0123"]);
  // GLOB as SQLite has it, by a regular expression.
  const found = (read: string) => {
    const pattern = markPattern(read);
    if (pattern === undefined) return undefined;
    const as = new RegExp(`^${pattern.replaceAll("?", ".").replaceAll("*", ".*")}$`);
    return marks.filter((m) => as.test(markKey(m)));
  };
  expect(found("bw 27 0123")).toEqual(["BW-27-0123"]);
  expect(found("BW-8?")).toEqual(["BW-84-0007"]);
  expect(found("?W-2?")).toEqual(["BW-27-0123"]);
  expect(found("0123")).toEqual(["BW-27-0123", "KH-27-0123"]);
  expect([found("??"), found("—")]).toEqual([undefined, undefined]);
  // Nothing of a pattern but a question mark is one.
  expect(markPattern("B*[A-Z]")).toBe("BAZ*");
});

const happened = (n: number, on: string, what: Happening["what"]): Happening => happeningSchema.parse({ id: `a.${n}`, piece: 1, on, what }); // prettier-ignore

test("how a piece stands follows from all that happened, in whatever order it came in", () => {
  const all = [
    happened(1, "2027-03-01", { do: "out", to: "Moor stand" }),
    happened(2, "2029-10-02", { do: "back" }),
    happened(3, "2029-10-02", { do: "inspected", faults: ["rest broken", "corner rotten"] }),
    happened(4, "2029-10-02", { do: "scorched" }),
    happened(5, "2030-01-15", { do: "repaired", faults: ["corner rotten"], how: "new end", minutes: 40 }),
  ];
  for (const list of [all, all.toReversed()])
    expect(conditionOf(list)).toEqual({
      where: "here",
      faults: ["rest broken"],
      repairs: 1,
      measured: {},
      scorchedOn: "2029-10-02",
    });
  expect(inOrder(all.toReversed())).toEqual(all);
  expect(conditionOf(all.slice(0, 1))).toMatchObject({ where: "out", to: "Moor stand" });
  const gone = [...all, happened(6, "2044-05-01", { do: "scrapped", why: "warped" })];
  expect(conditionOf(gone)).toMatchObject({ where: "scrapped", ended: { on: "2044-05-01", why: "warped" } });
  expect(gone.map((h) => happeningText(h))).toEqual(["out to Moor stand", "back", "inspected: rest broken, corner rotten", "scorched", "repaired: corner rotten; new end, 40 min", "scrapped: warped"]); // prettier-ignore
  const piece = pieceSchema.parse({ title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", wood: "pine", madeOn: "2027-02-20" }); // prettier-ignore
  expect(wordsOf(piece, all)).toMatch(/pine.*Moor stand.*new end/);
});

test("a bent happening is refused with the field, what was read and what would be right", () => {
  const bent = (more: object) => happeningSchema.safeParse({ id: "a.1", piece: 1, on: "2027-03-01", what: { do: "back" }, ...more }).error?.issues[0]?.message; // prettier-ignore
  expect(bent({})).toBeUndefined();
  expect(bent({ on: "2027-02-30" })).toMatch(/wanted a day/);
  expect(bent({ id: "x" })).toMatch(/wanted a screen and a number/);
  expect(bent({ what: { do: "inspected", faults: ["eaten"] } })).toMatch(/corner rotten/);
});

test("how long things last: a published table of remission under a drug, 21 watched, 9 ended (Freireich and others 1963, from memory)", () => {
  const ended = [6, 6, 6, 7, 10, 13, 16, 22, 23].map((years) => ({ years, ended: true }));
  const watched = [6, 9, 10, 11, 17, 19, 20, 25, 32, 32, 34, 35].map((years) => ({ years, ended: false }));
  const steps = lasting([...watched, ...ended]);
  expect(steps.map((s) => [s.years, s.atRisk, s.failed, s.lasts.toFixed(4)])).toEqual([[6, 21, 3, "0.8571"], [7, 17, 1, "0.8067"], [10, 15, 1, "0.7529"], [13, 12, 1, "0.6902"], [16, 11, 1, "0.6275"], [22, 7, 1, "0.5378"], [23, 6, 1, "0.4482"]]); // prettier-ignore
  // Greenwood's errors as the same table is printed: 0.0764 at six, 0.1346 at twenty-three.
  expect([steps[0]!.error.toFixed(4), steps.at(-1)!.error.toFixed(4)]).toEqual(["0.0764", "0.1346"]);
  expect(lasting([{ years: 3, ended: false }])).toEqual([]);
  // When the last one watched ends nothing lasts longer.
  expect(lasting([{ years: 2, ended: true }])).toEqual([{ years: 2, atRisk: 1, failed: 1, lasts: 0, error: 0 }]);
});

test("how long things last is said group by group, with what they failed of, and only where enough are known", () => {
  const made = (value: string, n: number, ended: { on: string; why: string } | null) => Array.from({ length: n }, () => ({ value, madeOn: "2000-01-01", ended })); // prettier-ignore
  const all = [...made("pine", 4, { on: "2010-01-01", why: "corner rotten" }), ...made("pine", 1, { on: "2010-01-01", why: "lost" }), ...made("pine", 5, null), ...made("cedar", 2, { on: "2010-01-01", why: "split" })]; // prettier-ignore
  const [pine, cedar] = groupsOf(all, "2030-01-01");
  // Four of ten failed at ten years, and one was lost then: six tenths last longer, and more than half still do.
  expect(pine).toMatchObject({ value: "pine", pieces: 10, failed: 4, why: [{ fault: "corner rotten", n: 4 }, { fault: "lost", n: 1 }], steps: [{ years: 10, atRisk: 10, failed: 4, lasts: 0.6 }] }); // prettier-ignore
  expect([pine!.half, cedar]).toEqual([undefined, { value: "cedar", pieces: 2, failed: 2, why: [{ fault: "split", n: 2 }], steps: [] }]); // prettier-ignore
  expect(groupsOf([...all, ...made("pine", 3, { on: "2020-01-01", why: "split" })], "2030-01-01")[0]!.half).toBe(20);
});
