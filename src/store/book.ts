import { conditionOf, type Condition, type Fault, type Happening, inOrder, type KeptPiece, type Listed, type Piece, pieceSchema, wordsOf } from "@/core/book/book"; // prettier-ignore
import type { BookFile, BookPart } from "@/core/book/file";
import { type Group, groupsOf, type LastingBy } from "@/core/book/lasting";
import { markKey, markPattern, markText, readGiven } from "@/core/book/mark";
import { type DesignRecord, recordOf } from "@/core/book/record";
import { JobFileError } from "@/core/problem/problem";
import { ofDatabase } from "./database";
import { writing } from "./keeper";

/** So many are listed at once. */
const LISTED = 50;
const MOST_PHOTOS = 40;
/** So many are read at once where all are: others are answered in between. */
const PART = 1000;

type Row = { id: number; data: string };
type Told = Omit<Happening, "what" | "on"> & { on: string; what: string };

/** The Book: pieces, what happened to them, and how they are found. */
export const bookStore = ofDatabase((db) => {
  const sql = {
    put: db.prepare("INSERT INTO piece (mark, code, year, number, made_on, job, key, data) VALUES (@mark, @code, @year, @number, @madeOn, @job, @key, @data) ON CONFLICT (key) DO NOTHING RETURNING id"), // prettier-ignore
    byKey: db.prepare<[string], Row>("SELECT id, data FROM piece WHERE key = ?"),
    last: db.prepare<[string, number], { n: number | null }>("SELECT max(number) AS n FROM piece WHERE code = ? AND year = ?"), // prettier-ignore
    lastCode: db.prepare<[], { code: string }>(
      "SELECT code FROM piece WHERE code IS NOT NULL ORDER BY id DESC LIMIT 1",
    ),
    one: db.prepare<[number], Row>("SELECT id, data FROM piece WHERE id = ?"),
    of: db.prepare<[number], Told>("SELECT id, piece, on_day AS 'on', what FROM happening WHERE piece = ?"),
    add: db.prepare("INSERT OR IGNORE INTO happening (id, piece, on_day, what) VALUES (@id, @piece, @on, @what)"),
    words: db.prepare("INSERT OR REPLACE INTO piece_words (rowid, words) VALUES (?, ?)"),
    byMark: db.prepare<[string, number], Row>("SELECT id, data FROM piece WHERE mark GLOB ? ORDER BY mark LIMIT ?"),
    byWords: db.prepare<[string, number], Row>("SELECT piece.id, data FROM piece_words JOIN piece ON piece.id = piece_words.rowid WHERE piece_words MATCH ? ORDER BY piece_words.rowid DESC LIMIT ?"), // prettier-ignore
    given: db.prepare<{ code: string; year: number; number: number }, { id: number }>("SELECT id FROM piece WHERE code = @code AND year = @year AND number = @number"), // prettier-ignore
    countHappened: db.prepare<[], { n: number }>("SELECT count(*) AS n FROM happening"),
    newest: db.prepare<[number], Row>("SELECT id, data FROM piece ORDER BY id DESC LIMIT ?"),
    between: db.prepare<[number, number, number], Row>("SELECT id, data FROM piece WHERE id BETWEEN ? AND ? ORDER BY id LIMIT ?"), // prettier-ignore
    marked: db.prepare<[number], { item: string; n: number }>("SELECT data ->> 'title' AS item, count(*) AS n FROM piece WHERE job = ? GROUP BY 1"), // prettier-ignore
    stands: db.prepare("UPDATE piece SET ended_on = ?, ended_why = ?, found = ?, repairs = ? WHERE id = ?"),
    lasted: db.prepare<[string], { value: string | null; made_on: string; ended_on: string | null; ended_why: string | null; n: number }>("SELECT data ->> ? AS value, made_on, ended_on, ended_why, count(*) AS n FROM piece WHERE data ->> '$.ageless' IS NULL GROUP BY 1, 2, 3, 4"), // prettier-ignore
    lastId: db.prepare<[], { id: number | null }>("SELECT max(id) AS id FROM piece"),
    some: db.prepare<[number, number, number], Row & { key: string; code: string | null; year: number | null; number: number | null }>("SELECT id, key, code, year, number, data FROM piece WHERE id > ? AND id <= ? ORDER BY id LIMIT ?"), // prettier-ignore
    someHappened: db.prepare<[string, number, number], Told & { of: string }>("SELECT happening.id, piece, piece.key AS 'of', on_day AS 'on', what FROM happening JOIN piece ON piece.id = happening.piece WHERE happening.id > ? AND piece <= ? ORDER BY happening.id LIMIT ?"), // prettier-ignore
    ofItem: db.prepare<[string], { mark: number | null; wood: string | null; joint: string | null; finish: string | null; made_on: string; ageless: number | null; ended_on: string | null; ended_why: string | null; found: string; repairs: number; n: number }>("SELECT data ->> 'design' AS mark, data ->> 'wood' AS wood, data ->> 'joint' AS joint, data ->> 'finish' AS finish, made_on, data ->> 'ageless' AS ageless, ended_on, ended_why, found, repairs, count(*) AS n FROM piece WHERE data ->> 'item' = ? AND data ->> 'standard' <> 'unknown' GROUP BY 1, 2, 3, 4, 5, 6, 7, 8, 9, 10"), // prettier-ignore
    items: db.prepare<[], { item: string; pieces: number }>("SELECT data ->> 'item' AS item, count(*) AS pieces FROM piece WHERE data ->> 'standard' <> 'unknown' GROUP BY 1 ORDER BY 2 DESC"), // prettier-ignore
    count: db.prepare<[], { n: number }>("SELECT count(*) AS n FROM piece"),
    putPhoto: db.prepare("INSERT OR IGNORE INTO photo (name, data) VALUES (?, ?)"),
    photo: db.prepare<[string], { data: Buffer }>("SELECT data FROM photo WHERE name = ?"),
  };
  const read = ({ id, data }: Row): KeptPiece => ({ id, ...pieceSchema.parse(JSON.parse(data)) });
  const happened = (id: number): Happening[] => inOrder(sql.of.all(id).map((h) => ({ ...h, what: JSON.parse(h.what) as Happening["what"] }))); // prettier-ignore
  const listed = (rows: Row[]): Listed[] => rows.map((r) => ({ ...read(r), condition: conditionOf(happened(r.id)) }));
  /** What is read from all that happened is written again. */
  const reword = (id: number) => {
    const all = happened(id);
    sql.words.run(id, wordsOf(read(sql.one.get(id)!), all));
    const { ended, repairs } = conditionOf(all);
    const found = all.flatMap(({ on, what }) => (what.do === "inspected" ? what.faults.map((f): [Fault, string] => [f, on]) : [])); // prettier-ignore
    sql.stands.run(ended?.on ?? null, ended?.why ?? null, JSON.stringify(found), repairs, id);
  };
  const put = (piece: Piece, key: string, given: { code: string; year: number; number: number } | null): KeptPiece => {
    const row = { mark: markKey(piece.mark ?? ""), code: given?.code ?? null, year: given?.year ?? null, number: given?.number ?? null, madeOn: piece.madeOn, job: piece.job ?? null, key, data: JSON.stringify(piece) }; // prettier-ignore
    const id = (sql.put.get(row) as { id: number } | undefined)?.id ?? sql.byKey.get(key)!.id;
    reword(id);
    return read(sql.one.get(id)!);
  };
  const tell = (events: Happening[]): void => {
    for (const [i, e] of events.entries()) {
      if (!sql.one.get(e.piece)) throw new JobFileError([{ path: `events[${i}].piece`, message: `read ${e.piece}; there is no such piece` }]); // prettier-ignore
      sql.add.run({ ...e, what: JSON.stringify(e.what) });
    }
    for (const id of new Set(events.map((e) => e.piece))) reword(id);
  };
  return {
    /** Gives so many pieces alike the shop's next marks of the year they were made in; asked again with the same key they are the same ones. */
    give: writing(db)((piece: Omit<Piece, "mark">, count: number, code: string, key: string): KeptPiece[] => {
      const known = sql.byKey.get(`${key}/1`);
      if (known) return Array.from({ length: count }, (_, i) => sql.byKey.get(`${key}/${i + 1}`)).flatMap((r) => (r ? [read(r)] : [])); // prettier-ignore
      const year = Number(piece.madeOn.slice(0, 4));
      const last = sql.last.get(code, year)!.n ?? 0;
      if (last + count > 9999) throw new JobFileError([{ path: "count", message: `read ${count}; of ${year} ${9999 - last} marks are left` }]); // prettier-ignore
      return Array.from({ length: count }, (_, i) => {
        const number = last + i + 1;
        return put({ ...piece, mark: markText(code, year, number) }, `${key}/${i + 1}`, { code, year, number });
      });
    }),
    /** Keeps a piece with the mark it has, or with none. @throws JobFileError where the shop gave that mark to a piece that is here */
    keep: writing(db)((piece: Piece, key: string): KeptPiece => {
      const has = piece.mark && readGiven(piece.mark) && !sql.byKey.get(key) ? sql.byMark.get(markKey(piece.mark), 1) : undefined; // prettier-ignore
      if (has) throw new JobFileError([{ path: "mark", message: `read ${piece.mark!}; that piece is in the Book: find it by its mark` }]); // prettier-ignore
      return put(piece, key, null);
    }),
    /** Keeps what happened, all of it or nothing, each once. @throws JobFileError where there is no such piece */
    happened: writing(db)(tell),
    /** Keeps a picture of a piece, once. @throws JobFileError where it has too many */
    photographed: writing(db)(({ name, data }: { name: string; data: Buffer }, { note, ...e }: Omit<Happening, "what"> & { note?: string }): void => {
      const has = happened(e.piece).filter((h) => h.what.do === "photographed");
      if (has.length >= MOST_PHOTOS && !has.some((h) => h.id === e.id)) throw new JobFileError([{ path: "photo", message: `read one more; a piece has at most ${MOST_PHOTOS} pictures` }]);
      sql.putPhoto.run(name, data);
      tell([{ ...e, what: { do: "photographed", photo: name, ...(note ? { note } : {}) } }]);
    }), // prettier-ignore
    /** A picture, by its name. */
    photo: (name: string): Buffer | undefined => sql.photo.get(name)?.data,
    /** A piece and all that happened to it, the last first. */
    load: (id: number): { piece: KeptPiece; happenings: Happening[]; condition: Condition } | undefined => {
      const row = sql.one.get(id);
      if (!row) return undefined;
      const all = happened(id);
      return { piece: read(row), happenings: all.toReversed(), condition: conditionOf(all) };
    },
    /** Pieces by what can be read of a mark, then by words that what is known of them begins with; the newest when nothing is asked. */
    find: (asked: string, most = LISTED): Listed[] => {
      const text = asked.trim();
      if (text === "") return listed(sql.newest.all(most));
      const pattern = /\s/.test(text) && !/[0-9?]/.test(text) ? undefined : markPattern(text);
      const byMark = pattern ? sql.byMark.all(pattern, most) : [];
      const words = text.match(/[\p{L}\p{N}]+/gu) ?? [];
      const byWords = words.length > 0 ? sql.byWords.all(words.map((w) => `"${w}"*`).join(" "), most) : [];
      const seen = new Set(byMark.map((r) => r.id));
      return listed([...byMark, ...byWords.filter((r) => !seen.has(r.id))].slice(0, most));
    },
    /** Pieces from one to another by their numbers here, so many at most. */
    between: (from: number, to: number, most: number): KeptPiece[] => sql.between.all(from, to, most).map(read),
    /** The whole Book part by part, all pieces first: what comes in between two parts is not of it. */
    *out(): Generator<BookPart> {
      const last = sql.lastId.get()!.id ?? 0;
      for (let rows = sql.some.all(0, last, PART); rows.length > 0; rows = sql.some.all(rows.at(-1)!.id, last, PART))
        yield { pieces: rows.map(({ key, code, year, number, data }) => ({ key, ...(code === null ? {} : { given: { code, year: year!, number: number! } }), piece: JSON.parse(data) as Piece })), happenings: [] };
      for (let rows = sql.someHappened.all("", last, PART); rows.length > 0; rows = sql.someHappened.all(rows.at(-1)!.id, last, PART))
        yield { pieces: [], happenings: rows.map(({ id, of, on, what }) => ({ id, of, on, what: JSON.parse(what) as Happening["what"] })) };
    }, // prettier-ignore
    /** Every piece with what happened to it, part by part. */
    *everything(): Generator<{ piece: KeptPiece; happenings: Happening[] }[]> {
      const last = sql.lastId.get()!.id ?? 0;
      for (let rows = sql.some.all(0, last, PART); rows.length > 0; rows = sql.some.all(rows.at(-1)!.id, last, PART))
        yield rows.map((r) => ({ piece: read(r), happenings: happened(r.id) }));
    }, // prettier-ignore
    /** Takes a Book's file in: what is there already stays, the rest is added, all of it or nothing. @throws JobFileError where a mark was given to another piece */
    take: writing(db)(({ pieces, happenings }: BookFile): { pieces: number; happenings: number } => {
      const before = [sql.count.get()!.n, sql.countHappened.get()!.n] as const;
      const ids = new Map<string, number>();
      for (const [i, { key, given, piece }] of pieces.entries()) {
        const has = sql.byKey.get(key);
        if (!has && given && sql.given.get(given)) throw new JobFileError([{ path: `pieces.${i}.given`, message: `read ${piece.mark ?? ""}; another piece of this Book has that mark` }]); // prettier-ignore
        ids.set(key, has?.id ?? put(piece, key, given ?? null).id);
      }
      for (const { of, ...h } of happenings) sql.add.run({ ...h, piece: ids.get(of)!, what: JSON.stringify(h.what) });
      for (const id of new Set(happenings.map((h) => ids.get(h.of)!))) reword(id);
      return { pieces: sql.count.get()!.n - before[0], happenings: sql.countHappened.get()!.n - before[1] };
    }),
    /** How many of each thing of a job have marks. */
    marked: (job: number): Map<string, number> => new Map(sql.marked.all(job).map((m) => [m.item, m.n])),
    /** How long pieces lasted up to a day, by what they have in common. */
    lasted: (by: LastingBy, today: string): Group[] => groupsOf(sql.lasted.all(`$.${by}`).map((r) => ({ value: r.value ?? "not said", madeOn: r.made_on, ended: r.ended_on ? { on: r.ended_on, why: r.ended_why! } : null, n: r.n })), today), // prettier-ignore
    /** How what was made by a design did up to a day: by its id, or by the item's that ships; what came in of no known make is none of it. */
    record: (item: string, today: string): DesignRecord => recordOf(sql.ofItem.all(item).map((r) => ({ mark: r.mark, wood: r.wood, joint: r.joint, finish: r.finish, madeOn: r.made_on, ageless: r.ageless === 1, ended: r.ended_on ? { on: r.ended_on, why: r.ended_why! } : null, found: JSON.parse(r.found) as [Fault, string][], repairs: r.repairs, n: r.n })), today), // prettier-ignore
    /** What there are pieces of, most first. */
    items: (): { item: string; pieces: number }[] => sql.items.all(),
    /** The code the last marks were given with. */
    code: (): string | undefined => sql.lastCode.get()?.code,
    count: (): number => sql.count.get()!.n,
  };
});
