import { featureCuts } from "@/core/feature/say";
import type { Units } from "@/core/length/length";
import type { Part } from "@/core/shape/part";
import { Dries } from "./Dries";
import { Measure } from "./Measure";

/** What a part is cut to, length × width × thickness, and what it dries to. */
export function Sizes({ part, units }: { part: Part; units: Units }) {
  return (
    <>
      <Measure value={part.cut.l} units={units} /> × <Measure value={part.cut.w} units={units} /> ×{" "}
      <Measure value={part.cut.t} units={units} />
      <Dries {...part} units={units} />
    </>
  );
}

/** Every cut into a part, with where it lies. */
export function Cuts({ part, units }: { part: Part; units: Units }) {
  return featureCuts(part.features, units, part.sides).map(({ what, how }) => (
    <span key={what} className="block text-soft">
      <span className="text-ink">{what}</span>, {how}
    </span>
  ));
}
