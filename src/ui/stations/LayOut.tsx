"use client";
import { Fragment } from "react";
import { lengthText } from "@/core/length/format";
import { type Layout, stripSize } from "@/core/layout/place";
import { aboveBound, allLayouts, type LayoutResult, STYLES } from "@/core/layout/layout";
import { missingText } from "@/core/layout/missing";
import { settingsApart, setUps } from "@/core/layout/setups";
import { inch, type Length, type Units } from "@/core/length/length";
import { BoardDrawing } from "@/ui/drawing/BoardDrawing";
import { useDesk, useLaid } from "@/ui/job/useDesk";
import { Measure } from "@/ui/parts/Measure";
import { count, money } from "@/ui/parts/words";
import { Empty } from "./Empty";

/** Boards and how they are cut, with how good that is. */
export function LayOut() {
  const desk = useDesk();
  const { job, worked } = desk;
  const { layout } = useLaid();
  if (job.lines.length === 0)
    return <Empty text="There is nothing to lay out yet." next="ask" act="Say what to make" />;
  if (!job.stock.some((s) => s.form !== "pack"))
    return <Empty text="The job has no boards to lay the parts on." next="ask" act="Add boards" />;
  const { result } = layout;
  return (
    <div className="grid grid-cols-1 gap-x-7 gap-y-5 lg:grid-cols-[minmax(0,1fr)_300px]">
      <section aria-label="Layouts">
        <Headline />
        {result?.missing.map((m) => (
          <p
            key={m.blank.id}
            role="alert"
            className="mb-2 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder"
          >
            {missingText(m, job.units)}
          </p>
        ))}
        {result && <Patterns result={result} units={job.units} />}
      </section>
      {result && (
        <section aria-label="Set-ups">
          <h2 className="small-head">Set-ups, in sawing order</h2>
          <table className="cutting-list">
            <tbody>
              {setUps(result).map((s, i) => (
                <tr key={i}>
                  <td className="w-20 text-right text-[1.2rem]">
                    <Measure value={s.setting} units={job.units} />
                  </td>
                  <td>
                    <span className="block">
                      {s.kind === "rip" ? `rip, ${count(s.count, "strip")}` : `crosscut, ${count(s.count, "piece")}`}
                      {s.planed > 0 && (
                        <>
                          , plane off <Measure value={s.planed} units={job.units} />
                        </>
                      )}
                    </span>
                    <span className="text-[.84rem] text-soft">
                      {s.kind === "rip" ? "fence" : "stop"}; {s.parts.join(", ").toLowerCase()}
                      {s.kind === "crosscut" && s.setting < job.workshop.minHold
                        ? "; short: cut from a longer piece"
                        : ""}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <h2 className="small-head mt-4">
            {setUps(result).length} settings instead of {settingsApart(worked)} line by line
          </h2>
          <Figures result={result} />
          <p className="mt-3 text-[.84rem] text-soft">
            saw removes <Measure value={job.workshop.kerf} units={job.units} /> · end trim{" "}
            <Measure value={job.workshop.endTrim} units={job.units} /> · guard and riving knife on for every rip; push
            stick under <Measure value={sixInches} units={job.units} />. Follow the machine’s manual and your local
            rules.
          </p>
        </section>
      )}
    </div>
  );
}
const sixInches = inch(6);

function Headline() {
  const { layout } = useLaid();
  const { result, progress } = layout;
  if (layout.state === "failed")
    return (
      <p role="alert" className="mb-3">
        The layout could not be worked out: {layout.error}{" "}
        <button className="act" onClick={layout.again}>
          Try again
        </button>
      </p>
    );
  if (!layout.fresh)
    return (
      <p aria-live="polite" className="mb-3 flex items-center gap-4 text-[1.2rem]">
        {layout.state === "stopped"
          ? "Stopped."
          : progress
            ? `Laying out: ${count(progress.count, "board")} so far, try ${progress.done} of ${progress.of}`
            : "Laying out …"}
        {layout.state === "stopped" ? (
          <button className="act text-[1rem]" onClick={layout.again}>
            Lay out
          </button>
        ) : (
          <>
            <progress max={progress?.of ?? 1} value={progress?.done ?? 0} className="w-48" />
            <button className="quiet text-[1rem]" onClick={layout.stop}>
              stop
            </button>
          </>
        )}
      </p>
    );
  if (!result) return null;
  const style = STYLES[result.boundStyle];
  const lost = result.stockArea > 0 ? 1 - result.partsArea / result.stockArea : 0;
  return (
    <p className="mb-2 text-[1.13rem]">
      <b className="text-[1.7rem]">{result.count}</b> {result.count === 1 ? "board" : "boards"}
      {result.missing.length > 0 && " for what can be laid out. "}
      {result.missing.length === 0 && result.proven && (
        <>
          , and{" "}
          <b className="text-[1.7rem]">
            {result.boundCount === result.count ? result.boundCount : money(result.boundCost)}
          </b>{" "}
          is the least {style} could {result.boundCount === result.count ? "use" : "cost"}.{" "}
        </>
      )}
      {result.missing.length === 0 && !result.proven && (
        <>
          {" "}
          for <b className="text-[1.7rem]">{money(result.cost)}</b>, within {(aboveBound(result) * 100).toFixed(1)} % of
          the least {style} could cost ({money(result.boundCost)}).{" "}
        </>
      )}
      <span className="text-[.93rem] text-soft">
        {result.seconds.toFixed(2)} s · {(lost * 100).toFixed(1)} % of the wood is not parts
        {result.keptArea > 0 ? `, ${((result.keptArea / result.stockArea) * 100).toFixed(1)} % is kept` : ""}
      </span>
    </p>
  );
}

function Patterns({ result, units }: { result: LayoutResult; units: Units }) {
  const stock = result.request.stock;
  const longest = Math.max(...stock.map((s) => s.length));
  const name = new Map(result.request.blanks.map((b) => [b.id, b.name]));
  return (
    <ol>
      {allLayouts(result).map(({ layout, group }, i) => {
        const board = stock[layout.stock]!;
        return (
          <li key={i} className="keep-together grid grid-cols-[84px_minmax(0,1fr)] gap-x-4 border-b border-rule py-3">
            <div className="text-right">
              <b className="block font-mono text-[2.2rem] leading-none font-semibold">{layout.repeat}</b>
              <span className="text-[.84rem] text-soft">
                {layout.repeat === 1 ? "board" : "boards"} like this
                {board.source === "yard" && ", from the yard"}
              </span>
            </div>
            <div>
              <BoardDrawing layout={layout} board={board} longest={longest} names={name} units={units} />
              <p className="mt-1 text-[.87rem] text-soft">
                {board.material}{" "}
                {[group.thickness, board.width, board.length].map((x) => lengthText(x, units)).join(" × ")}:{" "}
                <CutOrder layout={layout} names={name} units={units} />
              </p>
            </div>
          </li>
        );
      })}
    </ol>
  );
}

/** `rip 9 5/8: 4 side 19 1/8, 1 end 16 1/4; rip 3 at 3/8: …`, in the order a person cuts. */
function CutOrder({ layout, names, units }: { layout: Layout; names: Map<string, string>; units: Units }) {
  const kinds = [...new Set(layout.strips.map((s) => `${s.order} ${stripSize(s)}`))];
  return kinds.map((kind, k) => {
    const strips = layout.strips.filter((s) => `${s.order} ${stripSize(s)}` === kind);
    const { order } = strips[0]!;
    const stops = new Map<string, { name: string; size: Length; n: number; trim?: Length }>();
    for (const s of strips)
      for (const x of s.sections)
        for (const p of x.pieces) {
          const across = order === "rip" ? p.width : p.length;
          const key = `${p.blank} ${x.size} ${across}`;
          const trim = across < stripSize(s) ? across : undefined;
          stops.set(key, {
            name: names.get(p.blank)!.toLowerCase(),
            size: x.size,
            n: (stops.get(key)?.n ?? 0) + 1,
            trim,
          });
        }
    return (
      <Fragment key={kind}>
        {k > 0 && "; "}
        {order} {strips.length > 1 && `${strips.length} at `}
        <Measure value={stripSize(strips[0]!)} units={units} />:{" "}
        {[...stops.values()].map((s, i) => (
          <Fragment key={i}>
            {i > 0 && ", "}
            {s.n} {s.name} <Measure value={s.size} units={units} />
            {s.trim !== undefined && (
              <>
                {" "}
                trimmed to <Measure value={s.trim} units={units} />
              </>
            )}
          </Fragment>
        ))}
      </Fragment>
    );
  });
}

function Figures({ result }: { result: LayoutResult }) {
  const stock = result.request.stock;
  const boards = (source: "yard" | "buy") =>
    allLayouts(result).reduce((s, { layout }) => s + (stock[layout.stock]!.source === source ? layout.repeat : 0), 0);
  const kept = allLayouts(result).reduce(
    (s, { layout }) => s + layout.repeat * layout.offcuts.filter((o) => o.keep).length,
    0,
  );
  return (
    <dl className="grid grid-cols-[1fr_auto] gap-y-1 [&>dd]:text-right [&>dd]:font-mono [&>dd]:font-semibold">
      <dt>Bought boards</dt>
      <dd>{boards("buy")}</dd>
      <dt>From the yard</dt>
      <dd>{boards("yard")}</dd>
      <dt>Kept for later</dt>
      <dd>{count(kept, "piece")}</dd>
      <dt>Wood cost</dt>
      <dd>{money(result.cost)}</dd>
      <dt>Least possible</dt>
      <dd>{money(result.boundCost)}</dd>
    </dl>
  );
}
