"use client";
import { type Shape, isUnmakeable } from "@/core/shape/shape";
import Link from "next/link";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { partsBetween } from "@/core/designs/compare";
import { type KeptMark, markName } from "@/core/designs/design";
import { put as putAt } from "@/core/designs/path";
import { designFrom, designFromNothing } from "@/core/designs/start";
import { type DesignRead, readDesign } from "@/core/designs/problems";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import type { Units } from "@/core/length/length";
import { findRecipe, recipeFor } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import { STANDARDS } from "@/core/standards";
import { STANDARD_NAMES } from "@/core/standards/words";
import type { Standard } from "@/core/standards/standard";
import { Exploded } from "@/ui/drawing/Exploded";
import { ThreeViews } from "@/ui/drawing/ThreeViews";
import { Measure } from "@/ui/parts/Measure";
import { AssemblyEditor } from "./AssemblyEditor";
import { CHOICES, DEMANDS, FIGURES, NEW_ROWS, parameterColumns, type Section, VALUES } from "./columns";
import { EditingProvider, Field, Rows, useEditing, Wrong } from "./Fields";
import { Differences, Marks } from "./Marks";
import { PartEditor } from "./PartEditor";
import { askServer, type Method, NoAnswer } from "@/ui/parts/askServer";

const SECTIONS = {
  about: "About",
  parameters: "Asked",
  values: "Worked out",
  parts: "Parts",
  assembly: "Assembly",
  demands: "Must hold",
  stands: "In a hive",
} as const;
type Shown = keyof typeof SECTIONS;
const STAND_AS = ["floor", "rim", "sheet", "inner-cover", "cover", "stand", "jacket"];

interface Props {
  marks: KeptMark[];
  taken: string[];
  own: Standard[];
  start: { copy?: string; standard?: string; name?: string };
}

