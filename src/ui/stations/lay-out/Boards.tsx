"use client";
import { resawn, type StockEntry } from "@/core/boards/stock";
import { usualBoard } from "@/core/layout/offers";
import Link from "next/link";
import { leftAside } from "@/core/job/inshop";
import { useDesk } from "@/ui/desk/useDesk";
import { count } from "@/ui/parts/words";
import { LengthField } from "@/ui/parts/LengthField";
import { NumberField } from "@/ui/parts/NumberField";
import { TextField } from "@/ui/parts/TextField";
import { Offers } from "./Offers";
import { Price } from "../Price";
import { TakeOut } from "../Said";

/** What the job is cut from: the shop's yard and catalogue, and boards of its own. */
export function Boards() {
  const desk = useDesk();
  const { stock, units } = desk.job;
  const { alone } = desk.job;
  const own = stock
    .slice(0, desk.own)
    .flatMap((s, at) => (s.form !== "pack" ? [{ s, at, key: desk.keys.stock[at]! }] : []));
  const around = stock.slice(desk.own).filter((s) => s.form !== "pack");
  const field = (at: number) => `stock ${desk.keys.stock[at]}`;
  const yard = around.filter((s) => s.source === "yard").reduce((n, s) => n + (s.available ?? 0), 0);
  const bought = around.filter((s) => s.source === "buy").length;
  const aside = leftAside({ ...desk.job, stock: stock.slice(0, desk.own) }, desk.id, desk.around); // prettier-ignore
  const change = (at: number, s: StockEntry) => desk.act({ do: "change stock", at, stock: s }, field(at));
  return (
    <>
      <h2 className="small-head">Boards to cut from</h2>
      <p className="flex flex-wrap items-baseline gap-x-4 py-1">
        {!alone && (
          <span>
            <Link prefetch={false} className="quiet" href="/yard">
              {yard === 0 ? "nothing free in the yard" : `${count(yard, "piece")} free in the yard`}
            </Link>
            , then what is bought:{" "}
            <Link prefetch={false} className="quiet" href="/catalogue">
              {bought === 0 ? "nothing in the catalogue yet" : `${count(bought, "size")} in the catalogue`}
            </Link>
            {aside > 0 && <b className="font-semibold text-madder"> · {aside} more of the yard are not looked at</b>}
          </span>
        )}
        <label className="whitespace-nowrap">
          <input
            type="checkbox"
            checked={alone ?? false}
            onChange={(e) => desk.act({ do: "alone", alone: e.target.checked })}
          />{" "}
          only from boards of its own
        </label>
      </p>
      {own.length === 0 ? (
        alone && <p className="py-3 text-soft">No boards yet, so nothing can be laid out.</p>
      ) : (
        <table className="cutting-list">
          <thead>
            <tr>
              <th>wood</th>
              <th className="text-right!">thick × wide × long</th>
              <th className="text-right!">price</th>
              <th className="text-right!">there are</th>
              <th>
                <span className="sr-only">take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {own.map(({ s, at, key }) => (
              <tr key={key}>
                <td>
                  <TextField
                    label={`Wood of board ${at + 1}`}
                    value={s.material}
                    onSettle={(material) => change(at, { ...s, material })}
                    className={s.form === "sheet" ? "w-22" : "w-28"}
                  />
                  {s.form === "sheet" ? (
                    <span className="ml-1 text-[.82rem] text-soft">sheet</span>
                  ) : (
                    <label className="ml-1 text-[.82rem] whitespace-nowrap text-soft">
                      <input
                        type="checkbox"
                        checked={s.rough ?? false}
                        aria-label={`Board ${at + 1} is rough`}
                        onChange={(e) => {
                          const { rough: _rough, ...planed } = s;
                          change(at, e.target.checked ? { ...planed, rough: true } : planed);
                        }}
                      />{" "}
                      rough
                    </label>
                  )}
                </td>
                <td className="text-right whitespace-nowrap">
                  {(["thickness", "width", "length"] as const).map((d, i) => (
                    <span key={d}>
                      {i > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
                      <LengthField
                        value={s[d]}
                        units={units}
                        label={`${d} of board ${at + 1}`}
                        onSettle={(v) => change(at, { ...s, [d]: v })}
                        className="w-[4.6rem]"
                      />
                    </span>
                  ))}
                </td>
                <td className="text-right">
                  {s.source === "yard" ? (
                    <span className="text-soft">
                      {s.sawn ? "sawn" : s.lot ? `yard, no. ${s.lot}` : "as if in the yard"}
                      {s.form === "board" && s.resawn && `, ${s.resawn} of one`}
                      {[2, 3]
                        .filter((into) => s.form === "board" && resawn(s, into, desk.job.workshop.kerf))
                        .map((into) => (
                          <button
                            key={into}
                            className="quiet ml-1 whitespace-nowrap"
                            aria-label={`Resaw board ${at + 1} into ${into}`}
                            onClick={() => desk.act({ do: "resaw", at, into }, field(at))}
                          >
                            resaw in {into}
                          </button>
                        ))}
                    </span>
                  ) : (
                    <Price of={`board ${at + 1}`} stock={s} onChange={(to) => change(at, to)} />
                  )}
                </td>
                <td className="text-right">
                  <NumberField
                    label={`How many of board ${at + 1}; empty is any number`}
                    value={s.available}
                    empty="any"
                    onSettle={(available) => change(at, { ...s, available })}
                    onEmpty={() => change(at, { ...s, available: null })}
                    className="w-14"
                  />
                </td>
                <TakeOut what={`board ${at + 1}`} act={{ do: "remove stock", at }} field={field(at)} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mb-6 flex flex-wrap items-baseline gap-x-4 gap-y-2 pt-2">
        {alone && own.length > 0 && <Offers />}
        <button
          className="quiet"
          onClick={() =>
            desk.act({
              do: "add stock",
              stock: { ...usualBoard(units, desk.job.thickness), source: "yard", available: 1 },
            })
          }
        >
          try one that is not there
        </button>
      </p>
    </>
  );
}
