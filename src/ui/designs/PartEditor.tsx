"use client";
import { partLetter } from "@/core/drawing/face";
import { type Recipe, ROLES } from "@/core/recipes/recipe";
import { type Kind, KINDS, newFeature } from "@/core/feature/feature";
import { type Column, cutColumns, fresh, newPlace, PLACE, withPart } from "./columns";
import { Field, Rows, useEditing, Wrong } from "./Fields";

const MATERIALS = ["wood", "ply", "mesh", "metal", "foam", "plastic"] as const;
const SIZES: Column[] = [
  { key: "length", label: "length, along the grain", kind: "formula", wide: 36 },
  { key: "width", label: "width", kind: "formula", wide: 36 },
  { key: "thickness", label: "thickness", kind: "formula", wide: 24 },
  { key: "when", label: "only when", kind: "formula", optional: true, wide: 24 },
];
const HEAD: Column[] = [
  { key: "name", label: "name", kind: "text", wide: 22 },
  { key: "id", label: "id", kind: "text", wide: 12 },
  { key: "role", label: "role", kind: "choice", choices: ROLES },
  { key: "material", label: "cut from", kind: "choice", choices: MATERIALS },
];

/** The parts of a design, one open at a time: its sizes, its cuts, and where it stands in the item. */
export function PartEditor({ recipe, open, setOpen }: { recipe: Recipe; open: number; setOpen(n: number): void }) {
  const { put, read } = useEditing();
  const at = Math.min(open, recipe.parts.length - 1);
  const part = recipe.parts[at];
  const wrong = (i: number) => read.problems.some((p) => p.path === `parts.${i}` || p.path.startsWith(`parts.${i}.`));
  const grow = (next: Recipe) => {
    put("parts", next.parts);
    put("assembly", next.assembly);
    setOpen(recipe.parts.length);
  };
  const add = () => grow(withPart(recipe));
  const copy = () => {
    if (!part) return;
    const id = fresh(
      `${part.id}-copy`,
      recipe.parts.map((p) => p.id),
    );
    grow(withPart(recipe, { ...structuredClone(part), id, name: `${part.name}, copy` }, part.id));
  };
  /** A part that goes is no longer joined or worked on anywhere. */
  const remove = (id: string) => {
    const without = (list: string[] | undefined) => list?.filter((x) => x !== id);
    put(
      "parts",
      recipe.parts.filter((p) => p.id !== id),
    );
    put(
      "assembly",
      recipe.assembly.map((s) => ({
        ...s,
        ...(s.joins ? { joins: without(s.joins) } : {}),
        ...(s.on ? { on: without(s.on) } : {}),
      })),
    );
  };
  const path = `parts.${at}`;
  return (
    <div>
      <div className="mb-2 flex flex-wrap gap-1.5" role="group" aria-label="Parts">
        {recipe.parts.map((p, i) => (
          <button
            key={i}
            aria-pressed={i === at}
            onClick={() => setOpen(i)}
            className={`border px-2 py-0.5 ${i === at ? "border-ink bg-white font-semibold" : "border-rule bg-transparent"} ${wrong(i) ? "text-madder underline decoration-2" : ""}`}
          >
            <span className="mr-1 font-mono text-[.84rem] text-soft">{partLetter(i)}</span>
            {p.name}
          </button>
        ))}
        <button className="quiet" onClick={add}>
          add a part
        </button>
      </div>
      {part && (
        <div>
          <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
            {HEAD.map((c) => (
              <label key={c.key} className="block">
                <span className="block text-[.76rem] text-soft">{c.label}</span>
                <Field row={{ material: "wood", ...part }} column={c} path={path} label={part.name} />
              </label>
            ))}
            <span className="ml-auto flex gap-2 text-[.84rem]">
              <button className="quiet" onClick={copy}>
                copy
              </button>
              <button className="quiet" onClick={() => remove(part.id)}>
                take out {part.name.toLowerCase()}
              </button>
            </span>
          </div>
          {SIZES.map((c) => (
            <div key={c.key} className="flex items-baseline gap-2 border-t border-rule py-1">
              <span className="w-40 text-[.87rem] text-soft">{c.label}</span>
              <span>
                <Field row={part} column={c} path={path} label={part.name} />
              </span>
            </div>
          ))}
          <Wrong path={path} />
          <h3 className="small-head mt-3">
            Cuts, seen from its reference face{" "}
            <select
              className="field ml-2 font-normal"
              aria-label={`Add a cut to ${part.name}`}
              value=""
              onChange={(e) => put(`${path}.features`, [...part.features, newFeature(e.target.value as Kind)])}
            >
              <option value="">add a cut …</option>
              {Object.keys(KINDS).map((k) => (
                <option key={k}>{k}</option>
              ))}
            </select>
          </h3>
          <ul>
            <Rows
              list={part.features}
              path={`${path}.features`}
              what="cut"
              columns={(row) => [
                { key: "name", label: String(row.kind), kind: "text", wide: 16 },
                ...cutColumns(row.kind as Kind),
                { key: "after", label: "cut after step", kind: "text", optional: true, wide: 10 },
                { key: "when", label: "only when", kind: "formula", optional: true, wide: 16 },
              ]}
            />
          </ul>
          <h3 className="small-head mt-3">
            Where it stands: x along the frames, y across, z up{" "}
            <button className="quiet font-normal" onClick={() => put(`${path}.places`, [...part.places, newPlace()])}>
              add one more
            </button>
          </h3>
          <ul>
            <Rows list={part.places} path={`${path}.places`} what={`${part.name} at place`} columns={() => PLACE} />
          </ul>
        </div>
      )}
    </div>
  );
}
