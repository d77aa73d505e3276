"use client";
import Image from "next/image";
import Link from "next/link";
import { useRef, useState } from "react";
import { type Condition, FAULTS, type Fault, type Happening, happeningText, type KeptPiece } from "@/core/book/book";
import type { AsNew } from "@/core/book/repair";
import { lengthWithUnit } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import { askServer } from "@/ui/parts/askServer";
import { DateField } from "@/ui/parts/DateField";
import { count, dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { MeasuredIn, useMeasures } from "./Measures";
import { Nearest } from "./Nearest";
import { Back } from "./Back";
import { Photo } from "./Photo";
import { Repairs } from "./Repairs";

/** A piece as it is kept. */
export interface Found {
  piece: KeptPiece;
  happenings: Happening[];
  condition: Condition;
  /** A new one like it; null of what is no box. */
  asNew: AsNew | null;
}
type What = Happening["what"];

/** What can be written down, and what it asks. */
const ACTS = [
  { do: "out", label: "Goes out", asks: "to whom or where" },
  { do: "back", label: "Comes back" },
  { do: "inspected", label: "Inspected", faults: true, asks: "a note, if any" },
  { do: "repaired", label: "Repaired", faults: true, asks: "how" },
  { do: "scorched", label: "Scorched" },
  { do: "treated", label: "Treated", asks: "with what" },
  { do: "scrapped", label: "Scrapped" },
  { do: "note", label: "A note", asks: "what was noticed" },
] as const;

/** One piece: what it is, how it stands, what happens next to it, and all that did. */
export function PiecePage({ found: first, jobName, jobs, units, today }: { found: Found; jobName: string | null; jobs: { id: number; name: string }[]; units: Units; today: string }) {
  const [found, setFound] = useState(first);
  const [problem, setProblem] = useState<string | null>(null);
  const screen = useRef<string>(null);
  const { piece, happenings, condition, asNew } = found;
  /** Numbers of what was told, and of the last that is shown. */
  const last = useRef({ told: 0, shown: 0 });
  /** Keeps what happened under a number of its own, later than all before it; an answer that comes late does not take a later one back. */
  const keep = async (path: string, body: (id: string) => object, patience?: number): Promise<boolean> => {
    screen.current ??= crypto.randomUUID();
    const mine = Math.max(last.current.told + 1, Date.now());
    last.current.told = mine;
    try {
      const now = await askServer<Found>(path, { method: "POST", body: body(`${screen.current}.${mine}`), ...(patience ? { patience } : {}) });
      if (mine > last.current.shown) {
        last.current.shown = mine;
        setFound(now);
      }
      setProblem(null);
      return true;
    } catch (e) {
      setProblem((e as Error).message);
      return false;
    }
  };
  const tell = (on: string, what: What) => keep("/api/book/happened", (id) => ({ events: [{ id, piece: piece.id, on, what }] }));
  const photograph = (photo: string, on: string, note: string) => keep(`/api/book/${piece.id}/photo`, (id) => ({ id, on, photo, ...(note ? { note } : {}) }), 120_000);
  const isUnknown = piece.standard === "unknown";
  const standard = condition.known?.standard ?? (isUnknown ? null : piece.standard);
  const year = (day: string) => `${dayText(day)} ${day.slice(0, 4)}`;
  return (
    <>
      <ShopTop here="/book" />
      <main className="mx-auto max-w-[64rem] px-5 pt-3 pb-10">
        <Back>
          {piece.mark && /^[ -~¡-ÿ]+$/.test(piece.mark) && (
            <a className="quiet inline-flex min-h-[44px] items-center" href={`/api/book/${piece.id}/brand?high=18`}>
              its mark at true size
            </a>
          )}
          <Link prefetch={false} href={`/book/record/${condition.known?.item ?? piece.item}`} className="quiet inline-flex min-h-[44px] items-center">
            how others like it did
          </Link>
        </Back>
        <h1 className="font-mono text-[2.4rem] font-bold">{piece.mark ?? "no mark"}</h1>
        <p className="text-[1.2rem]">
          {piece.title}
          {standard ? ` · ${standard}` : ""} · {piece.ageless ? "came in" : "made"} {year(piece.madeOn)}
          {jobName && (
            <>
              {" in "}
              <Link prefetch={false} href={`/jobs/${piece.job}/shape`}>
                {jobName}
              </Link>
            </>
          )}
        </p>
        <p className={`mt-2 border-l-8 pl-4 text-[1.2rem] ${condition.faults.length > 0 || condition.where === "scrapped" ? "border-madder" : "border-spruce"}`}>
          <b>{condition.where === "out" ? `Out to ${condition.to}` : condition.where === "scrapped" ? `Scrapped ${year(condition.ended!.on)}: ${condition.ended!.why}` : "Here"}</b>
          {condition.faults.length > 0 && <>; {condition.faults.join(", ")}</>}
          <span className="block text-[.93rem] text-soft">
            {[piece.wood, piece.joint, piece.finish === "none" ? "no finish" : piece.finish, piece.design ? `design mark ${piece.design}` : null, condition.repairs > 0 ? count(condition.repairs, "repair") : null, condition.scorchedOn ? `scorched ${year(condition.scorchedOn)}` : null, condition.treatedOn ? `treated ${year(condition.treatedOn)}` : null].filter(Boolean).join(" · ")}
          </span>
        </p>
        {isUnknown && !condition.scorchedOn && (
          <p className="mt-2 border-l-4 border-madder pl-2 text-[.93rem]">
            It may carry foulbrood spores: scorch it or have it looked at before bees go in; ask the local bee inspector what is required.
          </p>
        )}
        {piece.measured.length > 0 && (
          <p className="mt-2">
            Measured: {piece.measured.map((m) => `${m.what} ${lengthWithUnit(m.value, units)}`).join(", ")}
          </p>
        )}
        {problem && <p role="alert" className="mt-2 border-l-4 border-madder pl-2 font-semibold">{problem}</p>}
        {condition.where !== "scrapped" && <Tell today={today} faults={condition.faults} out={condition.where === "out"} tell={tell} />}
        {condition.where !== "scrapped" && <Photo today={today} take={photograph} />}
        {asNew && condition.where !== "scrapped" && (condition.faults.length > 0 || (isUnknown && !condition.known)) && (
          <Box piece={piece} condition={condition} asNew={asNew} isUnknown={isUnknown} units={units} jobs={jobs} tell={(what) => tell(today, what)} />
        )}
        <h2 className="mt-6 border-b-2 border-ink text-[1.2rem] font-semibold">What happened</h2>
        <ul>
          {happenings.map((h) => (
            <li key={h.id} className="grid min-h-[40px] grid-cols-[9rem_minmax(0,1fr)] items-center border-b border-rule">
              <span className="text-soft">{year(h.on)}</span>
              {h.what.do === "photographed" ? (
                <a href={`/api/book/photo/${h.what.photo}`}>
                  <Image unoptimized width={320} height={240} src={`/api/book/photo/${h.what.photo}`} alt={happeningText(h, units)} className="my-1 h-auto max-h-60 w-auto max-w-full" />
                  {h.what.note}
                </a>
              ) : (
                happeningText(h, units)
              )}
            </li>
          ))}
          <li className="grid min-h-[40px] grid-cols-[9rem_minmax(0,1fr)] items-center">
            <span className="text-soft">{year(piece.madeOn)}</span> {piece.ageless ? "came in" : "made"}
          </li>
        </ul>
      </main>
    </>
  );
} // prettier-ignore

/** Writes down what happens: what, on which day, and what has to be said of it. */
function Tell({ today, faults, out, tell }: { today: string; faults: Fault[]; out: boolean; tell(on: string, what: What): Promise<boolean> }) {
  const [act, setAct] = useState<(typeof ACTS)[number]["do"]>(out ? "back" : faults.length > 0 ? "repaired" : "inspected");
  const [on, setOn] = useState(today);
  const [text, setText] = useState("");
  const [some, setSome] = useState<Fault[]>(faults);
  const asked = ACTS.find((a) => a.do === act)!;
  const said = text.trim();
  const what = ((): What | string => {
    switch (act) {
      case "out":
        return said ? { do: "out", to: said } : "say to whom or where it goes";
      case "inspected":
        return { do: "inspected", faults: some, ...(said ? { note: said } : {}) };
      case "repaired":
        return some.length === 0 ? "say what was repaired" : said ? { do: "repaired", faults: some, how: said } : "say how it was repaired";
      case "treated":
        return said ? { do: "treated", with: said } : "say what it was treated with";
      case "scrapped":
        return { do: "scrapped", why: some[0] ?? "burned" };
      case "note":
        return said ? { do: "note", text: said } : "say what was noticed";
      default:
        return { do: act };
    }
  })();
  const write = async () => {
    if (typeof what === "string" || !(await tell(on, what))) return;
    setText("");
    setSome([]);
  };
  return (
    <section aria-label="What happens to it" className="no-print mt-4 border-2 border-ink p-4">
      <p className="flex flex-wrap gap-x-4">
        {ACTS.map((a) => (
          <button key={a.do} aria-pressed={a.do === act} onClick={() => { setAct(a.do); setSome(a.do === "repaired" ? faults : []); }} className={`min-h-[44px] border-0 border-b-2 bg-transparent px-0 ${a.do === act ? "border-spruce font-semibold" : "border-transparent"}`}>
            {a.label}
          </button>
        ))}
      </p>
      {("faults" in asked || act === "scrapped") && (
        <p className="mt-2 flex flex-wrap gap-x-4">
          {FAULTS.map((f) => (
            <label key={f} className="inline-flex min-h-[44px] items-center gap-1.5">
              <input type={act === "scrapped" ? "radio" : "checkbox"} name="fault" checked={some.includes(f)} onChange={() => setSome(act === "scrapped" ? [f] : some.includes(f) ? some.filter((x) => x !== f) : [...some, f])} /> {f}
            </label>
          ))}
        </p>
      )}
      <p className="mt-2 flex flex-wrap items-center gap-x-4 gap-y-2">
        <DateField label="on" value={on} onChange={(d) => d && setOn(d)} />
        {"asks" in asked && <input className="field w-96" aria-label={asked.asks} placeholder={asked.asks} maxLength={500} value={text} onChange={(e) => setText(e.target.value)} />}
        <button className="act" disabled={typeof what === "string"} title={typeof what === "string" ? what : undefined} onClick={() => void write()}>
          Write it down
        </button>
      </p>
      {act === "scorched" && <p className="mt-1 border-l-4 border-madder pl-2 text-[.93rem]">Scorch outside, away from bees and anything that burns, with water at hand; follow the torch&apos;s manual and local rules.</p>}
    </section>
  );
} // prettier-ignore

/** A box in hand: measured once, and by that told what it is and how it is mended. */
function Box({ piece, condition, asNew, isUnknown, units, jobs, tell }: { piece: KeptPiece; condition: Condition; asNew: AsNew; isUnknown: boolean; units: Units; jobs: { id: number; name: string }[]; tell(what: What): Promise<boolean> }) {
  const measures = useMeasures(piece, condition, asNew.box);
  return (
    <>
      <MeasuredIn of={measures} units={units} keep={() => void tell({ do: "measured", sizes: measures.fresh })} />
      {isUnknown && !condition.known && <Nearest measures={measures} units={units} tell={tell} />}
      {condition.faults.length > 0 && <Repairs piece={piece} condition={condition} measures={measures} asNew={asNew} units={units} jobs={jobs} tell={tell} />}
    </>
  );
} // prettier-ignore
