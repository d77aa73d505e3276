import type { BookFile } from "@/core/book/file";
import { readBookFile } from "@/core/book/file";
import { inch } from "@/core/length/length";
import { bookCsv, readBookCsv } from "./bookCsv";
import { fromCsv } from "./tests/readBack";

const deep = { title: "Body, deep", item: "body", standard: "langstroth-10", size: "deep", madeOn: "2027-02-20", measured: [] }; // prettier-ignore
const photo = "a".repeat(64);
const whole: BookFile = {
  format: "rundik-book",
  version: 1,
  pieces: [
    { key: "key-00000001", given: { code: "BW", year: 2027, number: 1 }, piece: { ...deep, mark: "BW-27-0001", job: 3, design: 2, wood: "pine, white", joint: "fingers", finish: "oil", measured: [{ what: "depth", value: inch(9, 31, 64) }] } },
    { key: "key-00000002", piece: { ...deep, title: '=HYPERLINK("x")', ageless: true } },
    { key: "key-00000003", piece: { ...deep, title: "'=not a formula", mark: "+44" } },
  ],
  happenings: [
    { id: "a.1", of: "key-00000001", on: "2027-04-01", what: { do: "out", to: "Moor\nstand; \"two\"" } },
    { id: "a.2", of: "key-00000001", on: "2031-04-01", what: { do: "back" } },
    { id: "a.3", of: "key-00000001", on: "2031-04-02", what: { do: "inspected", faults: ["split", "rest broken"], note: "-left" } },
    { id: "a.4", of: "key-00000001", on: "2031-04-03", what: { do: "repaired", faults: ["split"], how: "@glue", minutes: 15.5 } },
    { id: "a.5", of: "key-00000001", on: "2031-04-04", what: { do: "measured", sizes: [{ what: "rest, left", value: inch(0, 5, 8) }] } },
    { id: "a.6", of: "key-00000002", on: "2031-04-05", what: { do: "known", item: "body", standard: "national", size: "brood" } },
    { id: "a.7", of: "key-00000002", on: "2031-04-05", what: { do: "photographed", photo } },
    { id: "a.8", of: "key-00000002", on: "2031-04-06", what: { do: "treated", with: "oil" } },
    { id: "a.9", of: "key-00000002", on: "2031-04-07", what: { do: "inspected", faults: [] } },
    { id: "a.10", of: "key-00000003", on: "2031-04-08", what: { do: "scrapped", why: "corner rotten" } },
    { id: "a.11", of: "key-00000003", on: "2031-04-08", what: { do: "note", text: "''=x" } },
    { id: "a.12", of: "key-00000003", on: "2031-04-08", what: { do: "scorched" } },
  ],
}; // prettier-ignore

test("the whole Book goes out as CSV and comes in equal, and no cell of it is a formula to a spreadsheet", () => {
  expect(readBookFile(JSON.stringify(whole))).toEqual(whole);
  const csv = [...bookCsv([{ pieces: whole.pieces, happenings: [] }, { pieces: [], happenings: whole.happenings }])].join(""); // prettier-ignore
  expect(readBookCsv(csv, "2040-01-01")).toEqual(whole);
  // Saved again by a spreadsheet with semicolons and a byte order mark.
  const cells = fromCsv(csv);
  const saved = `\ufeff${cells.map((row) => row.map((c) => `"${c.replaceAll('"', '""')}"`).join(";")).join("\n")}`;
  expect(readBookCsv(saved, "2040-01-01")).toEqual(whole);
  expect(cells.flat().filter((c) => /^[=+\-@\t\r]/.test(c))).toEqual([]);
});

test("a list that somebody typed comes in with what it says, marks of the shop's own counted; what is wrong is said by row and column", () => {
  const { pieces } = readBookCsv(
    "Mark,What,Made on\nBW-19-0007,Old deep,2019-03-01\nH.M. 3,Cedar box,\n",
    "2027-01-02",
  );
  expect(pieces).toMatchObject([
    { key: "mark-BW190007", given: { code: "BW", year: 2019, number: 7 }, piece: { title: "Old deep", standard: "unknown", madeOn: "2019-03-01" } },
    { key: "mark-HM3", piece: { mark: "H.M. 3", madeOn: "2027-01-02", ageless: true } },
  ]); // prettier-ignore
  expect(pieces[0]!.piece.ageless).toBeUndefined();
  const refused = (csv: string) => { try { readBookCsv(csv, "2027-01-02"); return "taken"; } catch (e) { return (e as Error).message; } }; // prettier-ignore
  expect(refused("mark,what,made on\nBW-19-0007,Old deep,1 March")).toMatch(/^row 2, made on: wanted a day like/);
  expect(refused("mark,what\nBW-19-0007,")).toMatch(/^row 2, what/);
  expect(refused("mark,colour\n1,red")).toMatch(/^row 1: read the heading "colour"; wanted of line, key, mark/);
  expect(refused("nothing\n1")).toMatch(/^row 1: read "nothing"; wanted headings/);
  expect(refused("line,key,mark,what,id,on,did\nhappening,key-00000009,,,a.1,2027-01-01,back")).toMatch(/^row 2, key: read "key-00000009", which is no piece/); // prettier-ignore
  expect(refused('mark,what,measured\n1,box,"[[1]]"')).toMatch(/^row 2, measured: read .*wanted sizes in mm/);
  expect(refused("mark,what\n,box")).toMatch(/^row 2, key/);
});
