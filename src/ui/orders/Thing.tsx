import { inchParts } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import type { Thing } from "@/core/purchase/thing";
import { madeOf } from "@/core/yard/lot";
import { Measure } from "@/ui/parts/Measure";

/** What is bought, as a cutting list says it: its name, then thick × wide × long; of packs what is in one. */
export function ThingName({ thing, pack, units }: { thing: Thing; pack: number; units: Units }) {
  if (thing.form === "pack")
    return (
      <>
        {thing.material}
        {pack !== 1 && <span className="text-soft">, pack of {pack.toLocaleString("en-GB")}</span>}
      </>
    );
  const sizes = [thing.thickness, thing.width, thing.length];
  // What is sold in millimetres is said in them, also in a shop that works in inches.
  const own = units === "in" && sizes.some((l) => !inchParts(l).exact) ? "mm" : units;
  return (
    <>
      {madeOf(thing)}
      {thing.rough && ", rough"}{" "}
      <span className="whitespace-nowrap">
        {sizes.map((l, i) => (
          <span key={i}>
            {i > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
            <Measure value={l} units={own} />
          </span>
        ))}
        {own !== units && " mm"}
      </span>
    </>
  );
}
