import { z } from "zod";
import { pinnedSchema, type Pinned, piecesOf } from "@/core/boards/laid";
import { boardStockSchema, stockSchema, type BoardStock, resawn, type StockEntry } from "@/core/boards/stock";
import { designSchema, markName, recipeOf } from "@/core/designs/design";
import { hiveSchema, MOST_HIVES } from "@/core/hive/hive";
import { lengthSchema, sizeSchema } from "@/core/length/schema";
import { jobLineSchema, optionSchema, partKey, type JobLine } from "@/core/line/line";
import { settingsText, type Workshop, workshopChangeSchema } from "@/core/shop/shop";
import {
  type Given,
  givenSchema,
  MOST_GIVEN,
  NO_QUOTE,
  quoteChangeSchema,
  quoteSchema,
  withoutQuoteLine,
} from "@/core/quote/quote";
import { standardSchema } from "@/core/standards/standard";
import { lengthWithUnit } from "@/core/length/format";
import { standardOf } from "@/core/standards/own";
import { namedByContent } from "./name";
import { jobProblems } from "./file";
import { MOST_SPOILED, spoiledSchema, spoiledWithoutLine } from "./spoiled";
import { someLotsSchema } from "@/core/yard/acts";
import { lotSchema } from "@/core/yard/lot";
import { FINISHES, type Job, LIMITS } from "./job";
import { MOST_READINGS, readingSchema, readingsWithoutLine } from "@/core/judge/reading";
import { JobFileError } from "@/core/problem/problem";
import { shapeOfLine } from "@/core/line/shapes";
import { isUnmakeable } from "@/core/shape/shape";
import type { YardAct } from "@/core/yard/acts";

const index = z.number().int().min(0);

/** Everything a person can do to a job; lengths in nm. */
export const actSchema = z.lazy(() =>
  z.discriminatedUnion("do", [
    z.strictObject({ do: z.literal("name"), name: z.string().trim() }),
    z.strictObject({ do: z.literal("dates"), start: z.string().optional(), due: z.string().optional() }),
    z.strictObject({ do: z.literal("units"), units: z.enum(["in", "mm"]) }),
    /** The finish of the whole job; a line may choose its own. */
    z.strictObject({ do: z.literal("finish"), finish: z.enum(FINISHES) }),
    /** What all boards of the job measure; without it each standard's usual. A line may choose its own. */
    z.strictObject({ do: z.literal("thickness"), thickness: sizeSchema.optional() }),
    z.strictObject({ do: z.literal("add line"), line: jobLineSchema }),
    z.strictObject({ do: z.literal("remove line"), at: index }),
    z.strictObject({ do: z.literal("change line"), at: index, to: jobLineSchema.partial() }),
    z.strictObject({ do: z.literal("option"), at: index, name: z.string(), value: optionSchema.nullable() }),
    z.strictObject({ do: z.literal("add stock"), stock: stockSchema }),
    z.strictObject({ do: z.literal("change stock"), at: index, stock: stockSchema }),
    z.strictObject({ do: z.literal("remove stock"), at: index }),
    z.strictObject({ do: z.literal("use standard"), standard: standardSchema }),
    z.strictObject({ do: z.literal("use design"), design: designSchema.pick({ recipe: true, mark: true, why: true }) }),
    z.strictObject({ do: z.literal("hives"), hives: z.array(hiveSchema).max(MOST_HIVES) }),
    z.strictObject({ do: z.literal("read"), reading: readingSchema }),
    z.strictObject({ do: z.literal("add lines"), lines: z.array(jobLineSchema).min(1).max(100) }),
    z.strictObject({ do: z.literal("pin"), pinned: z.array(pinnedSchema).max(500) }),
    z.strictObject({ do: z.literal("strike out"), at: index }),
    z.strictObject({ do: z.literal("resaw"), at: index, into: z.number().int().min(2).max(4) }),
    z.strictObject({
      do: z.literal("bad stretches"),
      at: index,
      bad: z.array(z.tuple([lengthSchema, lengthSchema])).max(50),
    }),
    z.strictObject({ do: z.literal("customer"), customer: z.string().trim().max(LIMITS.name) }),
    /** The wood of all its boards; without one any will do. */
    z.strictObject({ do: z.literal("wood"), wood: z.string().trim().max(LIMITS.wood) }),
    /** Made from its own stock only, or from the shop's too. */
    z.strictObject({ do: z.literal("alone"), alone: z.boolean() }),
    /** Keeps boards of the yard for this job, in the place of what was kept before. */
    z.strictObject({ do: z.literal("reserve"), lots: someLotsSchema }),
    /** Boards were sawn as laid out: `layouts` name their boards by their place in `stock`; `kept` are the offcuts put in the yard. */
    z.strictObject({
      do: z.literal("sawn"),
      stock: z.array(boardStockSchema).min(1).max(500),
      layouts: z.array(pinnedSchema).min(1).max(500),
      kept: z.array(z.strictObject({ lot: lotSchema, count: z.number().int().min(1) })).max(500),
    }),
    /** Sawing has begun: layouts stay as they are, and the boards of the yard they want are kept. */
    z.strictObject({ do: z.literal("hold"), pinned: z.array(pinnedSchema).max(500), lots: someLotsSchema }),
    /** Pieces were spoiled: as many more are cut. */
    z.strictObject({ do: z.literal("spoil"), spoiled: spoiledSchema }),
    /** What is asked for the whole job beside what it costs. */
    z.strictObject({ do: z.literal("quote"), to: quoteChangeSchema }),
    /** What is asked for one of a line, in whole coins; null follows the margin again. */
    z.strictObject({
      do: z.literal("ask for"),
      at: index,
      each: quoteSchema.shape.asked.element.shape.each.nullable(),
    }),
    /** A quote is given, and stands as it is. */
    z.strictObject({ do: z.literal("give quote"), given: givenSchema }),
    /** The quote at this place was accepted; null takes that back. */
    z.strictObject({ do: z.literal("accept quote"), given: index.nullable() }),
    /** What this job does otherwise than the shop. */
    z.strictObject({ do: z.literal("workshop"), to: workshopChangeSchema }),
    /** A value is the shop's again, whatever that is by now. */
    z.strictObject({ do: z.literal("as the shop"), name: workshopChangeSchema.unwrap().keyof() }),
  ]),
);
export type Act = z.output<typeof actSchema>;

