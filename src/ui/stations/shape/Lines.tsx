"use client";
import { markName } from "@/core/designs/design";
import { findingsOf } from "@/core/job/worked";
import { lineAt } from "@/core/line/shapes";
import { recipeOf } from "@/core/designs/design";
import type { Desk } from "@/ui/desk/useDesk";
import { LongList } from "@/ui/parts/LongList";
import { MOST_DRAWN } from "@/ui/parts/longLines";
import { OptionList } from "@/ui/parts/OptionList";
import { CompareJoints } from "./CompareJoints";

/** Of more lines than these the list has a box of its own, so that the choices of the open line stay in reach. */
const FEW = 5;

/** The job's lines, each with how it stands; one that cannot be made among them. */
export function LineList({ desk }: { desk: Desk }) {
  const { worked, line, job } = desk;
  return (
    <>
      <h2 className="small-head mb-1.5">Lines{job.lines.length > MOST_DRAWN && `: ${job.lines.length}`}</h2>
      <LongList lines={job.lines} keyOf={(at) => desk.keys.lines[at]!} few={FEW} box="mb-3 max-h-[46vh]" chosen={line}>
        {(l, at) => {
          const found = findingsOf(worked, at);
          const shape = lineAt(worked.lines, at)?.shape;
          const stop = found.some((f) => f.state === "stop") || !shape;
          const care = found.some((f) => f.state === "care" && !f.ofStandard);
          return (
            <>
              <button
                onClick={() => desk.setLine(at)}
                aria-current={at === line}
                className={`grid w-full grid-cols-[44px_1fr_auto] focus-visible:-outline-offset-3 items-baseline gap-2 border-0 border-b border-rule py-2 pr-2 text-left ${at === line ? "bg-white shadow-[inset_4px_0_var(--color-spruce)]" : "bg-transparent"}`}
              >
                <b className="text-right font-mono text-[1.07rem] font-medium">{l.quantity}</b>
                <span>
                  <strong className="block font-semibold">
                    {shape?.title ?? recipeOf(l.item, undefined, job)?.name ?? l.item}
                  </strong>
                  <em className="text-[.84rem] text-soft not-italic">{summary(desk, at)}</em>
                </span>
                {(stop || care) && (
                  <i
                    className={`border-b-2 text-[.82rem] not-italic ${stop ? "border-madder text-madder" : "border-dotted border-madder"}`}
                  >
                    {!shape ? "cannot be made" : stop ? "will not fit" : "look"}
                  </i>
                )}
              </button>
              <NewerMark desk={desk} item={l.item} />
            </>
          );
        }}
      </LongList>
    </>
  );
}

/** A line keeps the mark it was made with; a newer one is offered, never taken by itself. */
function NewerMark({ desk, item }: { desk: Desk; item: string }) {
  const mine = desk.job.designs.find((d) => d.recipe.id === item);
  if (!mine) return null;
  const newer = desk.newest.find((d) => d.recipe.id === item && d.mark > mine.mark);
  return (
    <p className="py-1 pl-[52px] text-[.84rem] text-soft">
      mark {markName(mine.mark)}
      {newer && (
        <button className="quiet ml-2" onClick={() => desk.act({ do: "use design", design: newer })}>
          take up mark {markName(newer.mark)}
        </button>
      )}
    </p>
  );
}

/** `Langstroth 10 · rabbet in ends`: the standard, then what was chosen. */
function summary({ worked }: Desk, at: number): string {
  const shape = lineAt(worked.lines, at)?.shape;
  if (!shape) return "";
  const first = shape.recipe.parameters.filter(
    (p) => p.kind === "choice" && (p.name === "joint" || p.name === "foundation"),
  );
  const said = first.map((p) => {
    const v = shape.scope.working(p.name).value;
    return (p.kind === "choice" && p.choices.find((c) => v.kind === "word" && c.id === v.of)?.label) || "";
  });
  return [shape.standard.short, ...said].join(" · ");
}

/** A line that cannot be made as it is asked: why, and the ways out. */
export function Faulty({ desk }: { desk: Desk }) {
  const { worked, line, job } = desk;
  const message = worked.faults.find((f) => f.at === line)?.message;
  return (
    <div className="grid grid-cols-1 gap-x-[18px] gap-y-5 md:grid-cols-[218px_minmax(0,1fr)]">
      <section aria-label="Lines and options">
        <LineList desk={desk} />
      </section>
      <section aria-label="What is wrong" role="alert" className="border-l-8 border-madder bg-white px-3 py-2">
        <p className="text-[1.13rem] font-semibold">This line cannot be made as it is asked: {message}.</p>
        <p className="mb-2 text-soft">The other lines are not touched by it; they are laid out, ordered and planned.</p>
        <p className="flex gap-4">
          <button
            className="act"
            disabled={Object.keys(job.lines[line]!.options).length === 0}
            onClick={() => desk.act({ do: "change line", at: line, to: { options: {} } })}
          >
            Back to the usual choices
          </button>
          <button className="quiet" onClick={() => desk.act({ do: "remove line", at: line })}>
            take the line out
          </button>
        </p>
        {desk.problem && <p className="mt-2 text-madder">{desk.problem.message}</p>}
      </section>
    </div>
  );
}

/** Every choice the open line has. */
export function LineOptions({ desk }: { desk: Desk }) {
  const { worked, line, job, problem } = desk;
  const { shape } = lineAt(worked.lines, line)!;
  const key = desk.keys.lines[line]!;
  const field = (name: string) => `${key}.${name}`;
  return (
    <OptionList
      key={key}
      shape={shape}
      asked={job.lines[line]!.options}
      units={job.units}
      problem={(name) => (problem?.field === field(name) ? problem.message : undefined)}
      set={(name, value) => desk.act({ do: "option", at: line, name, value }, field(name))}
      tryOut={(name, value) => desk.try({ do: "option", at: line, name, value }, field(name))}
      giveUp={desk.untry}
      beside={shape.scope.has("joint") ? { Corner: <CompareJoints /> } : undefined}
    />
  );
}
