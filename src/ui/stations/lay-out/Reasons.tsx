import type { LayoutResult } from "@/core/layout/layout";
import type { GroupLayout } from "@/core/layout/lay";
import { reasonsText } from "@/core/layout/reasons";
import type { Units } from "@/core/length/length";
import { Measure } from "@/ui/parts/Measure";
import { useMoney } from "@/ui/desk/useDesk";

/** What has no price is said in the largest of its boards. */
const boardsWorth = (n: number) => `${n.toFixed(2)} of the largest board`;

/** How it is known that nothing costs less, thickness by thickness. */
export function Reasons({ result, units }: { result: LayoutResult; units: Units }) {
  const money = useMoney();
  const groups = result.groups.filter(({ result: g }) => g.layouts.length > 0);
  if (groups.length === 0) return null;
  const unpriced = (g: GroupLayout) => g.layouts.every((l) => result.request.stock[l.stock]!.unpriced);
  return (
    <details className="mb-3 text-[.93rem]">
      <summary className="w-fit cursor-pointer underline underline-offset-4">how that is known</summary>
      {groups.map(({ result: g }, i) => {
        const materials = new Set(g.layouts.map((l) => result.request.stock[l.stock]!.material));
        const thicknesses = [...new Set(g.layouts.map((l) => result.request.stock[l.stock]!.thickness))];
        return (
          <div key={i} className="mt-2 max-w-[70ch]">
            <h3 className="font-semibold">
              {[...materials].join(" and ")}{" "}
              {thicknesses.map((t, k) => (
                <span key={t}>
                  {k > 0 && " and "}
                  <Measure value={t} units={units} />
                </span>
              ))}
            </h3>
            <ol className="ml-5 list-decimal">
              {reasonsText(result, g, unpriced(g) ? boardsWorth : money).map((step) => (
                <li key={step}>{step}</li>
              ))}
            </ol>
          </div>
        );
      })}
      <p className="mt-2 text-soft">All of it is reckoned in whole numbers, so that rounding cannot prove too much.</p>
    </details>
  );
}
