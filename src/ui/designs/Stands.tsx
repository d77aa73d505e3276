"use client";
import type { Recipe } from "@/core/recipes/recipe";
import { Field, useEditing } from "./Fields";

const STAND_AS = ["floor", "rim", "sheet", "inner-cover", "cover", "stand", "jacket"];

/** How a design stands in a hive. */
export function Stands({ recipe }: { recipe: Recipe }) {
  const { put } = useEditing();
  const s = recipe.stands;
  if (!s)
    return (
      <p>
        It stands in no hive.{" "}
        <button
          className="quiet"
          onClick={() =>
            put("stands", {
              as: "rim",
              height: "2*inch",
              outside: ["bodyOutsideLength", "bodyOutsideWidth"],
              under: "2*inch",
              over: "2*inch",
            })
          }
        >
          say how it stands in one
        </button>
      </p>
    );
  const line = (key: string, label: string, optional = false) => (
    <div className="flex items-baseline gap-2 border-t border-rule py-1.5">
      <span className="w-64 text-[.87rem] text-soft">{label}</span>
      <Field row={s} column={{ key, label, kind: "formula", wide: 36, optional }} path="stands" label="In a hive" />
    </div>
  );
  return (
    <div>
      <div className="flex items-baseline gap-2 py-1.5">
        <span className="w-64 text-[.87rem] text-soft">it is a</span>
        <Field
          row={s}
          column={{ key: "as", label: "it is a", kind: "choice", choices: STAND_AS }}
          path="stands"
          label="In a hive"
        />
        <button className="quiet ml-auto" onClick={() => put("stands", undefined)}>
          take out
        </button>
      </div>
      {line("height", "adds to the stack")}
      {line("outside.0", "outside, long")}
      {line("outside.1", "outside, wide")}
      {line("under", "room under its sheet (all of it when open)")}
      {line("over", "room over its sheet")}
      {line("entrance", "top of an entrance, from its upper edge", true)}
    </div>
  );
}
