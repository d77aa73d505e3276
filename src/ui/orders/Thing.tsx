import { inchParts } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { Thing } from "@/core/purchase/thing";
import { type BoardLot, madeOf } from "@/core/yard/lot";
import { Measure } from "@/ui/parts/Measure";

/** Thick × wide × long; what is sold in millimetres is said in them, also in a shop that works in inches. */
export function Sizes({ of, units }: { of: Pick<BoardLot, "thickness" | "width" | "length">; units: Units }) {
  const sizes = [of.thickness, of.width, of.length];
  const own = units === "in" && sizes.some((l) => !inchParts(l).exact) ? "mm" : units;
  return (
    <span className="whitespace-nowrap">
      {sizes.map((l, i) => (
        <span key={i}>
          {i > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
          <Measure value={l} units={own} />
        </span>
      ))}
      {own !== units && " mm"}
    </span>
  );
}

/** What is bought, as a cutting list says it: its name and its sizes; of packs what is in one. */
export function ThingName({ thing, pack, units }: { thing: Thing; pack: number; units: Units }) {
  if (thing.form === "pack")
    return (
      <>
        {thing.material}
        {pack !== 1 && <span className="text-soft">, pack of {pack.toLocaleString("en-GB")}</span>}
      </>
    );
  return (
    <>
      {madeOf(thing)}
      {thing.rough && ", rough"} <Sizes of={thing} units={units} />
    </>
  );
}