/** A design of the maker's own: its formulas on the left, what they come to on the right, at every keystroke. */
export function DesignEditor({ marks: kept, taken, own, start }: Props) {
  const [marks, setMarks] = useState(kept);
  const standards = [...STANDARDS, ...own];
  const [recipe, setRecipe] = useState<Recipe>(() => marks.at(-1)?.recipe ?? startOf(start, taken));
  const [place, setPlace] = useState(() => {
    const s =
      standards.find((x) => x.id === start.standard) ??
      standards.find((x) => !recipe.standards || recipe.standards.includes(x.id))!;
    return { standard: s.id, size: s.defaultSize };
  });
  const standard = standards.find((s) => s.id === place.standard)!;
  const [units, setUnits] = useState<Units>(standard.units);
  const [shown, setShown] = useState<Shown>(marks.length > 0 ? "parts" : "about");
  const [part, setPart] = useState(0);
  const [apart, setApart] = useState(false);
  const [why, setWhy] = useState("");
  const [said, setSaid] = useState<string | null>(null);
  const [against, setAgainst] = useState<number | null>(null);
  const settled = useDeferredValue(recipe);
  const read = useMemo(() => readDesign(settled, standard, place.size, units), [settled, standard, place.size, units]);
  const last = useRef<Shape | undefined>(undefined);
  useEffect(() => {
    if (read.shape) last.current = read.shape;
  }, [read.shape]);
  // eslint-disable-next-line react-hooks/refs -- the drawing stays on the last that could be worked out
  const shape = read.shape ?? last.current;
  const compared = marks.find((m) => m.mark === against);
  const before = useMemo(
    () => compared && readDesign(compared.recipe, standard, place.size, units).shape,
    [compared, standard, place.size, units],
  );
  const parts = before && read.shape ? partsBetween(before, read.shape) : [];
  const findings = useMemo(() => findingsOf(read, standard, place.size, units), [read, standard, place.size, units]);
  const names = useMemo(
    () =>
      [
        ...new Set([
          ...Object.keys(standard.values),
          ...Object.keys(standard.sizes[place.size]?.values ?? {}),
          "bodyOutsideLength",
          "bodyOutsideWidth",
          ...settled.parameters.map((p) => p.name),
          ...settled.values.map((v) => v.name),
        ]),
      ].sort(),
    [standard, place.size, settled],
  );
  const put = (path: string, value: unknown) => setRecipe((r) => putAt(r, path, value));
  const nextMark = (marks.at(-1)?.mark ?? 0) + 1;
  const changed = JSON.stringify(recipe) !== JSON.stringify(marks.at(-1)?.recipe);
  const send = async (method: Method, body: object): Promise<KeptMark[] | undefined> => {
    try {
      const all = await askServer<KeptMark[]>("/api/designs", { method, body });
      setSaid(null);
      return all.filter((m) => m.recipe.id === recipe.id);
    } catch (e) {
      const again = e instanceof NoAnswer ? "; nothing was kept. Try again when it is back" : "";
      setSaid(`${(e as Error).message}${again}`);
      return undefined;
    }
  };
  const keep = async () => {
    const all = await send("POST", { recipe, why });
    if (!all) return;
    setMarks(all);
    setWhy("");
    setSaid(`kept as mark ${markName(all.at(-1)!.mark)}`);
    window.history.replaceState(null, "", `/patterns/designs/${recipe.id}`);
  };
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
    <EditingProvider value={{ read, units, put, names }}>
      <datalist id="design-names">
        {names.map((n) => (
          <option key={n} value={n}>
            {STANDARD_NAMES[n] ?? ""}
          </option>
        ))}
      </datalist>
      <header className="flex flex-wrap items-baseline gap-x-4 px-5 pt-2 pb-2">
        <Link prefetch={false} href="/" className="text-[1.33rem] font-bold tracking-tight no-underline">
          Rundik
        </Link>
        <Link prefetch={false} href="/patterns" className="underline decoration-[#9aa39d] underline-offset-2">
          patterns
        </Link>
        <h1 className="max-w-[30rem] truncate text-[1.13rem]" title={recipe.name}>
          {recipe.name || "no name yet"}{" "}
          {marks.length > 0 && <span className="ml-2 font-mono">mark {markName(marks.at(-1)!.mark)}</span>}
        </h1>
        <span className={read.problems.length > 0 ? "font-semibold text-madder" : "text-soft"}>
          {read.problems.length > 0
            ? `${read.problems.length} to put right`
            : changed
              ? "comes out; not kept yet"
              : "kept"}
        </span>
        <span className="ml-auto flex items-baseline gap-3">
          <label className="text-[.87rem] text-soft">
            worked out for{" "}
            <select
              className="field text-ink"
              aria-label="Standard"
              value={place.standard}
              onChange={(e) =>
                setPlace({
                  standard: e.target.value,
                  size: standards.find((s) => s.id === e.target.value)!.defaultSize,
                })
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
      <main className="grid grid-cols-1 gap-x-6 gap-y-4 px-5 pb-6 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
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
          {shown === "about" && <About recipe={recipe} fixed={marks.length > 0} />}
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
        <section aria-label="What it comes to" className="min-w-0">
          <div className="mb-1 flex flex-wrap items-baseline gap-3">
            <input
              className="field min-w-40 flex-1"
              aria-label="Why this mark"
              placeholder={marks.length === 0 ? "what it is for" : "what changed, and why"}
              value={why}
              onChange={(e) => setWhy(e.target.value)}
            />
            <button className="act" disabled={read.problems.length > 0 || !changed} onClick={() => void keep()}>
              Keep as mark {markName(nextMark)}
            </button>
          </div>
          {said && (
            <p role="status" className="mb-2 border-l-4 border-spruce pl-2">
              {said}
            </p>
          )}
          {read.problems.length > 0 && (
            <ul aria-label="To put right" className="mb-2 border-l-8 border-madder bg-white px-3 py-1.5">
              {read.problems.slice(0, 8).map((p) => (
                <li key={p.path + p.message}>
                  <button
                    className="quiet text-left"
                    onClick={() => {
                      const section = sectionOf(p.path);
                      setShown(section);
                      if (section === "parts") setPart(Number(p.path.split(".")[1] ?? 0));
                      setTimeout(() => document.querySelector<HTMLElement>(`[data-path="${p.path}"]`)?.focus(), 50);
                    }}
                  >
                    <span className="font-semibold">{placeText(p.path, recipe)}</span>: {p.message}
                  </button>
                </li>
              ))}
              {read.problems.length > 8 && <li className="text-soft">and {read.problems.length - 8} more</li>}
            </ul>
          )}
          {shape ? (
            <div className={read.shape ? "" : "grayscale"}>
              <p className="flex gap-3 text-[.84rem]">
                <span className="small-head">{read.shape ? "As it comes out" : "As it last came out"}</span>
                <span className="ml-auto flex gap-2">
                  <button className="quiet" aria-pressed={!apart} onClick={() => setApart(false)}>
                    three views
                  </button>
                  <button className="quiet" aria-pressed={apart} onClick={() => setApart(true)}>
                    pulled apart
                  </button>
                </span>
              </p>
              {apart ? (
                <Exploded
                  shape={shape}
                  litKey={shown === "parts" ? `part ${recipe.parts[part]?.id}` : null}
                  changed={new Set(parts.map((p) => p.id))}
                />
              ) : (
                <ThreeViews
                  shape={shape}
                  units={units}
                  litKey={shown === "parts" ? `part ${recipe.parts[part]?.id}` : null}
                  changed={new Set(parts.map((p) => p.id))}
                  onPart={(id) => {
                    const i = recipe.parts.findIndex((p) => p.id === id);
                    if (shown === "parts" && i >= 0) setPart(i);
                  }}
                />
              )}
              <CutList shape={shape} units={units} />
            </div>
          ) : (
            <p className="text-soft">Nothing comes out yet; put right what is said above and it is drawn here.</p>
          )}
          {findings.length > 0 && (
            <ul aria-label="Findings" className="mt-2">
              {findings.map((f, i) => (
                <li key={i} className="border-t border-rule py-1 text-[.9rem]">
                  <span className="font-semibold">{f.label}</span>{" "}
                  <span className={f.state === "ok" ? "text-soft" : "font-semibold text-madder"}>
                    {f.figure?.text ?? f.text}
                  </span>{" "}
                  {f.advice}
                </li>
              ))}
            </ul>
          )}
          {compared && read.shape && (
            <Differences was={compared.recipe} now={recipe} parts={parts} mark={compared.mark} units={units} />
          )}
          <Marks
            marks={marks}
            against={against}
            setAgainst={setAgainst}
            onOpen={(m) => setRecipe(m.recipe)}
            onNote={(mark, note) =>
              void send("PATCH", { id: recipe.id, mark, note }).then((all) => all && setMarks(all))
            }
          />
        </section>
      </main>
    </EditingProvider>
  );
}

