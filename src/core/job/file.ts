import { MOST_SPOILED, spoiledSchema } from "./spoiled";
import { type Options, ShapeError, isUnmakeable } from "@/core/shape/shape";
import { type JobLine, pieceIdSchema, pieceKey, readPieceKey } from "@/core/line/line";
import { CUT_FROM, type StockEntry } from "@/core/boards/stock";
import { distance } from "fastest-levenshtein";
import { z } from "zod";
import { type Level, MOST_HIVES, MOST_LEVELS, SEASONS, USUAL_BEGINNINGS } from "@/core/hive/hive";
import { type Design, designSchema, type MakersOwn, MOST_DESIGNS, recipeOf } from "@/core/designs/design";
import { upToDate } from "@/core/designs/older";
import { idProblem } from "@/core/designs/problems";
import { exactText } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";
import { LengthError, parseLength } from "@/core/length/parse";
import { RECIPES } from "@/core/recipes";
import type { Parameter, Recipe } from "@/core/recipes/recipe";
import { STANDARDS } from "@/core/standards";
import { quoteSchema } from "@/core/quote/quote";
import { standardOf, standardProblems } from "@/core/standards/own";
import { type Standard, standardSchema } from "@/core/standards/standard";
import { held, USUAL_WORKSHOP, type Workshop, workshopFields, type WorkshopSpelling } from "@/core/shop/shop";
import { FINISHES, type Job, LIMITS } from "./job";
import { MOST_READINGS, readingSchema } from "@/core/judge/reading";
import { problemsOf, show } from "@/core/problem/explain";
import { JobFileError, type Problem } from "@/core/problem/problem";
import type { LaidPiece } from "@/core/boards/laid";
import { SAID, shapeOfLine } from "@/core/line/shapes";

/** A design as a job carries it. */
const jobDesignSchema = designSchema.pick({ recipe: true, mark: true, why: true });

const one = (message: string, path = "") => new JobFileError([{ path, message }]);

/**
 * Reads a job file; what it leaves out is the shop it is opened in. @throws JobFileError naming each field, what was read and what
 * would be right.
 */
export function readJobFile(text: string, shop?: Workshop): Job {
  if (text.length > LIMITS.bytes)
    throw one(`read ${(text.length / 1e6).toFixed(1)} MB; a job file is at most ${LIMITS.bytes / 1024 / 1024} MB`);
  let raw: unknown;
  try {
    raw = JSON.parse(text, (key, value: unknown) => {
      if (key === "__proto__" || key === "constructor" || key === "prototype")
        throw one(`read the key "${key}", which a job file does not have`);
      return value;
    });
  } catch (e) {
    if (e instanceof JobFileError) throw e;
    throw one(`not JSON: ${(e as Error).message}`);
  }
  return readJob(raw, shop);
}

/** A job that came as a file and says its stock says all of it: the yard and the catalogue of the shop it is opened in add nothing. */
export const asItCame = (job: Job): Job => (job.stock.length > 0 ? { ...job, alone: true } : job);

/** Checks a parsed job file and makes the job of it. @throws JobFileError */
export function readJob(given: unknown, shop?: Workshop): Job {
  const raw = withDesignsUpToDate(given);
  const units = raw && typeof raw === "object" && !Array.isArray(raw) ? (raw as { units?: unknown }).units : undefined;
  if (raw && typeof raw === "object" && !Array.isArray(raw) && units !== "in" && units !== "mm")
    throw one(`read ${show(units)}, wanted "in" or "mm"`, "units");
  const own = { standards: ownStandards(raw), designs: ownDesigns(raw) };
  const result = jobFileSchema(units as Units, own, shop).safeParse(raw, { reportInput: true });
  if (!result.success) throw new JobFileError(problemsOf(result.error));
  const { format: _format, version: _version, ...job } = result.data;
  return job;
}

function isLength(job: Job, line: Pick<JobLine, "item" | "standard">, name: string): boolean {
  return (
    recipeOf(line.item, standardOf(line.standard, job.standards), job)?.parameters.find((p) => p.name === name)
      ?.kind === "length"
  );
}