/**
 * Carries out an act without checking the whole file again: what the page shows while a person types. Only the line
 * that changed is worked out, or all that could be made before. @throws JobFileError or ShapeError when it does not hold.
 */
export function preview(job: Job, act: Act, shop?: Workshop): Job {
  const next = apply(job, act, shop);
  const at = act.do !== "strike out" && "at" in act ? next.lines[act.at] : undefined;
  if (at && !job.lines.includes(at)) shapeOfLine(at, next);
  if (act.do === "thickness") for (const l of job.lines) if (isMakeable(l, job)) shapeOfLine(l, next);
  return next;
}

function isMakeable(line: JobLine, job: Job): boolean {
  try {
    return shapeOfLine(line, job) !== undefined;
  } catch (e) {
    if (!isUnmakeable(e)) throw e;
    return false;
  }
}

/** The job after an act, unchecked, in its shop; the given job is never changed. @throws JobFileError when a line is not there. */
export function apply(job: Job, act: Act, shop?: Workshop): Job {
  const next = applied(job, act, shop);
  return next.unnamed && next.lines !== job.lines ? { ...next, name: namedByContent(next) } : next;
}

function applied(job: Job, act: Act, shop: Workshop = job.workshop): Job {
  const line = (at: number) => {
    const found = job.lines[at];
    if (!found) throw new JobFileError([{ path: `lines[${at}]`, message: "there is no such line" }]);
    return found;
  };
  const boardAt = (at: number): BoardStock => {
    const found = job.stock[at];
    if (!found || found.form === "pack")
      throw new JobFileError([{ path: `stock[${at}]`, message: "there is no such board" }]);
    return found;
  };
  const put = <T>(list: T[], at: number, value: T) => list.map((x, i) => (i === at ? value : x));
  switch (act.do) {
    case "name": {
      const { unnamed: _unnamed, ...named } = job;
      return act.name === "" ? { ...job, unnamed: true, name: namedByContent(job) } : { ...named, name: act.name };
    }
    case "dates":
      return { ...job, start: act.start, due: act.due };
    case "units":
      return { ...job, units: act.units };
    case "finish":
      return { ...job, finish: act.finish };
    case "thickness":
      return { ...job, thickness: act.thickness };
    case "add line":
      return { ...job, lines: [...job.lines, act.line] };
    case "hives":
      return { ...job, hives: act.hives };
    case "add lines":
      return { ...job, lines: [...job.lines, ...act.lines] };
    case "remove line":
      line(act.at);
      return {
        ...job,
        lines: job.lines.filter((_, i) => i !== act.at),
        pinned: withoutLine(job.pinned, act.at),
        readings: readingsWithoutLine(job.readings, act.at),
        ...(job.spoiled ? { spoiled: spoiledWithoutLine(job.spoiled, act.at) } : {}),
        ...(job.quote ? { quote: withoutQuoteLine(job.quote, act.at) } : {}),
      };
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
      return { ...job, stock: [...job.stock, priced(act.stock)] };
    case "change stock":
      return { ...job, stock: put(job.stock, act.at, priced(act.stock)) };
    case "remove stock":
      return {
        ...job,
        stock: job.stock.filter((_, i) => i !== act.at),
        pinned: job.pinned
          .filter((p) => p.stock !== act.at)
          .map((p) => (p.stock > act.at ? { ...p, stock: p.stock - 1 } : p)),
      };
    case "pin":
    case "hold":
      return { ...job, pinned: act.pinned };
    case "spoil": {
      const { spoiled = [] } = job;
      if (spoiled.length >= MOST_SPOILED) throw new JobFileError([{ path: "spoiled", message: `a job keeps at most ${MOST_SPOILED} times that something was spoiled; ask for more of the line` }]); // prettier-ignore
      if (!shapeOfLine(line(act.spoiled.of.line), job).parts.some((p) => p.id === act.spoiled.of.part)) throw new JobFileError([{ path: "spoiled.of", message: `read ${partKey(act.spoiled.of)}, which is no part of this job` }]); // prettier-ignore
      return { ...job, spoiled: [...spoiled, act.spoiled] };
    }
    case "read":
      return { ...job, readings: [act.reading, ...job.readings].slice(0, MOST_READINGS) };
    case "customer":
    case "wood": {
      const { [act.do]: _old, ...rest } = job;
      const said = act.do === "wood" ? act.wood : act.customer;
      return said === "" ? rest : { ...rest, [act.do]: said };
    }
    case "alone": {
      const { alone: _old, ...rest } = job;
      return act.alone ? { ...rest, alone: true } : rest;
    }
    case "quote": {
      const { until = job.quote?.until, terms = job.quote?.terms, margin } = act.to;
      const { until: _until, terms: _terms, ...rest } = job.quote ?? NO_QUOTE;
      return { ...job, quote: { ...rest, ...(margin === undefined ? {} : { margin }), ...(until ? { until } : {}), ...(terms ? { terms } : {}) } }; // prettier-ignore
    }
    case "ask for": {
      line(act.at);
      const quote = job.quote ?? NO_QUOTE;
      const others = quote.asked.filter((a) => a.line !== act.at);
      return { ...job, quote: { ...quote, asked: act.each === null ? others : [...others, { line: act.at, each: act.each }] } }; // prettier-ignore
    }
    case "give quote": {
      const quote = job.quote ?? NO_QUOTE;
      if (quote.given.length >= MOST_GIVEN) throw new JobFileError([{ path: "quote", message: `a job has at most ${MOST_GIVEN} quotes; begin another job` }]); // prettier-ignore
      return { ...job, quote: { ...quote, given: [...quote.given, act.given] } };
    }
    case "accept quote": {
      const { accepted: _old, ...quote } = job.quote ?? NO_QUOTE;
      if (act.given !== null && !quote.given[act.given]) throw new JobFileError([{ path: "given", message: "there is no such quote" }]); // prettier-ignore
      if (act.given === null) return { ...job, quote };
      return { ...job, lines: quotedLines(job, quote.given[act.given]!), quote: { ...quote, accepted: act.given } };
    }
    // The yard is what it changes.
    case "reserve":
      return job;
    case "sawn": {
      const from = job.stock.length;
      return {
        ...job,
        stock: [...act.stock.reduce(withoutSawn, job.stock), ...act.stock.map((s): BoardStock => ({ ...s, sawn: true }))],
        pinned: [...job.pinned.filter((p) => !act.layouts.some((l) => sameCuts(l, p))), ...act.layouts.map((l) => ({ ...l, stock: l.stock + from }))],
      }; // prettier-ignore
    }
    case "strike out": {
      const board = boardAt(act.at);
      // A board of the yard is gone from there.
      if (board.lot !== undefined) return job;
      return { ...job, stock: put(job.stock, act.at, { ...board, struck: (board.struck ?? 0) + 1 }) };
    }
    case "resaw": {
      const board = boardAt(act.at);
      const thin = resawn(board, act.into, job.workshop.kerf);
      const path = `stock[${act.at}]`;
      if (!thin)
        throw new JobFileError([
          {
            path,
            message: `a board of the yard, thick enough for ${act.into}, is wanted to resaw; this is ${lengthWithUnit(board.thickness, job.units)}`,
          },
        ]);
      return { ...job, stock: put(job.stock, act.at, thin) };
    }
    case "bad stretches": {
      const board = boardAt(act.at);
      if (board.lot !== undefined) return job;
      const { bad: _old, struck: _struck, ...plain } = board;
      const marked: BoardStock = { ...plain, available: 1, ...(act.bad.length > 0 ? { bad: act.bad } : {}) };
      if (board.available === 1)
        return {
          ...job,
          stock: put(job.stock, act.at, { ...marked, ...(board.struck ? { struck: board.struck } : {}) }),
        };
      const others = { ...board, available: board.available === null ? null : board.available - 1 };
      return { ...job, stock: [...put(job.stock, act.at, others), marked] };
    }
    case "use standard": {
      const { id } = act.standard;
      return {
        ...job,
        standards: [...job.standards.filter((s) => s.id !== id), act.standard],
        lines: job.lines.map((l) => (l.standard === id ? { ...l } : l)),
      };
    }
    case "use design": {
      const { id } = act.design.recipe;
      return {
        ...job,
        designs: [...job.designs.filter((d) => d.recipe.id !== id), act.design],
        lines: job.lines.map((l) => (l.item === id ? { ...l } : l)),
      };
    }
    case "as the shop":
      return { ...job, workshop: { ...job.workshop, [act.name]: shop[act.name] } };
    case "workshop":
      return { ...job, workshop: { ...job.workshop, ...act.to } as Workshop };
  }
}

