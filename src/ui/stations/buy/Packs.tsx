"use client";
import type { PackStock, StockEntry } from "@/core/boards/stock";
import { useDesk, useLaid } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { offerOf } from "@/core/catalogue/catalogue";
import { Price } from "../Price";
import { Said, TakeOut } from "../Said";

const NEW_PACK: PackStock = {
  form: "pack",
  material: "exterior screw, no. 8 × 2",
  pack: 100,
  price: 0,
  available: null,
  source: "buy",
};

/** What a pack usually holds of what is sold by weight and by length: a bottle of glue, a tube of sealant. */
const USUAL: Partial<Record<string, number>> = { g: 750, m: 15 };

/** What holds things together, by the pack. */
export function Packs() {
  const desk = useDesk();
  const { order } = useLaid();
  const wanted = new Set(order?.lines.map((l) => l.what) ?? []);
  const packs = desk.job.stock.flatMap((s, at) =>
    s.form === "pack" && s.source === "buy" && (at < desk.own || wanted.has(s.material)) ? [{ s, at }] : [],
  );
  const needs = [...new Set(order?.lines.filter((l) => l.unit !== "board").map((l) => l.what) ?? [])].filter(
    (w) => !packs.some((p) => p.s.material === w),
  );
  const field = (at: number) => `stock ${desk.keys.stock[at]}`;
  const change = (at: number, s: StockEntry) =>
    at >= desk.own && s.offer !== undefined
      ? desk.catalogue({ do: "change", id: s.offer, to: offerOf(s) })
      : desk.act({ do: "change stock", at, stock: s }, field(at));
  const add = (materials: string[]) => {
    const list = materials.map((material) => {
      const unit = order?.lines.find((l) => l.what === material)?.unit ?? "each";
      return { ...NEW_PACK, material, pack: USUAL[unit] ?? NEW_PACK.pack };
    });
    if (desk.job.alone) list.forEach((stock) => desk.act({ do: "add stock", stock }));
    else desk.catalogue({ do: "offer", offers: list.map(offerOf) });
  };
  return (
    <>
      <h2 className="small-head">Packs of fasteners, glue, foundation</h2>
      <table className="cutting-list">
        <tbody>
          {packs.map(({ s, at }) => (
            <tr key={at < desk.own ? desk.keys.stock[at] : `offer ${s.offer}`}>
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
              {at < desk.own ? (
                <TakeOut what={`${s.material}`} act={{ do: "remove stock", at }} field={field(at)} />
              ) : (
                <td className="text-right text-[.84rem] text-soft">catalogue</td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
      <p className="flex flex-wrap gap-2 pt-2">
        {needs.map((material) => (
          <button key={material} className="quiet" onClick={() => add([material])}>
            add {material}
          </button>
        ))}
        {needs.length > 1 && (
          <button className="act" onClick={() => add(needs)}>
            add all {needs.length}
          </button>
        )}
      </p>
      <Said field="catalogue" />
    </>
  );
}
