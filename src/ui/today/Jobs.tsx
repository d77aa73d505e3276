"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useEffect, useRef, useState } from "react";
import { type Listed, nextOf, type Peg, pegs } from "@/core/today/todo";
import type { Standing } from "@/core/today/standing";
import { askServer } from "@/ui/parts/askServer";
import { count, dayText } from "@/ui/parts/words";

/** All jobs, each with its pegs; found, copied, put by and taken away here. */
export function Jobs({
  jobs,
  more,
  counts,
  q,
  archived,
}: {
  jobs: Listed[];
  more: boolean;
  counts: { open: number; archived: number };
  q: string;
  archived: boolean;
}) {
  const router = useRouter();
  const [typed, setTyped] = useState(q);
  const [gone, setGone] = useState<{ id: number; name: string; how: "archived" | "away" } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const first = useRef(true);
  useEffect(() => {
    if (first.current) {
      first.current = false;
      return undefined;
    }
    const later = setTimeout(() => router.replace(at(typed, archived)), 200);
    return () => clearTimeout(later);
  }, [typed, archived, router]);
  const tell = async (path: string, method: "PATCH" | "POST", body: object) => {
    try {
      setWrong(null);
      const reply = await askServer<{ id: number }>(path, { method, body });
      router.refresh();
      return reply;
    } catch (e) {
      setWrong((e as Error).message);
      return undefined;
    }
  };
  const put = async ({ id, name }: Listed, how: "archived" | "away") => {
    if (await tell(`/api/jobs/${id}`, "PATCH", { [how]: !(how === "archived" && archived) })) setGone(how === "archived" && archived ? null : { id, name, how }); // prettier-ignore
  };
  return (
    <section aria-label="Jobs">
      <div className="flex flex-wrap items-center gap-x-5">
        <h2 className="small-head">
          {archived ? "Jobs put by" : "Jobs"} · {archived ? counts.archived : counts.open}
        </h2>
        <input
          type="search"
          className="field min-h-[44px] w-56"
          aria-label="Find a job"
          placeholder="find: heath, deep, nuc"
          value={typed}
          onChange={(e) => setTyped(e.target.value)}
        />
        {(counts.archived > 0 || archived) && (
          <Link prefetch={false} className="quiet inline-flex min-h-[44px] items-center" href={at(typed, !archived)}>
            {archived ? "the open ones" : `${counts.archived} put by`}
          </Link>
        )}
      </div>
      {gone && (
        <p
          role="status"
          className="my-1 flex flex-wrap items-baseline gap-x-4 border-l-8 border-blue bg-white px-3 py-2"
        >
          {gone.name} is {gone.how === "away" ? "taken away; it can be brought back for 30 days" : "put by"}.
          <button
            className="quiet"
            onClick={() => void tell(`/api/jobs/${gone.id}`, "PATCH", { [gone.how]: false }).then(() => setGone(null))}
          >
            undo
          </button>
        </p>
      )}
      {wrong && (
        <p role="alert" className="my-1 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
          {wrong}
        </p>
      )}
      {jobs.length === 0 ? (
        <p className="py-4 text-soft">
          {q ? "No job is called that." : archived ? "No job is put by." : "No jobs yet."}
        </p>
      ) : (
        <ul>
          {jobs.map((j) => (
            <Job
              key={j.id}
              job={j}
              archived={archived}
              put={put}
              like={async () => {
                const made = await tell("/api/jobs/start", "POST", { like: j.id });
                if (made) router.push(`/jobs/${made.id}/ask`);
              }}
            />
          ))}
        </ul>
      )}
      {more && <p className="py-2 text-[.87rem] text-soft">There are more: say above which.</p>}
    </section>
  );
}

const at = (q: string, archived: boolean) => {
  const query = new URLSearchParams({ ...(q.trim() ? { q: q.trim() } : {}), ...(archived ? { of: "archive" } : {}) }).toString(); // prettier-ignore
  return query ? `/?${query}` : "/";
};

function Job({
  job,
  archived,
  put,
  like,
}: {
  job: Listed;
  archived: boolean;
  put(job: Listed, how: "archived" | "away"): Promise<void>;
  like(): Promise<void>;
}) {
  const { id, name, what, customer, due, standing } = job;
  const next = nextOf(job);
  const late = standing?.late;
  return (
    <li className="grid grid-cols-[minmax(0,1fr)_8.5rem_9rem] items-start gap-x-4 border-t border-rule py-2.5">
      <span className="min-w-0">
        <Link
          prefetch={false}
          href={`/jobs/${id}/${next?.at ?? "ask"}`}
          title={name}
          className="block truncate text-[1.07rem] font-semibold no-underline hover:underline"
        >
          {name}
        </Link>
        <span className="block truncate text-[.87rem] text-soft" title={what}>
          {[customer, what !== name.toLowerCase() ? what : ""].filter(Boolean).join(" · ")}
        </span>
        <span className="flex gap-x-3 text-[.84rem]">
          <button className="quiet px-0!" aria-label={`Start one like ${name}`} onClick={() => void like()}>
            one like it
          </button>
          <button
            className="quiet px-0!"
            aria-label={`${archived ? "Take up" : "Put by"} ${name}`}
            onClick={() => void put(job, "archived")}
          >
            {archived ? "take up again" : "put by"}
          </button>
          <button className="quiet px-0!" aria-label={`Take away ${name}`} onClick={() => void put(job, "away")}>
            take away
          </button>
        </span>
      </span>
      <span>
        <Pegs standing={standing} />
        <span className={`block text-[.84rem] ${next?.wrong ? "font-semibold text-madder" : "text-soft"}`}>
          {standing ? AT[next?.at ?? "prove"] : "being worked out …"}
        </span>
      </span>
      <span className={late !== undefined && late > 0 ? "font-semibold text-madder" : ""}>
        {due ? `${dayText(due)} ${due.slice(0, 4)}` : "no due day"}
        <span className={`block text-[.84rem] ${late !== undefined && late > 0 ? "" : "text-soft"}`}>
          {late === undefined
            ? standing?.ready
              ? `ready ${dayText(standing.ready)}`
              : ""
            : late > 0
              ? `${count(late, "day")} late`
              : `${count(-late, "day")} in hand`}
        </span>
      </span>
    </li>
  );
}

const AT = { ask: "to be said", shape: "to be put right", "lay-out": "wood", buy: "to order", run: "to be made", prove: "made" }; // prettier-ignore
const NAMES = ["Ask", "Shape", "Lay out", "Buy", "Run", "Prove"];
const SAID: Record<Peg, string> = { done: "done", wrong: "to be put right", half: "begun", open: "to come" };

/** Six pegs, a station each: filled when done, half when begun, crossed where something has to be put right. */
function Pegs({ standing }: { standing: Standing | null }) {
  const all = pegs(standing);
  return (
    <svg
      viewBox="0 0 108 16"
      className="block h-4 w-[6.75rem]"
      role="img"
      aria-label={all.map((p, i) => `${NAMES[i]}: ${SAID[p]}`).join(", ")}
    >
      {all.map((p, i) => (
        <g key={i} transform={`translate(${i * 18 + 0.5} 0.5)`}>
          <rect
            width={14}
            height={14}
            fill={p === "done" ? "#1e4d45" : "#fff"}
            stroke={p === "wrong" ? "#b4472b" : "#16211f"}
          />
          {p === "half" && <rect y={7} width={14} height={7} fill="#1e4d45" />}
          {p === "wrong" && <path d="M3 3 11 11M11 3 3 11" stroke="#b4472b" strokeWidth={2} />}
        </g>
      ))}
    </svg>
  );
}
