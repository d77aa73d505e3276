"use client";
import type { Recipe } from "@/core/recipes/recipe";
import { newUse, STEP, USE } from "./columns";
import { Field, Rows, useEditing, Wrong } from "./Fields";

/** The steps of a design, in order: what each joins and takes, and what usually goes wrong at it. */
export function AssemblyEditor({ recipe, add }: { recipe: Recipe; add(): void }) {
  const { put } = useEditing();
  const move = (i: number, by: -1 | 1) => {
    const list = [...recipe.assembly];
    [list[i], list[i + by]] = [list[i + by]!, list[i]!];
    put("assembly", list);
  };
  return (
    <>
      <ol>
        {recipe.assembly.map((step, i) => {
          const path = `assembly.${i}`;
          const toggle = (list: "joins" | "on", id: string, yes: boolean) =>
            put(`${path}.${list}`, yes ? [...(step[list] ?? []), id] : (step[list] ?? []).filter((x) => x !== id));
          return (
            <li key={i} className="border-t-2 border-ink py-2" aria-label={step.name || `step ${i + 1}`}>
              <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
                <span className="w-6 text-right font-mono text-[1.2rem] text-soft">{i + 1}</span>
                {STEP.map((c) => (
                  <label key={c.key} className="block">
                    <span className="block text-[.76rem] text-soft">{c.label}</span>
                    <Field row={step} column={c} path={path} label={step.name} />
                  </label>
                ))}
                <span className="ml-auto flex gap-2 text-[.84rem]">
                  <button className="quiet" disabled={i === 0} onClick={() => move(i, -1)}>
                    earlier
                  </button>
                  <button className="quiet" disabled={i === recipe.assembly.length - 1} onClick={() => move(i, 1)}>
                    later
                  </button>
                  <button
                    className="quiet"
                    aria-label={`Take out ${step.name}`}
                    onClick={() =>
                      put(
                        "assembly",
                        recipe.assembly.filter((_, k) => k !== i),
                      )
                    }
                  >
                    take out
                  </button>
                </span>
              </div>
              <Wrong path={path} />
              {(["joins", "on"] as const).map((list) => (
                <fieldset key={list} className="mt-1 ml-10 flex flex-wrap gap-x-4 text-[.9rem]">
                  <legend className="float-left mr-3 text-soft">
                    {list === "joins" ? "joins here" : "worked on here"}
                  </legend>
                  {recipe.parts.map((p) => (
                    <label key={p.id} className="whitespace-nowrap">
                      <input
                        type="checkbox"
                        checked={step[list]?.includes(p.id) ?? false}
                        onChange={(e) => toggle(list, p.id, e.target.checked)}
                      />{" "}
                      {p.name}
                    </label>
                  ))}
                </fieldset>
              ))}
              <ul className="ml-10">
                <Rows list={step.uses ?? []} columns={() => USE} path={`${path}.uses`} what="what it takes" />
              </ul>
              <button className="quiet ml-10" onClick={() => put(`${path}.uses`, [...(step.uses ?? []), newUse()])}>
                add what it takes
              </button>
              <label className="mt-1 ml-10 block">
                <span className="block text-[.76rem] text-soft">what goes wrong here, a line each</span>
                <textarea
                  className="field min-h-10 w-full bg-white"
                  value={(step.mistakes ?? []).map((m) => (typeof m === "string" ? m : m.text)).join("\n")}
                  onChange={(e) => {
                    // A line that is left as it was keeps the choice it depends on.
                    const known = new Map((step.mistakes ?? []).map((m) => [typeof m === "string" ? m : m.text, m]));
                    const lines = e.target.value === "" ? [] : e.target.value.split("\n");
                    put(
                      `${path}.mistakes`,
                      lines.map((t) => known.get(t) ?? t),
                    );
                  }}
                />
              </label>
            </li>
          );
        })}
      </ol>
      <button className="quiet" onClick={add}>
        add a step
      </button>
    </>
  );
}