/** The job as a file that reads back the same. */
export function writeJob(job: Job): z.input<ReturnType<typeof jobFileSchema>> {
  const length = (l: Length) => exactText(l, job.units);
  const clock = (m: number) => `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
  const { kerf, endTrim, edgeTrim, sheetTrim, minHold, keepOffcut, panelLoss, hours, staff, bands, ...rest } =
    job.workshop;
  const clocks = (of: [number, number][]) => of.map(([a, b]): [string, string] => [clock(a), clock(b)]);
  const box = (b: { x: Length; y: Length; length: Length; width: Length }) => ({
    x: length(b.x),
    y: length(b.y),
    length: length(b.length),
    width: length(b.width),
  });
  const options = (l: Omit<JobLine, "quantity">) =>
    Object.fromEntries(
      Object.entries(l.options).map(([k, v]) => [
        k,
        typeof v === "number" && isLength(job, l, k) ? length(v as Length) : v,
      ]),
    );
  const writeLevel = (l: Level) => {
    const seasons = l.seasons ? { seasons: l.seasons } : {};
    if (!("measured" in l)) return { ...l, options: options(l) };
    const { name, ...sizes } = l.measured;
    const texts = Object.fromEntries(Object.entries(sizes).map(([k, v]) => [k, length(v)])) as Record<
      keyof typeof sizes,
      string
    >;
    return { measured: { name, ...texts }, ...seasons };
  };
  return {
    format: "rundik-job",
    version: 1,
    name: job.name,
    units: job.units,
    ...(job.start ? { start: job.start } : {}),
    ...(job.due ? { due: job.due } : {}),
    ...(job.customer ? { customer: job.customer } : {}),
    ...(job.wood ? { wood: job.wood } : {}),
    ...(job.finish ? { finish: job.finish } : {}),
    ...(job.thickness !== undefined ? { thickness: length(job.thickness) } : {}),
    ...(job.standards.length > 0 ? { standards: job.standards } : {}),
    ...(job.designs.length > 0 ? { designs: job.designs } : {}),
    lines: job.lines.map((l) => ({ ...l, options: options(l) })),
    // Numbers of a yard or a catalogue mean nothing elsewhere.
    stock: job.stock.map(({ lot: _lot, offer: _offer, ...s }) =>
      s.form !== "pack"
        ? {
            ...s,
            thickness: length(s.thickness),
            width: length(s.width),
            length: length(s.length),
            ...(s.bad ? { bad: s.bad.map(([a, b]): [string, string] => [length(a), length(b)]) } : {}),
          }
        : s,
    ),
    ...(job.pinned.length > 0
      ? {
          pinned: job.pinned.map((p) => ({
            ...p,
            strips: p.strips.map((t) => ({
              order: t.order,
              ...box(t),
              sections: t.sections.map((x) => ({
                size: length(x.size),
                pieces: x.pieces.map((piece) => ({ part: pieceKey(piece.of), ...box(piece) })),
              })),
            })),
          })),
        }
      : {}),
    ...(job.hives.length > 0 ? { hives: job.hives.map((h) => ({ ...h, levels: h.levels.map(writeLevel) })) } : {}),
    ...(job.readings.length > 0
      ? { readings: job.readings.map((r) => ({ ...r, target: length(r.target), value: length(r.value) })) }
      : {}),
    ...(job.spoiled && job.spoiled.length > 0 ? { spoiled: job.spoiled } : {}),
    ...(job.quote ? { quote: job.quote } : {}),
    workshop: {
      kerf: length(kerf),
      endTrim: length(endTrim),
      edgeTrim: length(edgeTrim),
      sheetTrim: length(sheetTrim),
      minHold: length(minHold),
      keepOffcut: length(keepOffcut),
      panelLoss: length(panelLoss),
      ...rest,
      staff: staff.map((p) => ({ ...p, ...(p.hours ? { hours: clocks(p.hours) } : {}) })) as never,
      bands: { glues: length(bands.glues), open: [length(bands.open[0]), length(bands.open[1])], bridges: length(bands.bridges) }, // prettier-ignore
      hours: clocks(hours),
    },
  };
}

type Read<T> = { value: T } | { problem: string };
type Plain = string | number | boolean;

/** How a job spells its values: as a file writes them, or as the program holds them. The rest of it is one and the same. */
interface Spelling extends WorkshopSpelling {
  header: typeof HEADER;
  /** What a file that does not say it leaves to the shop. */
  shop: Workshop;
  option(recipe: Recipe, key: string, value: Plain): Read<Options[string]>;
  /** Whether a laid piece says what it is of as a text. */
  keys: boolean;
}

const HEADER = { format: z.literal("rundik-job"), version: z.literal(1) };

const inFile = (units: Units, shop: Workshop): Spelling => ({
  units,
  shop,
  header: HEADER,
  length: z
    .union([z.number(), z.string()], { error: (i) => `read ${show(i.input)}, wanted a length` })
    .transform((v, ctx): Length => {
      try {
        return parseLength(v, units);
      } catch (e) {
        if (!(e instanceof LengthError)) throw e;
        ctx.addIssue({ code: "custom", message: e.message, input: v });
        return z.NEVER;
      }
    }),
  minute: z
    .string()
    .regex(/^([01]\d|2[0-3]):[0-5]\d$/, { error: (i) => `read ${show(i.input)}, wanted a time like "08:00"` })
    .transform((s) => Number(s.slice(0, 2)) * 60 + Number(s.slice(3))),
  option: (recipe, key, value) => readOption(recipe, key, value, (v) => lengthIn(v, units)),
  keys: true,
});

const inHand = (units: Units): Spelling => ({
  ...held(units),
  shop: USUAL_WORKSHOP,
  // What is held needs no header.
  header: { format: HEADER.format.optional(), version: HEADER.version.optional() } as unknown as typeof HEADER,
  option: (recipe, key, value) =>
    readOption(recipe, key, value, (v) =>
      typeof v === "number" ? { value: v as Length } : { problem: `read ${show(v)}, wanted a length` },
    ),
  keys: false,
});

/** The job file's schema for one of the two unit systems; its input side is what `docs/schema` publishes. */
export const jobFileSchema = (units: Units, own: MakersOwn = NOTHING_OWN, shop: Workshop = USUAL_WORKSHOP) =>
  keptSchema(shop === USUAL_WORKSHOP ? `file ${units}` : undefined, () => inFile(units, shop), own);

const NOTHING_OWN: MakersOwn = { standards: [], designs: [] };

/** Schemas of usual jobs, in which nothing is the maker's own: making one takes longer than reading by it. */
const usualSchemas = new Map<string, ReturnType<typeof jobSchema>>();
function keptSchema(key: string | undefined, spelling: () => Spelling, own: MakersOwn) {
  if (key === undefined || own.standards.length + own.designs.length > 0) return jobSchema(spelling(), own);
  const found = usualSchemas.get(key) ?? jobSchema(spelling(), NOTHING_OWN);
  usualSchemas.set(key, found);
  return found;
}

/**
 * What keeps a job from being one, at the fields a file of it has; nothing when all holds. Lines that stand as they are in a job
 * which is `known` to hold are not read again, as long as what they are read with is the same.
 */
export function jobProblems(job: Job, known?: Job): Problem[] {
  const alike = known && READ_WITH.every((of) => known[of] === job[of]) && job.lines.length <= LIMITS.lines;
  const unchanged = new Set(alike ? known.lines : []);
  const fresh = job.lines.flatMap((line, at) => (unchanged.has(line) ? [] : [{ line, at }]));
  const read = keptSchema(`hand ${job.units}`, () => inHand(job.units), job).safeParse(
    { ...job, lines: fresh.map((f) => f.line) },
    { reportInput: true },
  );
  if (read.success) return [];
  return problemsOf(read.error).map((p) => ({
    ...p,
    path: p.path.replace(/^lines\[(\d+)\]/, (_, n: string) => `lines[${fresh[Number(n)]!.at}]`),
  }));
}

/** What of a job its lines are read with. */
const READ_WITH = ["units", "standards", "designs", ...SAID] as const;

/** A job, all of it, however its values are spelled. */
function jobSchema(as: Spelling, own: MakersOwn) {
  const { length, units } = as;
  const positive = length.refine((l) => l > 0, { error: "must be more than nothing" });
  const date = z.iso.date({ error: (i) => `read ${show(i.input)}, wanted a date like "2027-03-12"` });
  const money = z.number().min(0).max(1e7);
  const name = (max: number) => z.string().trim().min(1).max(max);

  const itemFields = {
    item: known(
      "item",
      [...RECIPES, ...own.designs.map((d) => d.recipe)].map((r) => r.id),
    ),
    standard: known(
      "standard",
      [...STANDARDS, ...own.standards].map((s) => s.id),
    ),
    size: z.string().optional(),
    options: z.record(z.string(), z.union([z.string(), z.number(), z.boolean()])).default({}),
  };
  /** An item with its size and options read against its recipe, and worked out once. */
  const readItem = (
    l: { item: string; standard: string; size?: string; options: Record<string, string | number | boolean> },
    ctx: z.RefinementCtx,
  ): Omit<JobLine, "quantity"> => {
    const standard = standardOf(l.standard, own.standards)!;
    const recipe = recipeOf(l.item, standard, own)!;
    const size = l.size ?? standard.defaultSize;
    const fail = (path: string[], message: string) => {
      ctx.addIssue({ code: "custom", path, message, input: l });
      return z.NEVER;
    };
    if (!Object.hasOwn(standard.sizes, size))
      return fail(["size"], `read ${show(size)}; ${standard.short} has ${Object.keys(standard.sizes).join(", ")}`);
    const options: Options = {};
    for (const [key, value] of Object.entries(l.options)) {
      const read = as.option(recipe, key, value);
      if ("problem" in read) fail(["options", key], read.problem);
      else options[key] = read.value;
    }
    const read = { item: l.item, standard: l.standard, size, options };
    try {
      shapeOfLine({ ...read, quantity: 1 }, { ...own, units });
    } catch (e) {
      if (!isUnmakeable(e)) throw e;
      const field = e instanceof ShapeError ? e.field : "";
      return fail(
        Object.hasOwn(l.options, field) ? ["options", field] : field === "standard" ? ["standard"] : [],
        e.message,
      );
    }
    return read;
  };
  const quantity = z.number().int().min(1).max(LIMITS.quantity);
  const line = strict({ ...itemFields, quantity }).transform((l, ctx): JobLine => ({
    ...readItem(l, ctx),
    quantity: l.quantity,
  }));

  const seasons = z.array(z.enum(SEASONS)).max(4).optional();
  const measured = strict({
    name: name(LIMITS.name),
    outsideLength: positive,
    outsideWidth: positive,
    insideLength: positive,
    insideWidth: positive,
    depth: positive,
    over: length,
    under: length,
  });
  const level = z.union([
    strict({ ...itemFields, seasons }).transform((l, ctx): Level => ({
      ...readItem(l, ctx),
      ...(l.seasons ? { seasons: l.seasons } : {}),
    })),
    strict({ measured, seasons }),
  ]);
  const dayOfYear = z
    .string()
    .regex(/^(0[1-9]|1[0-2])-(0[1-9]|[12]\d|3[01])$/, {
      error: (i) => `read ${show(i.input)}, wanted month and day like "03-01"`,
    });
  const hive = strict({
    name: name(LIMITS.name),
    count: quantity,
    levels: z.array(level).max(MOST_LEVELS),
    begins: strict({ spring: dayOfYear, summer: dayOfYear, autumn: dayOfYear, winter: dayOfYear }).default(
      USUAL_BEGINNINGS,
    ),
  });

  const standard = standardSchema.superRefine((s, ctx) => {
    for (const p of standardProblems(s))
      ctx.addIssue({ code: "custom", path: p.field.split("."), message: p.message, input: s });
  });

  const design = jobDesignSchema.superRefine((d, ctx) => {
    const problem = idProblem(d.recipe);
    if (problem) ctx.addIssue({ code: "custom", path: ["recipe", "id"], message: problem, input: d });
  });

  const source = z.enum(["yard", "buy"]).default("buy");
  const number = z.number().int().min(1).optional();
  // Only what is held knows them: in a file they would mean another shop's.
  const numbers = (as.keys ? {} : { lot: number, offer: number }) as { lot: typeof number; offer: typeof number };
  const sawn = z.literal(true).optional();
  const alone = z.literal(true).optional();
  const available = z.number().int().min(0).nullable().default(null);
  const stock = z
    .discriminatedUnion("form", [
      strict({
        form: z.enum(CUT_FROM),
        material: name(60),
        thickness: positive,
        width: positive,
        length: positive,
        price: money
          .optional()
          .meta({ description: "1 when not given; 0 on a bought board is no price yet, and it counts by its size" }),
        available,
        source,
        /** Rough sawn: every board its own, wanting a straight edge first. */
        rough: z.literal(true).optional(),
        resawn: z.number().int().min(2).max(4).optional(),
        bad: z
          .array(z.tuple([length, length]))
          .min(1)
          .max(50)
          .optional(),
        struck: z.number().int().min(1).optional(),
        sawn,
        ...numbers,
      }),
      strict({
        form: z.literal("pack"),
        material: name(60),
        pack: z.number().positive(),
        price: money.optional(),
        available,
        source,
        ...numbers,
      }),
    ])
    .superRefine((s, ctx) => {
      if (s.form === "pack") return;
      const say = (path: PropertyKey[], message: string) => ctx.addIssue({ code: "custom", path, message, input: s });
      if (!s.bad) return;
      if (s.available !== 1) say(["bad"], "bad stretches are one board's: give it available 1");
      s.bad.forEach(([a, b], i) => {
        if (a >= b || b > s.length) say(["bad", i], "a bad stretch runs from its start to its end, within the board");
      });
    })
    .transform((s): StockEntry => ({ ...s, price: s.source === "yard" ? 0 : (s.price ?? 1) }));

  const workshop = strict(workshopFields(as))
    .partial()
    .transform((w): Workshop => ({
      ...as.shop,
      ...Object.fromEntries(Object.entries(w).filter(([, v]) => v !== undefined)),
    }));

  const box = { x: length, y: length, length: positive, width: positive };
  const part = z.string().max(120);
  const piece = as.keys
    ? strict({ part, ...box }).transform(({ part: key, ...b }): LaidPiece => ({ of: readPieceKey(key), ...b }))
    : strict({ of: pieceIdSchema, ...box }).transform((p): LaidPiece => p as LaidPiece);
  const pinned = strict({
    stock: z.number().int().min(0),
    repeat: z.number().int().min(1).max(LIMITS.quantity),
    strips: z
      .array(
        strict({
          order: z.enum(["rip", "crosscut"]),
          ...box,
          sections: z.array(strict({ size: positive, pieces: z.array(piece).min(1).max(500) })).max(500),
        }),
      )
      .max(500),
  });

  return strict({
    ...as.header,
    name: name(LIMITS.name),
    units: z.enum(["in", "mm"]),
    start: date.optional(),
    due: date.optional(),
    customer: name(LIMITS.name).optional(),
    wood: name(LIMITS.wood).optional(),
    ...((as.keys ? {} : { alone, unnamed: alone }) as { alone: typeof alone; unnamed: typeof alone }),
    finish: z.enum(FINISHES).optional(),
    thickness: positive.optional(),
    lines: z.array(line).max(LIMITS.lines),
    stock: z.array(stock).max(LIMITS.stock).default([]),
    standards: z.array(standard).max(LIMITS.standards).default([]),
    designs: z.array(design).max(MOST_DESIGNS).default([]),
    pinned: z.array(pinned).max(LIMITS.stock).default([]),
    hives: z.array(hive).max(MOST_HIVES).default([]),
    readings: z
      .array(strict({ ...readingSchema.unwrap().shape, target: length, value: length }))
      .max(MOST_READINGS)
      .default([]),
    spoiled: z.array(spoiledSchema).max(MOST_SPOILED).optional(),
    quote: quoteSchema.optional(),
    workshop: workshop.default(as.shop),
  })
    .superRefine((j, ctx) => {
      if (j.thickness === undefined) return;
      const all = { ...own, units, finish: j.finish, thickness: j.thickness, wood: j.wood };
      for (const [i, l] of j.lines.entries()) {
        const problem = problemOf(() => shapeOfLine(l, all));
        if (problem === undefined) continue;
        const message = `line ${i + 1}, ${l.item}, cannot be made of such boards (${problem}); give it a thickness of its own`;
        return ctx.addIssue({ code: "custom", path: ["thickness"], message, input: j.thickness });
      }
    })
    .superRefine((j, ctx) => {
      j.pinned.forEach((p, i) => {
        const s = j.stock[p.stock];
        if (!s || s.form === "pack")
          ctx.addIssue({
            code: "custom",
            path: ["pinned", i, "stock"],
            message: `read ${p.stock}, which is no board of this file's stock`,
            input: p,
          });
      });
    })
    .refine((j) => !j.start || !j.due || j.due >= j.start, {
      path: ["due"],
      error: (i) => `read ${show((i.input as { due?: string }).due)}, which is before the start`,
    });
}