/** Boards of the job's own are fewer when some are sawn; those of the yard are counted there. */
function withoutSawn(stock: StockEntry[], sawn: BoardStock): StockEntry[] {
  if (sawn.lot !== undefined || sawn.offer !== undefined) return stock;
  const { available: some, ...of } = sawn;
  const at = stock.findIndex((s) => s.form !== "pack" && !s.sawn && s.available !== null && SAME.every((k) => s[k] === of[k])); // prettier-ignore
  return stock.map((s, i) => (i === at ? { ...s, available: Math.max(0, s.available! - (some ?? 0)) } : s));
}
const SAME = ["form", "material", "thickness", "width", "length", "source", "rough", "resawn"] as const;

/** What is pinned already and sawn now is pinned once. */
const sameCuts = (a: Pinned, b: Pinned) => JSON.stringify(a.strips) === JSON.stringify(b.strips);

/**
 * What an act on a job does to the yard: boards sawn go and offcuts come, one struck out is spoiled, one with a bad stretch is another.
 */
export function yardActsOf(act: Act, job: Job, id: number): YardAct[] {
  const board = "at" in act ? job.stock[act.at] : undefined;
  const lot = board && board.form !== "pack" && !board.sawn ? board.lot : undefined;
  switch (act.do) {
    case "reserve":
    case "hold":
      return [{ do: "reserve", job: id, lots: act.lots }];
    case "sawn": {
      const out = new Map<number, number>();
      for (const { lot: n, available, resawn: into } of act.stock)
        if (n !== undefined) out.set(n, (out.get(n) ?? 0) + Math.ceil((available ?? 0) / (into ?? 1)));
      const lots = [...out].filter(([, count]) => count > 0).map(([n, count]) => ({ id: n, count }));
      return [
        ...(lots.length > 0 ? [{ do: "take out", why: "cut", lots, job: id } as const] : []),
        ...(act.kept.length > 0 ? [{ do: "put in", why: "kept", lots: act.kept, job: id } as const] : []),
      ];
    }
    case "strike out":
      return lot === undefined ? [] : [{ do: "take out", why: "spoiled", lots: [{ id: lot, count: 1 }], job: id }];
    case "bad stretches": {
      if (lot === undefined || !board || board.form === "pack") return [];
      const { form, material, thickness, width, length, rough } = board;
      const marked = { form, material, thickness, width, length, ...(rough ? { rough } : {}), ...(act.bad.length > 0 ? { bad: act.bad } : {}) }; // prettier-ignore
      return [{ do: "put right", id: lot, count: 1, lot: marked }];
    }
    default:
      return [];
  }
}

