"use client";
import type { DesignRead } from "@/core/designs/problems";
import type { Recipe } from "@/core/recipes/recipe";
import { About } from "./About";
import { AssemblyEditor } from "./AssemblyEditor";
import { CHOICES, DEMANDS, FIGURES, NEW_ROWS, parameterColumns, type Section, VALUES } from "./columns";
import { Rows, useEditing } from "./Fields";
import { PartEditor } from "./PartEditor";
import { sectionOf, SECTIONS, type Shown } from "./sections";
import { Stands } from "./Stands";

/** The formulas of a design, a section at a time. */
export function Formulas({
  recipe,
  read,
  fixed,
  shown,
  setShown,
  part,
  setPart,
}: {
  recipe: Recipe;
  read: DesignRead;
  /** Its id stays: it has been kept. */
  fixed: boolean;
  shown: Shown;
  setShown(s: Shown): void;
  part: number;
  setPart(i: number): void;
}) {
  const { put } = useEditing();
  const add = (section: Section) =>
    put(section, [...((recipe[section] as unknown[] | undefined) ?? []), NEW_ROWS[section](recipe)]);
  const wrongIn = (s: Shown) => read.problems.some((p) => sectionOf(p.path) === s);
  const list = (
    section: Exclude<Section, "parts" | "assembly">,
    columns: (row: Record<string, unknown>) => ReturnType<typeof parameterColumns>,
    what: string,
  ) => (
    <>
      <ul>
        <Rows list={(recipe[section] as unknown[] | undefined) ?? []} columns={columns} path={section} what={what} />
      </ul>
      <button className="quiet" onClick={() => add(section)}>
        add {what}
      </button>
    </>
  );
  return (
    <section aria-label="Formulas" className="min-w-0">
      <div className="mb-3 flex flex-wrap gap-x-1 gap-y-1 bg-bench p-1" role="tablist" aria-label="Sections">
        {(Object.keys(SECTIONS) as Shown[]).map((s) => (
          <button
            key={s}
            role="tab"
            aria-selected={s === shown}
            onClick={() => setShown(s)}
            className={`border-0 px-2.5 py-1 ${s === shown ? "bg-spruce font-semibold text-white" : "bg-transparent"} ${wrongIn(s) && s !== shown ? "text-madder underline decoration-2" : ""}`}
          >
            {SECTIONS[s]}
            {Array.isArray(recipe[s as keyof Recipe]) && (
              <span className={`ml-1 font-mono text-[.8rem] ${s === shown ? "text-[#cfe0da]" : "text-soft"}`}>
                {(recipe[s as keyof Recipe] as unknown[]).length}
              </span>
            )}
          </button>
        ))}
      </div>
      {shown === "about" && <About recipe={recipe} fixed={fixed} />}
      {shown === "parameters" && (
        <>
          {list("parameters", (row) => parameterColumns(String(row.kind)), "a value to ask for")}
          {recipe.parameters.map((p, i) =>
            p.kind === "choice" ? (
              <div key={p.name} className="mt-2 ml-6">
                <h3 className="small-head">
                  Choices of {p.label}{" "}
                  <button
                    className="quiet font-normal"
                    onClick={() =>
                      put(`parameters.${i}.choices`, [
                        ...p.choices,
                        { id: `choice-${p.choices.length + 1}`, label: "another" },
                      ])
                    }
                  >
                    add one
                  </button>
                </h3>
                <ul>
                  <Rows list={p.choices} columns={() => CHOICES} path={`parameters.${i}.choices`} what="choice" />
                </ul>
              </div>
            ) : null,
          )}
        </>
      )}
      {shown === "values" && list("values", () => VALUES, "a value")}
      {shown === "parts" && <PartEditor recipe={recipe} open={part} setOpen={setPart} />}
      {shown === "assembly" && <AssemblyEditor recipe={recipe} add={() => add("assembly")} />}
      {shown === "demands" && (
        <>
          {list("demands", () => DEMANDS, "a demand")}
          <h3 className="small-head mt-4">Figures to compare by</h3>
          {list("figures", () => FIGURES, "a figure")}
        </>
      )}
      {shown === "stands" && <Stands recipe={recipe} />}
    </section>
  );
}