/** What keeps an item from being made; nothing when it can be. */
function problemOf(make: () => unknown): string | undefined {
  try {
    make();
    return undefined;
  } catch (e) {
    if (isUnmakeable(e)) return e.message;
    throw e;
  }
}

/** Designs in a file of some years ago as they are written now. */
function withDesignsUpToDate(raw: unknown): unknown {
  const list = (raw as { designs?: unknown } | null)?.designs;
  if (!Array.isArray(list)) return raw;
  const recipe = (d: unknown) =>
    d && typeof d === "object" && "recipe" in d ? { ...d, recipe: upToDate(d.recipe) } : d;
  return { ...(raw as object), designs: list.map(recipe) };
}

/** The file's own designs that can be read; the others are refused where they stand. */
function ownDesigns(raw: unknown): Design[] {
  const list = (raw as { designs?: unknown } | null)?.designs;
  if (!Array.isArray(list) || list.length > MOST_DESIGNS) return [];
  return list.flatMap((d) => {
    const read = jobDesignSchema.safeParse(d);
    return read.success && !idProblem(read.data.recipe) ? [read.data] : [];
  });
}

/** The file's own standards that hold together; those that do not are refused where they stand. */
function ownStandards(raw: unknown): Standard[] {
  const list = (raw as { standards?: unknown } | null)?.standards;
  if (!Array.isArray(list) || list.length > LIMITS.standards) return [];
  return list.flatMap((s) => {
    const read = standardSchema.safeParse(s);
    return read.success && standardProblems(read.data).length === 0 ? [read.data] : [];
  });
}