/** What lies in the yard costs nothing. */
const priced = <S extends { source: "yard" | "buy"; price: number }>(s: S): S =>
  s.source === "yard" ? { ...s, price: 0 } : s;

/** Pinned layouts name parts by line: those of a line that goes are let go, those of later lines follow it up. */
function withoutLine(pinned: Pinned[], at: number): Pinned[] {
  return pinned
    .filter((pin) => piecesOf(pin).every((p) => p.of.line !== at))
    .map((pin) => ({
      ...pin,
      strips: pin.strips.map((s) => ({
        ...s,
        sections: s.sections.map((x) => ({
          ...x,
          pieces: x.pieces.map((p) => (p.of.line > at ? { ...p, of: { ...p.of, line: p.of.line - 1 } } : p)),
        })),
      })),
    }));
}

function keepKnown(job: Job, { item, standard, options }: JobLine): JobLine["options"] {
  const names = new Set(recipeOf(item, standardOf(standard, job.standards), job)?.parameters.map((p) => p.name));
  return Object.fromEntries(Object.entries(options).filter(([k]) => names.has(k)));
}

/** A job's lines as many as were quoted, where they are the same items still; otherwise as they are. */
function quotedLines(job: Job, given: Given): JobLine[] {
  const isSame = given.lines.length === job.lines.length && job.lines.every((l, i) => shapeOfLine(l, job).title === given.lines[i]!.item); // prettier-ignore
  return isSame ? job.lines.map((l, i) => ({ ...l, quantity: given.lines[i]!.quantity })) : job.lines;
}

