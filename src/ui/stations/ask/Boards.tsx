"use client";
import { resawn, type StockEntry } from "@/core/boards/stock";
import { usualBoard } from "@/core/layout/offers";
import { useDesk } from "@/ui/desk/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { NumberField } from "@/ui/parts/NumberField";
import { TextField } from "@/ui/parts/TextField";
import { Offers } from "../Offers";
import { Price } from "./Price";
import { TakeOut } from "./Said";

/** Boards and sheets to cut from, bought and in the yard. */
export function Boards() {
  const desk = useDesk();
  const { stock, units } = desk.job;
  const boards = stock.flatMap((s, at) => (s.form !== "pack" ? [{ s, at }] : []));
  const change = (at: number, s: StockEntry) => desk.act({ do: "change stock", at, stock: s }, `stock ${at}`);
  return (
    <>
      <h2 className="small-head">Boards to cut from</h2>
      {boards.length === 0 ? (
        <p className="py-3 text-soft">No boards yet, so nothing can be laid out.</p>
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
            {boards.map(({ s, at }) => (
              <tr key={at}>
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
                      yard
                      {s.form === "board" && s.resawn && `, ${s.resawn} of one`}
                      {[2, 3]
                        .filter((into) => s.form === "board" && resawn(s, into, desk.job.workshop.kerf))
                        .map((into) => (
                          <button
                            key={into}
                            className="quiet ml-1 whitespace-nowrap"
                            aria-label={`Resaw board ${at + 1} into ${into}`}
                            onClick={() => desk.act({ do: "resaw", at, into }, `stock ${at}`)}
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
                <TakeOut what={`board ${at + 1}`} act={{ do: "remove stock", at }} field={`stock ${at}`} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mb-6 flex flex-wrap items-baseline gap-x-4 gap-y-2 pt-2">
        <Offers />
        <button
          className="quiet"
          onClick={() =>
            desk.act({
              do: "add stock",
              stock: { ...usualBoard(units, desk.job.thickness), source: "yard", available: 1 },
            })
          }
        >
          add one from the yard
        </button>
      </p>
    </>
  );
}
