"use client";
import { useDeferredValue, useEffect, useMemo, useRef, useState } from "react";
import { partsBetween } from "@/core/designs/compare";
import { type KeptMark, markName } from "@/core/designs/design";
import { put as putAt } from "@/core/designs/path";
import { type DesignRead, readDesign } from "@/core/designs/problems";
import { designFrom, designFromNothing } from "@/core/designs/start";
import { emptyJob } from "@/core/job/job";
import { workJob } from "@/core/job/worked";
import type { Units } from "@/core/length/length";
import { findRecipe, recipeFor } from "@/core/recipes";
import type { Recipe } from "@/core/recipes/recipe";
import type { Shape } from "@/core/shape/shape";
import { STANDARDS } from "@/core/standards";
import type { Standard } from "@/core/standards/standard";
import { STANDARD_NAMES } from "@/core/standards/words";
import { insist, type Method } from "@/ui/parts/askServer";
import { useDraft } from "@/ui/parts/useDraft";
import { draftKey } from "./drafts";
import { EditingProvider } from "./Fields";
import { Formulas } from "./Formulas";
import { Head } from "./Head";
import { Differences, Marks } from "./Marks";
import { Outcome } from "./Outcome";
import { sectionOf, type Shown } from "./sections";
import { ToPutRight } from "./ToPutRight";

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
  const [begun] = useState(() => ({ recipe: marks.at(-1)?.recipe ?? startOf(start, taken), why: "" }));
  const draft = useDraft(draftKey(begun.recipe.id, marks.length > 0, start), begun);
  const { recipe, why } = draft.value;
  const setRecipe = (change: (r: Recipe) => Recipe) => draft.set((d) => ({ ...d, recipe: change(d.recipe) }));
  const setWhy = (text: string) => draft.set((d) => ({ ...d, why: text }));
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
  const [said, setSaid] = useState<string | null>(null);
  const [keeping, setKeeping] = useState(false);
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
  const send = async (method: Method, body: object, waits: string): Promise<KeptMark[] | undefined> => {
    try {
      const all = await insist<KeptMark[]>("/api/designs", { method, body }, (why) => setSaid(`${why}; ${waits}`));
      setSaid(null);
      return all.filter((m) => m.recipe.id === recipe.id);
    } catch (e) {
      setSaid((e as Error).message);
      return undefined;
    }
  };
  const keep = async () => {
    setKeeping(true);
    const all = await send("POST", { recipe, why }, "it waits in this browser and is tried again");
    setKeeping(false);
    if (!all) return;
    setMarks(all);
    const now = { recipe, why: "" };
    draft.keptAs(now);
    draft.set((d) => (d.recipe === recipe ? now : d));
    setSaid(`kept as mark ${markName(all.at(-1)!.mark)}`);
    window.history.replaceState(null, "", `/patterns/designs/${recipe.id}`);
  };
  /** To the field a problem is at. */
  const go = (path: string) => {
    const section = sectionOf(path);
    setShown(section);
    if (section === "parts") setPart(Number(path.split(".")[1] ?? 0));
    setTimeout(() => document.querySelector<HTMLElement>(`[data-path="${path}"]`)?.focus(), 50);
  };
  return (
    <EditingProvider value={{ read, units, put, names }}>
      <datalist id="design-names">
        {names.map((n) => (
          <option key={n} value={n}>
            {STANDARD_NAMES[n] ?? ""}
          </option>
        ))}
      </datalist>
      <Head
        recipe={recipe}
        mark={marks.at(-1)?.mark}
        wrong={read.problems.length > 0}
        said={
          read.problems.length > 0
            ? `${read.problems.length} to put right`
            : changed
              ? "comes out; not kept yet"
              : "kept"
        }
        standards={standards}
        place={place}
        setPlace={setPlace}
        units={units}
        setUnits={setUnits}
      />
      <main className="grid grid-cols-1 gap-x-6 gap-y-4 px-5 pb-6 lg:grid-cols-[minmax(0,1.15fr)_minmax(0,1fr)]">
        <Formulas
          recipe={recipe}
          read={read}
          fixed={marks.length > 0}
          shown={shown}
          setShown={setShown}
          part={part}
          setPart={setPart}
        />
        <section aria-label="What it comes to" className="min-w-0">
          <div className="mb-1 flex flex-wrap items-baseline gap-3">
            <input
              className="field min-w-40 flex-1"
              aria-label="Why this mark"
              placeholder={marks.length === 0 ? "what it is for" : "what changed, and why"}
              value={why}
              onChange={(e) => setWhy(e.target.value)}
            />
            <button
              className="act"
              disabled={read.problems.length > 0 || !changed || keeping}
              onClick={() => void keep()}
            >
              Keep as mark {markName(nextMark)}
            </button>
          </div>
          {said && (
            <p role="status" className="mb-2 border-l-4 border-spruce pl-2">
              {said}
            </p>
          )}
          {draft.found && (
            <p className="mb-2 flex flex-wrap items-baseline gap-3 border-l-4 border-straw-line pl-2">
              Taken up where you left off; it is not kept yet.
              <button className="quiet" onClick={draft.giveUp}>
                {marks.length > 0 ? `back to mark ${markName(marks.at(-1)!.mark)}` : "begin again"}
              </button>
            </p>
          )}
          <ToPutRight read={read} recipe={recipe} go={go} />
          <Outcome
            shape={shape}
            stale={!read.shape}
            findings={findings}
            units={units}
            litKey={shown === "parts" ? `part ${recipe.parts[part]?.id}` : null}
            changed={new Set(parts.map((p) => p.id))}
            onPart={(id) => {
              const i = recipe.parts.findIndex((p) => p.id === id);
              if (shown === "parts" && i >= 0) setPart(i);
            }}
          />
          {compared && read.shape && (
            <Differences was={compared.recipe} now={recipe} parts={parts} mark={compared.mark} units={units} />
          )}
          <Marks
            marks={marks}
            against={against}
            setAgainst={setAgainst}
            onOpen={(m) => setRecipe(() => m.recipe)}
            onNote={(mark, note) =>
              void send(
                "PATCH",
                { id: recipe.id, mark, note },
                "the note is tried again as long as this page is open",
              ).then((all) => all && setMarks(all))
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
  const job = {
    ...emptyJob("design", units),
    standards: STANDARDS.includes(standard) ? [] : [standard],
    designs: [{ recipe: read.recipe, mark: 1, why: "" }],
  };
  return workJob({ ...job, lines: [{ item: read.recipe.id, standard: standard.id, size, quantity: 1, options: {} }] })
    .findings;
}
