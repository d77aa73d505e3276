import { pieceKey } from "@/core/line/line";
import { caution } from "@/core/feature/hazard";
import Link from "next/link";
import type { Job } from "@/core/job/job";
import { lengthText } from "@/core/length/format";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { givesOf } from "@/core/boards/laid";
import { BoardDrawing, type PieceName, pieceNames } from "@/ui/drawing/BoardDrawing";
import { CutOrder } from "@/ui/stations/lay-out/CutOrder";
import { Measure } from "@/ui/parts/Measure";
import { PrintButton } from "@/ui/parts/PrintButton";
import { count } from "@/ui/parts/words";

/** The sheets of all patterns on their own page. */
export const BoardSheets = ({ job, jobId, result }: { job: Job; jobId: number; result: LayoutResult }) => (
  <main className="mx-auto max-w-[64rem] px-5 py-4">
    <p className="no-print mb-2 flex gap-4">
      <Link prefetch={false} href={`/jobs/${jobId}/lay-out`} className="underline underline-offset-2">
        back to the job
      </Link>
      <PrintButton />
    </p>
    <Boards job={job} result={result} />
  </main>
);

/** A sheet for each pattern: the board, its cuts in order, its pieces, and a box to tick for every board. */
export function Boards({ job, result }: { job: Job; result: LayoutResult }) {
  const names = pieceNames(result.request.blanks);
  const all = allLayouts(result);
  return (
    <>
      {all.length === 0 && <p>There is nothing laid out yet.</p>}
      {all.map(({ layout }, i) => {
        const board = result.request.stock[layout.stock]!;
        const sizes = [board.thickness, board.width, board.length].map((x) => lengthText(x, job.units)).join(" × ");
        return (
          <section key={i} className="keep-together mb-10">
            <h1 className="text-[1.7rem] font-bold">
              {count(layout.repeat, board.form)} like this{" "}
              <span className="font-normal">
                · {board.material} {sizes}
                {board.source === "yard" && `, from the yard${board.lot === undefined ? "" : `, no. ${board.lot}`}`}
              </span>
            </h1>
            <p className="mb-3 text-soft">
              {job.name} · pattern {i + 1} of {all.length}
            </p>
            <BoardDrawing layout={layout} board={board} longest={board.length} names={names} units={job.units} />
            <div className="mt-4 grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[1.3fr_1fr] print:grid-cols-[1.3fr_1fr]">
              <div>
                <h2 className="small-head">Cuts, in order</h2>
                <CutOrder layout={layout} board={board} saw={result.request.saw} units={job.units} />
              </div>
              <Pieces layout={layout} names={names} units={job.units} />
            </div>
            <h2 className="small-head mt-4">Tick each board when it is cut</h2>
            <Ticks repeat={layout.repeat} />
            <p className="mt-4 border-l-8 border-ink pl-3 text-[.93rem]">{caution("rip")}</p>
          </section>
        );
      })}
    </>
  );
}

function Pieces({
  layout,
  names,
  units,
}: {
  layout: Parameters<typeof givesOf>[0] & { repeat: number };
  names: Map<string, PieceName>;
  units: Job["units"];
}) {
  return (
    <table className="cutting-list self-start">
      <caption className="small-head text-left">A board gives, and all {layout.repeat}</caption>
      <tbody>
        {givesOf(layout).map(({ quantity, piece }) => (
          <tr key={`${pieceKey(piece.of)} ${piece.length} ${piece.width}`}>
            <td className="w-10 text-right font-mono font-semibold">{quantity}</td>
            <td className="w-14 text-right font-mono text-soft">{quantity * layout.repeat}</td>
            <td>
              <b>{names.get(pieceKey(piece.of))?.letter}</b> {names.get(pieceKey(piece.of))?.name}
            </td>
            <td className="whitespace-nowrap">
              <Measure value={piece.length} units={units} /> × <Measure value={piece.width} units={units} />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** A box for every board, in tens; above a hundred a box for every ten. */
function Ticks({ repeat }: { repeat: number }) {
  const by = repeat > 100 ? 10 : 1;
  const boxes = Math.ceil(repeat / by);
  return (
    <>
      <p className="flex flex-wrap gap-1.5" aria-hidden="true">
        {Array.from({ length: boxes }, (_, i) => (
          <span key={i} className={`inline-block h-6 w-6 border border-ink ${i % 10 === 9 ? "mr-4" : ""}`} />
        ))}
      </p>
      {by > 1 && <p className="text-[.87rem] text-soft">a box for every ten boards</p>}
    </>
  );
}