function startOf({ copy, standard, name }: Props["start"], taken: string[]): Recipe {
  const s = STANDARDS.find((x) => x.id === standard);
  const from = copy ? (recipeFor(copy, s) ?? findRecipe(copy)) : undefined;
  return from ? designFrom(from, name ?? `${from.name}, own`, taken) : designFromNothing(name ?? "My design", taken);
}

/** Findings of one made by itself, when it comes out. */
function findingsOf(read: DesignRead, standard: Standard, size: string, units: Units) {
  if (!read.shape || !read.recipe) return [];
  try {
    const job = {
      ...emptyJob("design", units),
      standards: STANDARDS.includes(standard) ? [] : [standard],
      designs: [{ recipe: read.recipe, mark: 1, why: "" }],
    };
    return workJob({ ...job, lines: [{ item: read.recipe.id, standard: standard.id, size, quantity: 1, options: {} }] })
      .findings;
  } catch (e) {
    if (isUnmakeable(e)) return [];
    throw e;
  }
}

function CutList({ shape, units }: { shape: Shape; units: Units }) {
  return (
    <table className="cutting-list mt-2 text-[.93rem]">
      <caption className="sr-only">Cut list</caption>
      <tbody>
        {shape.parts.map((p) => (
          <tr key={p.id}>
            <td className="w-10 text-right font-mono font-semibold">{p.places.length}</td>
            <td>{p.name}</td>
            <td className="text-right whitespace-nowrap">
              <Measure value={p.cut.l} units={units} /> × <Measure value={p.cut.w} units={units} /> ×{" "}
              <Measure value={p.cut.t} units={units} />
            </td>
            <td className="text-[.84rem] text-soft">{p.features.map((f) => f.name).join(", ")}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** The section a path belongs to. */
function sectionOf(path: string): Shown {
  const head = path.split(".")[0]!;
  if (head === "figures") return "demands";
  return head in SECTIONS ? (head as Shown) : "about";
}

/** `Side, length`: a path as a person says it. */
function placeText(path: string, recipe: Recipe): string {
  const [section, i, ...rest] = path.split(".");
  const list = recipe[section as keyof Recipe];
  const row =
    Array.isArray(list) && i !== undefined
      ? (list[Number(i)] as { name?: string; label?: string; id?: string; rule?: string } | undefined)
      : undefined;
  const name = row?.name ?? row?.label ?? row?.id ?? row?.rule;
  if (!name) return path || "the whole";
  const [field, at, sub] = rest;
  if (field === "features" || field === "places")
    return `${name}, ${field === "features" ? "cut" : "place"} ${Number(at) + 1}, ${sub ?? ""}`;
  return `${name}, ${field ?? ""}`;
}

function About({ recipe, fixed }: { recipe: Recipe; fixed: boolean }) {
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

function Stands({ recipe }: { recipe: Recipe }) {
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
