"use client";
import Link from "next/link";
import { markName } from "@/core/designs/design";
import type { Units } from "@/core/length/length";
import type { Recipe } from "@/core/recipes/recipe";
import type { Standard } from "@/core/standards/standard";

/** What is being drawn up, how it stands, and the standard and size it is worked out for. */
export function Head({
  recipe,
  mark,
  said,
  wrong,
  standards,
  place,
  setPlace,
  units,
  setUnits,
}: {
  recipe: Recipe;
  /** The newest mark that was kept; undefined when none was. */
  mark: number | undefined;
  said: string;
  wrong: boolean;
  standards: Standard[];
  place: { standard: string; size: string };
  setPlace(p: { standard: string; size: string }): void;
  units: Units;
  setUnits(u: Units): void;
}) {
  const standard = standards.find((s) => s.id === place.standard)!;
  return (
    <header className="flex flex-wrap items-baseline gap-x-4 px-5 pt-2 pb-2">
      <Link prefetch={false} href="/" className="text-[1.33rem] font-bold tracking-tight no-underline">
        Rundik
      </Link>
      <Link prefetch={false} href="/patterns" className="underline decoration-[#9aa39d] underline-offset-2">
        patterns
      </Link>
      <h1 className="max-w-[30rem] truncate text-[1.13rem]" title={recipe.name}>
        {recipe.name || "no name yet"}{" "}
        {mark !== undefined && <span className="ml-2 font-mono">mark {markName(mark)}</span>}
      </h1>
      <span className={wrong ? "font-semibold text-madder" : "text-soft"}>{said}</span>
      <span className="ml-auto flex items-baseline gap-3">
        <label className="text-[.87rem] text-soft">
          worked out for{" "}
          <select
            className="field text-ink"
            aria-label="Standard"
            value={place.standard}
            onChange={(e) =>
              setPlace({ standard: e.target.value, size: standards.find((s) => s.id === e.target.value)!.defaultSize })
            }
          >
            {standards
              .filter((s) => !recipe.standards || recipe.standards.includes(s.basedOn ?? s.id))
              .map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
          </select>{" "}
          <select
            className="field text-ink"
            aria-label="Size"
            value={place.size}
            onChange={(e) => setPlace({ ...place, size: e.target.value })}
          >
            {Object.entries(standard.sizes).map(([id, s]) => (
              <option key={id} value={id}>
                {s.name}
              </option>
            ))}
          </select>
        </label>
        <button className="quiet" onClick={() => setUnits(units === "in" ? "mm" : "in")}>
          {units === "in" ? "inches" : "mm"}
        </button>
      </span>
    </header>
  );
}