/** What an act is called in the list of things that can be undone. */
export function actText(act: Act, job: Job): string {
  const named = (item: string) => recipeOf(item, undefined, job)?.name.toLowerCase() ?? "line";
  const lineName = (at: number) => named(job.lines[at]?.item ?? "");
  switch (act.do) {
    case "option":
      return `${lineName(act.at)}: ${
        recipeOf(job.lines[act.at]?.item ?? "", standardOf(job.lines[act.at]?.standard ?? "", job.standards), job)
          ?.parameters.find((p) => p.name === act.name)
          ?.label.toLowerCase() ?? act.name
      }`;
    case "change line":
      return `${lineName(act.at)}: ${Object.keys(act.to).join(", ")}`;
    case "remove line":
      return `take out ${lineName(act.at)}`;
    case "add line":
      return `add ${named(act.line.item)}`;
    case "use design":
      return `use ${act.design.recipe.name}, mark ${markName(act.design.mark)}`;
    case "use standard":
      return `use ${act.standard.name}`;
    case "add lines":
      return `add ${act.lines.length} lines`;
    case "workshop":
      return settingsText(act.to);
    case "as the shop":
      return settingsText({ [act.name]: true });
    case "read":
      return "reading";
    case "quote":
      return "quote";
    case "ask for":
      return `${lineName(act.at)}: asked for one`;
    case "give quote":
      return "quote given";
    case "accept quote":
      return act.given === null ? "quote not accepted" : "quote accepted";
    case "reserve":
      return act.lots.length > 0 ? "boards kept for this job" : "boards let go";
    case "hold":
      return "sawing begun: layouts stay";
    case "spoil":
      return `${act.spoiled.pieces} more of ${lineName(act.spoiled.of.line)}, spoiled`;
    case "sawn":
      return `sawn, ${act.stock.reduce((n, s) => n + (s.available ?? 0), 0)} boards`;
    default:
      return act.do;
  }
}

/** Carries out an act in the job's shop. @throws JobFileError when the result would not be a job; the given job is never changed. */
export function carryOut(job: Job, act: Act, shop?: Workshop): Job {
  const next = apply(job, act, shop);
  const problems = jobProblems(next, job);
  if (problems.length > 0) throw new JobFileError(problems);
  return next;
}
