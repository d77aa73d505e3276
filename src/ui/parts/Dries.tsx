import type { Length, Units } from "@/core/length/length";
import { Measure } from "./Measure";

/** What a part cut over for drying comes to; nothing for one cut to its size. */
export function Dries({
  cut,
  size,
  units,
  across = " wide",
}: {
  cut: { w: Length };
  size: { w: Length };
  units: Units;
  across?: string;
}) {
  return cut.w === size.w ? null : (
    <span className="block text-[.84rem] text-soft">
      dries to <Measure value={size.w} units={units} />
      {across}
    </span>
  );
}
