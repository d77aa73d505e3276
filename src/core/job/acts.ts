import type { Units } from "@/core/length/length";
import { findRecipe, recipeFor } from "@/core/recipes";
import type { OptionValue } from "@/core/shape/shape";
import { standardOf } from "@/core/standards/own";
import type { Standard } from "@/core/standards/standard";
import type { Job, JobLine, StockEntry, Workshop } from "./job";
import { JobFileError } from "./problem";
import { shapeOfLine } from "./worked";

/** Everything a person can do to a job; lengths in nm. `actSchema` checks one that comes from outside. */
export type Act =
  | { do: "name"; name: string }
  | { do: "dates"; start?: string; due?: string }
  | { do: "units"; units: Units }
  | { do: "add line"; line: JobLine }
  | { do: "remove line"; at: number }
  | { do: "change line"; at: number; to: Partial<JobLine> }
  | { do: "option"; at: number; name: string; value: OptionValue | null }
  | { do: "add stock"; stock: StockEntry }
  | { do: "change stock"; at: number; stock: StockEntry }
  | { do: "remove stock"; at: number }
  | { do: "use standard"; standard: Standard }
  | { do: "workshop"; to: Partial<Pick<Workshop, "kerf" | "endTrim" | "minHold" | "keepOffcut" | "people">> };

/**
 * Carries out an act without checking the whole file again: what the page shows while a person types. Only the line
 * that changed is worked out. @throws JobFileError or ShapeError when it does not hold.
 */
export function preview(job: Job, act: Act): Job {
  const next = apply(job, act);
  if ("at" in act && next.lines[act.at] && next.lines[act.at] !== job.lines[act.at])
    shapeOfLine(next.lines[act.at]!, next.units, next.standards);
  return next;
}

/** The job after an act, unchecked; the given job is never changed. @throws JobFileError when a line is not there. */
export function apply(job: Job, act: Act): Job {
  const line = (at: number) => {
    const found = job.lines[at];
    if (!found) throw new JobFileError([{ path: `lines[${at}]`, message: "there is no such line" }]);
    return found;
  };
  const put = <T>(list: T[], at: number, value: T) => list.map((x, i) => (i === at ? value : x));
  switch (act.do) {
    case "name":
      return { ...job, name: act.name };
    case "dates":
      return { ...job, start: act.start, due: act.due };
    case "units":
      return { ...job, units: act.units };
    case "add line":
      return { ...job, lines: [...job.lines, act.line] };
    case "remove line":
      line(act.at);
      return { ...job, lines: job.lines.filter((_, i) => i !== act.at) };
    case "change line": {
      const old = line(act.at);
      const to = { ...old, ...act.to };
      return {
        ...job,
        lines: put(
          job.lines,
          act.at,
          to.item === old.item && to.standard === old.standard ? to : { ...to, options: keepKnown(job, to) },
        ),
      };
    }
    case "option": {
      const old = line(act.at);
      const { [act.name]: _gone, ...others } = old.options;
      return {
        ...job,
        lines: put(job.lines, act.at, {
          ...old,
          options: act.value === null ? others : { ...others, [act.name]: act.value },
        }),
      };
    }
    case "add stock":
      return { ...job, stock: [...job.stock, act.stock] };
    case "change stock":
      return { ...job, stock: put(job.stock, act.at, act.stock) };
    case "remove stock":
      return { ...job, stock: job.stock.filter((_, i) => i !== act.at) };
    case "use standard": {
      const { id } = act.standard;
      return {
        ...job,
        standards: [...job.standards.filter((s) => s.id !== id), act.standard],
        lines: job.lines.map((l) => (l.standard === id ? { ...l } : l)),
      };
    }
    case "workshop":
      return { ...job, workshop: { ...job.workshop, ...act.to } };
  }
}

function keepKnown(job: Job, { item, standard, options }: JobLine): JobLine["options"] {
  const names = new Set(recipeFor(item, standardOf(standard, job.standards))?.parameters.map((p) => p.name));
  return Object.fromEntries(Object.entries(options).filter(([k]) => names.has(k)));
}

/** What an act is called in the list of things that can be undone. */
export function actText(act: Act, job: Job): string {
  const lineName = (at: number) => findRecipe(job.lines[at]?.item ?? "")?.name.toLowerCase() ?? "line";
  switch (act.do) {
    case "option":
      return `${lineName(act.at)}: ${
        recipeFor(job.lines[act.at]?.item ?? "", standardOf(job.lines[act.at]?.standard ?? "", job.standards))
          ?.parameters.find((p) => p.name === act.name)
          ?.label.toLowerCase() ?? act.name
      }`;
    case "change line":
      return `${lineName(act.at)}: ${Object.keys(act.to).join(", ")}`;
    case "remove line":
      return `take out ${lineName(act.at)}`;
    case "add line":
      return `add ${findRecipe(act.line.item)?.name.toLowerCase() ?? "line"}`;
    case "use standard":
      return `use ${act.standard.name}`;
    default:
      return act.do;
  }
}
