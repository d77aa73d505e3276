"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import type { Elsewhere, KeptPiece, Listed } from "@/core/book/book";
import { askServer } from "@/ui/parts/askServer";
import { DateField } from "@/ui/parts/DateField";
import { Key } from "@/ui/parts/Key";
import { NumberField } from "@/ui/parts/NumberField";
import { count as said, dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { markKey } from "@/core/book/mark";
import { HowLong } from "./HowLong";

/** So many of the newest are shown before anything is asked. */
const NEWEST = 10;

/** A job whose pieces are to be marked. */
interface Making {
  id: number;
  name: string;
  lines: { at: number; title: string; quantity: number; marked: number }[];
}

/** The Book: found by what can be read of a mark or by words, as one types; what a job made is given its marks. */
export function BookPage({ first, count, jobs, making, items, code, today }: { first: Listed[]; count: number; jobs: { id: number; name: string }[]; making: Making | null; items: { item: string; name: string; pieces: number }[]; code: string; today: string }) {
  const [text, setText] = useState("");
  const [found, setFound] = useState(first);
  const [elsewhere, setElsewhere] = useState<Elsewhere[]>([]);
  const [problem, setProblem] = useState<string | null>(null);
  const router = useRouter();
  const asked = useRef(0);
  const field = useRef<HTMLInputElement>(null);
  useEffect(() => {
    const press = (e: KeyboardEvent) => {
      if (e.key !== "/" || (e.target as HTMLElement).closest("input, select")) return;
      e.preventDefault();
      field.current?.focus();
    };
    window.addEventListener("keydown", press);
    return () => window.removeEventListener("keydown", press);
  }, []);
  const [newest, setNewest] = useState(first);
  const [many, setMany] = useState(count);
  /** What came in is shown without the page being made anew: what was just said stays on it. */
  const reload = (came: number) => {
    setMany((n) => n + came);
    askServer<{ found: Listed[] }>("/api/book?q=").then((r) => setNewest(r.found), (e: Error) => setProblem(e.message));
  };
  useEffect(() => {
    const mine = ++asked.current;
    if (text.trim() === "") {
      setFound(newest);
      setElsewhere([]);
      return;
    }
    askServer<{ found: Listed[]; elsewhere: Elsewhere[] }>(`/api/book?q=${encodeURIComponent(text)}`)
      .then((r) => mine === asked.current && (setFound(r.found), setElsewhere(r.elsewhere), setProblem(null)))
      .catch((e: Error) => mine === asked.current && setProblem(e.message));
  }, [text, newest]);
  /** A scanner types a whole mark and presses Enter: what has just that mark opens. */
  const scanned = async () => {
    const { found: now } = await askServer<{ found: Listed[] }>(`/api/book?q=${encodeURIComponent(text)}`).catch(() => ({ found: [] as Listed[] }));
    const same = now.filter((p) => p.mark && markKey(p.mark) === markKey(text));
    const only = same.length === 1 ? same[0] : now.length === 1 ? now[0] : undefined;
    if (only) router.push(`/book/${only.id}`);
  };
  return (
    <>
      <ShopTop here="/book" />
      <main className="mx-auto max-w-[76rem] px-5 pt-3 pb-10">
        <h1 className="text-[1.33rem] font-semibold">
          The Book <Key k="/" />
        </h1>
        <input ref={field} className="field mt-2 w-full max-w-xl text-[1.3rem]" aria-label="Find a piece" placeholder="BW-8?, body pine, Moor stand, rest broken …" value={text} onChange={(e) => setText(e.target.value)} onKeyDown={(e) => { if (e.key === "Enter") void scanned(); }} />
        <p className="mt-1 text-[.9rem] text-soft">
          what can be read of a mark, ? for what cannot, or its label scanned; words of what it is, whom it went to, what happened; jobs, designs and orders too. {said(many, "piece")} in the Book.
        </p>
        {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
        {elsewhere.length > 0 && (
          <ul className="mt-3" aria-label="Elsewhere">
            {elsewhere.map((e, i) => (
              <li key={i} className="border-t border-rule">
                <Link prefetch={false} href={e.href} className="grid min-h-[44px] grid-cols-[8.5rem_minmax(0,1fr)_minmax(0,2fr)] items-center gap-x-4 no-underline hover:bg-bench">
                  <span className="text-soft">{e.kind}</span>
                  <b className="truncate font-semibold">{e.name}</b>
                  <span className="truncate text-soft">{e.said}</span>
                </Link>
              </li>
            ))}
          </ul>
        )}
        <ul className="mt-3" aria-label="Found">
          {(text.trim() === "" ? found.slice(0, NEWEST) : found).map((p) => (
            <li key={p.id} className="border-t border-rule">
              <Link prefetch={false} href={`/book/${p.id}`} className="grid min-h-[44px] grid-cols-[8.5rem_minmax(0,1.3fr)_6.5rem_minmax(0,1.2fr)] items-center gap-x-4 no-underline hover:bg-bench">
                <b className="font-mono">{p.mark ?? "no mark"}</b>
                <span className="truncate">{p.title}{p.wood ? `, ${p.wood}` : ""}</span>
                <span className="text-soft">{dayText(p.madeOn).replace(/^\w+ /, "")} {p.madeOn.slice(0, 4)}</span>
                <span className={p.condition.faults.length > 0 ? "text-madder" : "text-soft"}>
                  {p.condition.where === "out" ? `out to ${p.condition.to}` : p.condition.where}
                  {p.condition.faults.length > 0 ? `; ${p.condition.faults.join(", ")}` : ""}
                </span>
              </Link>
            </li>
          ))}
        </ul>
        {text.trim() !== "" && found.some((p) => p.mark) && (
          <p className="no-print mt-1">
            <a className="quiet inline-flex min-h-[44px] items-center" href={`/api/book/labels?q=${encodeURIComponent(text)}`}>
              labels of these
            </a>
          </p>
        )}
        {found.length === 0 && elsewhere.length === 0 && <p className="mt-3">{text === "" ? "Nothing is in the Book yet: mark what a job made." : "Nothing in the Book is called so."}</p>}
        <section aria-label="Mark what was made" className="mt-8">
          <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">Mark what was made</h2>
          <select className="field mt-2 min-h-[44px]" aria-label="Which job" value={making?.id ?? ""} onChange={(e) => router.push(e.target.value ? `/book?job=${e.target.value}` : "/book")}>
            <option value="">of which job</option>
            {jobs.map((j) => (
              <option key={j.id} value={j.id}>
                {j.name}
              </option>
            ))}
          </select>
          {making && <Marking making={making} code={code} today={today} done={reload} />}
        </section>
        <HowLong pieces={many} />
        {items.length > 0 && (
          <section aria-label="Designs" className="mt-8">
            <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">How each design did</h2>
            <p className="mt-1 flex flex-wrap gap-x-6">
              {items.map((i) => (
                <Link key={i.item} prefetch={false} href={`/book/record/${i.item}`} className="quiet inline-flex min-h-[44px] items-center">
                  {i.name}, {said(i.pieces, "piece")}
                </Link>
              ))}
            </p>
          </section>
        )}
        <CameIn today={today} done={(p) => router.push(`/book/${p.id}`)} />
        <Carry done={reload} />
      </main>
    </>
  );
} // prettier-ignore

const FILES = [["book.json", "all of it, JSON"], ["book.csv", "all of it, CSV"], ["pieces.csv", "how each stands, CSV"], ["pieces.xlsx", "how each stands, workbook"]]; // prettier-ignore

/** The Book carried off, and one taken in. */
function Carry({ done }: { done(came: number): void }) {
  const [told, setTold] = useState<string | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (file: File) => {
    try {
      const text = await file.text();
      const isCsv = !text.trimStart().startsWith("{");
      const added = await askServer<{ pieces: number; happenings: number }>(isCsv ? "/api/book/file/list" : "/api/book/file", { method: "POST", body: isCsv ? { csv: text } : text, patience: 600_000 });
      setTold(`${said(added.pieces, "piece")} and ${said(added.happenings, "thing that happened", "things that happened")} came in; what was there already stayed.`);
      setProblem(null);
      done(added.pieces);
    } catch (e) {
      setProblem((e as Error).message);
    }
  };
  return (
    <section aria-label="Carry it off" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">Carry it off</h2>
      <p className="mt-1 flex flex-wrap items-center gap-x-5">
        {FILES.map(([file, what]) => (
          <a key={file} className="quiet inline-flex min-h-[44px] items-center" href={`/api/book/file/${file}`}>
            {what}
          </a>
        ))}
        <label className="quiet inline-flex min-h-[44px] cursor-pointer items-center">
          take one in
          <input type="file" accept=".json,.csv,application/json,text/csv" className="sr-only" aria-label="Take a Book in" onChange={(e) => { const file = e.target.files?.[0]; e.target.value = ""; if (file) void take(file); }} />
        </label>
      </p>
      <p className="text-[.9rem] text-soft">A list of your own is taken in too: a CSV with the columns mark, what and, where you know it, made on. Pictures stay here: they go with the copy of everything, on Today.</p>
      {told && <p role="status" className="border-l-4 border-spruce pl-2">{told}</p>}
      {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
    </section>
  );
} // prettier-ignore

/** Gives each line of a job its marks, as many as were made and have none yet. */
function Marking({ making, code: known, today, done }: { making: Making; code: string; today: string; done(came: number): void }) {
  const [code, setCode] = useState(known);
  const [madeOn, setMadeOn] = useState(today);
  const [counts, setCounts] = useState<Record<number, number>>({});
  const [given, setGiven] = useState<{ marks: string; labels: string } | null>(null);
  /** Given since the page was made. */
  const [marked, setMarked] = useState<Record<number, number>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const key = useRef(new Map<number, string>());
  const give = async (line: Making["lines"][number], count: number) => {
    // Asked again after an answer that was lost it gives the same marks.
    const mine = key.current.get(line.at) ?? crypto.randomUUID();
    key.current.set(line.at, mine);
    try {
      const { pieces } = await askServer<{ pieces: KeptPiece[] }>("/api/book/pieces", { method: "POST", body: { key: mine, give: { job: making.id, line: line.at, count, code, madeOn } } });
      key.current.delete(line.at);
      setGiven({ marks: pieces.length === 1 ? pieces[0]!.mark! : `${pieces[0]!.mark} to ${pieces.at(-1)!.mark}`, labels: `/api/book/labels?from=${pieces[0]!.id}&to=${pieces.at(-1)!.id}` });
      setProblem(null);
      setMarked((m) => ({ ...m, [line.at]: (m[line.at] ?? 0) + pieces.length }));
      setCounts(({ [line.at]: _given, ...rest }) => rest);
      done(pieces.length);
    } catch (e) {
      setProblem((e as Error).message);
    }
  };
  return (
    <>
      <p className="mt-2 flex flex-wrap items-center gap-x-5">
        <label>
          code of the shop <input className="field w-16 font-mono" aria-label="Code of the shop" maxLength={4} value={code} onChange={(e) => setCode(e.target.value.toUpperCase().replace(/[^A-Z]/g, ""))} />
        </label>
        <DateField label="made on" value={madeOn} onChange={(d) => d && setMadeOn(d)} />
      </p>
      {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
      {given && (
        <p className="flex flex-wrap items-center gap-x-4 border-l-4 border-spruce pl-2">
          <span role="status">Burn in <b className="font-mono">{given.marks}</b>.</span>
          <a className="quiet inline-flex min-h-[44px] items-center" href={given.labels}>
            their labels
          </a>
        </p>
      )}
      <ul className="mt-1">
        {making.lines.map((l) => {
          const has = l.marked + (marked[l.at] ?? 0);
          const count = counts[l.at] ?? Math.max(0, l.quantity - has);
          return (
            <li key={l.at} className="flex min-h-[48px] flex-wrap items-center gap-x-4 border-t border-rule">
              <span className="min-w-[14rem]">{l.title}</span>
              <span className="text-soft">{l.quantity} in the job, {has} marked</span>
              <NumberField label={`How many: ${l.title}`} value={count} onSettle={(n) => setCounts({ ...counts, [l.at]: Math.max(0, Math.min(2000, Math.round(n))) })} className="w-16" />
              <button className="act" disabled={count === 0 || code === ""} onClick={() => void give(l, count)}>
                {said(count, "mark")}
              </button>
            </li>
          );
        })}
      </ul>
    </>
  );
} // prettier-ignore

/** A box that came in, with the mark it has or with none. */
function CameIn({ today, done }: { today: string; done(p: KeptPiece): void }) {
  const [mark, setMark] = useState("");
  const [title, setTitle] = useState("");
  const [year, setYear] = useState("");
  const isYear = /^(1[89]|20)\d\d$/.test(year) && year <= today.slice(0, 4);
  const [problem, setProblem] = useState<string | null>(null);
  const key = useRef<string>(null);
  const keep = async () => {
    key.current ??= crypto.randomUUID();
    try {
      const { pieces } = await askServer<{ pieces: KeptPiece[] }>("/api/book/pieces", { method: "POST", body: { key: key.current, keep: { ...(mark.trim() ? { mark: mark.trim() } : {}), title: title.trim(), item: "body", standard: "unknown", size: "unknown", ...(year ? { madeOn: `${year}-01-01` } : { madeOn: today, ageless: true }), measured: [] } } });
      key.current = null;
      done(pieces[0]!);
    } catch (e) {
      setProblem((e as Error).message);
    }
  };
  return (
    <section aria-label="One that came in" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">One that came in</h2>
      <p className="mt-2 border-l-4 border-madder pl-2 text-[.93rem]">
        Second-hand boxes may carry foulbrood spores: scorch them or have them looked at before bees go in. Many places want them inspected,
        registered or burned: ask the local bee inspector.
      </p>
      <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <input className="field w-72" aria-label="What it is" placeholder="what it is: body, deep, old pine" maxLength={120} value={title} onChange={(e) => setTitle(e.target.value)} />
        <input className="field w-48 font-mono" aria-label="Its mark" placeholder="its mark, if any" maxLength={40} value={mark} onChange={(e) => setMark(e.target.value)} />
        <input className="field w-36 font-mono" aria-label="Made about, year" placeholder="year, if known" inputMode="numeric" maxLength={4} value={year} onChange={(e) => setYear(e.target.value.replace(/\D/g, ""))} />
        <button className="quiet min-h-[44px]" disabled={title.trim() === "" || (year !== "" && !isYear)} title={year !== "" && !isYear ? `read ${year}, wanted a year to ${today.slice(0, 4)}` : undefined} onClick={() => void keep()}>
          put it in the Book
        </button>
      </p>
      {problem && <p role="alert" className="border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
    </section>
  );
} // prettier-ignore
