"use client";
import type { PackStock, StockEntry } from "@/core/boards/stock";
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { Price } from "./Price";
import { TakeOut } from "./Said";

const NEW_PACK: PackStock = {
  form: "pack",
  material: "exterior screw, no. 8 × 2",
  pack: 100,
  price: 0,
  available: null,
  source: "buy",
};

/** What holds things together, by the pack. */
export function Packs() {
  const desk = useDesk();
  const { order } = useLaid();
  const packs = desk.job.stock.flatMap((s, at) => (s.form === "pack" ? [{ s, at }] : []));
  const needs = [...new Set(order?.lines.filter((l) => l.unit !== "board").map((l) => l.what) ?? [])].filter(
    (w) => !packs.some((p) => p.s.material === w),
  );
  const change = (at: number, s: StockEntry) => desk.act({ do: "change stock", at, stock: s }, `stock ${at}`);
  const add = (material: string) => desk.act({ do: "add stock", stock: { ...NEW_PACK, material } });
  return (
    <>
      <h2 className="small-head">Fasteners, glue, foundation</h2>
      <table className="cutting-list">
        <tbody>
          {packs.map(({ s, at }) => (
            <tr key={at}>
              <td>{s.material}</td>
              <td className="text-right whitespace-nowrap">
                pack of{" "}
                <NumberField
                  label={`Pack size of ${s.material}`}
                  value={s.pack}
                  onSettle={(pack) => change(at, { ...s, pack })}
                  className="w-16"
                />
              </td>
              <td className="text-right">
                <Price of={s.material} stock={s} onChange={(to) => change(at, to)} />
              </td>
              <TakeOut what={`${s.material}`} act={{ do: "remove stock", at }} field={`stock ${at}`} />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="flex flex-wrap gap-2 pt-2">
        {needs.map((material) => (
          <button key={material} className="quiet" onClick={() => add(material)}>
            add {material}
          </button>
        ))}
        {needs.length > 1 && (
          <button className="act" onClick={() => needs.forEach(add)}>
            add all {needs.length}
          </button>
        )}
      </p>
    </>
  );
}