function lengthIn(value: Plain, units: Units): Read<Length> {
  try {
    return { value: parseLength(value, units) };
  } catch (e) {
    if (!(e instanceof LengthError)) throw e;
    return { problem: e.message };
  }
}

/** Reads one option against its recipe. */
export function readOption(
  recipe: Recipe,
  key: string,
  value: Plain,
  length: (value: Plain) => Read<Length>,
): Read<Options[string]> {
  const parameter = recipe.parameters.find((p) => p.name === key);
  if (!parameter)
    return {
      problem: `${recipe.id} has no option "${key}"${nearest(
        key,
        recipe.parameters.map((p) => p.name),
      )}`,
    };
  return parameter.kind === "length" ? length(value) : OPTION_KINDS[parameter.kind](parameter, value);
}

/** A number as a person writes one: what takes a power of ten to write is no count or measure of anything here. */
const isPlain = (value: Plain): value is number =>
  typeof value === "number" && Math.abs(value) < 1e9 && !String(value).includes("e");

const OPTION_KINDS: Record<
  Exclude<Parameter["kind"], "length">,
  (p: Parameter, value: Plain) => Read<Options[string]>
> = {
  choice: (p, value) => {
    const ids = p.kind === "choice" ? p.choices.map((c) => c.id) : [];
    return typeof value === "string" && ids.includes(value)
      ? { value }
      : { problem: `read ${show(value)}; known are ${ids.join(", ")}` };
  },
  count: (p, value) =>
    isPlain(value) && Number.isInteger(value)
      ? { value }
      : { problem: `read ${show(value)}, wanted a whole number of ${p.label.toLowerCase()}` },
  number: (_p, value) =>
    isPlain(value)
      ? { value }
      : {
          problem: `read ${show(value)}, wanted a number${typeof value === "number" ? " written out, below 1000000000" : ""}`,
        },
  flag: (_p, value) =>
    typeof value === "boolean" ? { value } : { problem: `read ${show(value)}, wanted true or false` },
};

function strict<T extends z.ZodRawShape>(shape: T) {
  return z.strictObject(shape, {
    error: (issue) => {
      if (issue.code !== "unrecognized_keys") return undefined;
      const [key] = (issue as unknown as { keys: string[] }).keys;
      return `"${key}" is not known here${nearest(key!, Object.keys(shape))}`;
    },
  });
}

function known(what: string, ids: string[]) {
  return z
    .string()
    .refine((id) => ids.includes(id), {
      error: (i) => `read ${show(i.input)}, which is no ${what}${nearest(String(i.input), ids)}`,
    });
}

/** `; the nearest is "frame"`, when any known word is near enough to have been meant; otherwise nothing. */
function nearest(read: string, known: string[]): string {
  const best = known
    .map((k) => ({ k, d: distance(read.slice(0, 60).toLowerCase(), k.toLowerCase()) }))
    .sort((a, b) => a.d - b.d)[0];
  return best && best.d <= Math.max(2, best.k.length / 2)
    ? `; the nearest is "${best.k}"`
    : `; known are ${known.slice(0, 8).join(", ")}`;
}
