"use client";
import { useState } from "react";
import { findRecipe } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { Field, useEditing, Wrong } from "./Fields";

/** What a design is called, what it is for, and what it needs of a standard. */
export function About({ recipe, fixed }: { recipe: Recipe; fixed: boolean }) {
  const [needs, setNeeds] = useState(recipe.needs.join(", "));
  const row = { ...recipe } as Record<string, unknown>;
  const line = (label: string, field: React.ReactNode) => (
    <div className="flex items-baseline gap-2 border-t border-rule py-1.5">
      <span className="w-44 text-[.87rem] text-soft">{label}</span>
      <span className="flex-1">{field}</span>
    </div>
  );
  const { put } = useEditing();
  return (
    <div>
      {line(
        "Name",
        <Field row={row} column={{ key: "name", label: "name", kind: "text", wide: 40 }} path="" label="Design" />,
      )}
      {line(
        "Id, in files",
        fixed ? (
          <span className="font-mono">{recipe.id}</span>
        ) : (
          <Field row={row} column={{ key: "id", label: "id", kind: "text", wide: 24 }} path="" label="Design" />
        ),
      )}
      {line(
        "What it is for",
        <Field
          row={row}
          column={{ key: "about", label: "what it is for", kind: "text", wide: 60 }}
          path=""
          label="Design"
        />,
      )}
      {line(
        "The fit rules know it as",
        <Field
          row={row}
          column={{ key: "kind", label: "known as", kind: "choice", choices: ["body", "frame", "other"] }}
          path=""
          label="Design"
        />,
      )}
      {line(
        "Needs of a standard",
        <>
          <input
            className="field w-full font-mono text-[.9rem]"
            aria-label="Needs of a standard"
            placeholder="boxInsideLength, boxInsideWidth, nominalThickness"
            value={needs}
            onChange={(e) => {
              setNeeds(e.target.value);
              put(
                "needs",
                e.target.value
                  .split(",")
                  .map((x) => x.trim())
                  .filter(Boolean),
              );
            }}
          />
          <Wrong path="needs" />
        </>,
      )}
      {recipe.basedOn && line("Copied from", <span>{findRecipe(recipe.basedOn)?.name ?? recipe.basedOn}</span>)}
    </div>
  );
}
