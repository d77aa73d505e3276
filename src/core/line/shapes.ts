import { woodCalled } from "@/core/recipes/woods";
import { BOARDS, type Options, type Shape, ShapeError, shapeItem, isUnmakeable, WOOD } from "@/core/shape/shape";
import { type BodyMeasures, type FrameMeasures, checkMeasured, measureBody, measureFrame } from "@/core/shape/measure";
import { type MakersOwn, recipeOf } from "@/core/designs/design";
import { kinOf, recipeFor, RECIPES } from "@/core/recipes";
import { standardOf } from "@/core/standards/own";
import type { Standard } from "@/core/standards/standard";
import type { Length, Units } from "@/core/length/length";
import type { Recipe } from "@/core/recipes/recipe";
import type { JobLine } from "./line";

/** A line with its shape worked out. */
export interface WorkedLine {
  line: JobLine;
  at: number;
  shape: Shape;
  /** The line whose box it is made to, where that is not the standard's usual one. */
  follows?: { line: number; outside: boolean; boardThickness?: Length };
}

/** What is said once for all lines. */
interface Said {
  /** How the outside is kept. */
  finish?: string;
  /** What the boards measure. */
  thickness?: Length;
  /** What wood the boards are of, in the maker's words. */
  wood?: string;
}
export const SAID = ["finish", "thickness", "wood"] as const satisfies readonly (keyof Said)[];

/** What a line is worked out with besides itself: the maker's own designs and standards, and what is said once for all lines. */
export interface Own extends MakersOwn, Said {
  units: Units;
}

/** What is said for all lines, as far as it means something to a recipe; what a line itself chooses beats it. */
function saidForAll(recipe: Recipe, { finish, thickness, wood }: Own): Options {
  const known = wood === undefined ? undefined : woodCalled(wood);
  return {
    ...(finish !== undefined && recipe.parameters.some((p) => p.name === "finish") ? { finish } : {}),
    ...(thickness !== undefined ? { [BOARDS]: thickness } : {}),
    ...(known ? { [WOOD]: known.id } : {}),
  };
}

/** The line that stands at a place of the job; undefined where that cannot be made. */
export const lineAt = (lines: WorkedLine[], at: number): WorkedLine | undefined =>
  lines[at]?.at === at ? lines[at] : lines.find((l) => l.at === at);

const shapes = new WeakMap<JobLine, { own: Own; shape: Shape }>();
/** Shapes by what was asked, so that the same asked again (an undo, another line) is not worked out again. */
const asked = new Map<string, Shape>();
const ASKED_KEPT = 500;

/** The shape of a line; a line object, and what it asks, is worked out once. @throws ShapeError */
export function shapeOfLine(line: JobLine, own: Own): Shape {
  const known = shapes.get(line);
  if (known && SAID.every((of) => known.own[of] === own[of])) return known.shape;
  const { item, standard, size } = line;
  const found = standardOf(standard, own.standards);
  if (!found) throw new ShapeError("standard", `the standard "${standard}" is not here any more`);
  const design = own.designs.find((d) => d.recipe.id === item)?.recipe;
  const recipe = recipeOf(item, found, own);
  if (!recipe) throw new ShapeError("item", `the item "${item}" is not here any more`);
  const options = { ...saidForAll(recipe, own), ...line.options };
  const key = JSON.stringify([design ?? item, own.standards.includes(found) ? found : standard, size, options]);
  const shape = asked.get(key) ?? shapeItem(recipe, found, size, options, own.units);
  checkMeasured(shape);
  if (asked.size >= ASKED_KEPT) asked.clear();
  asked.set(key, shape);
  shapes.set(line, { own, shape });
  return shape;
}

const measured = {
  body: new WeakMap<Shape, BodyMeasures>(),
  frame: new WeakMap<Shape, FrameMeasures>(),
  hangs: new WeakMap<Shape, string>(),
};
function once<T>(known: WeakMap<Shape, T>, shape: Shape, work: (s: Shape) => T): T {
  const found = known.get(shape) ?? work(shape);
  known.set(shape, found);
  return found;
}
export const bodyOf = (shape: Shape): BodyMeasures => once(measured.body, shape, measureBody);
export const frameOf = (shape: Shape): FrameMeasures => once(measured.frame, shape, measureFrame);

/** An item of the line's standard with its usual options, for a line whose counterpart is not in the job. */
const usual = new WeakMap<Standard, Map<string, Shape>>();
function usualShape(item: string, like: Shape, options: JobLine["options"] = {}): Shape {
  const { standard, size } = like;
  const bySize = usual.get(standard) ?? new Map<string, Shape>();
  usual.set(standard, bySize);
  const key = `${item} ${size} ${JSON.stringify(options)}`;
  const found = bySize.get(key) ?? shapeItem(recipeFor(item, standard)!, standard, size, options);
  bySize.set(key, found);
  return found;
}

/** The item that hangs in a body of this recipe and standard. */
const hangs = (body: Shape): string => once(measured.hangs, body, readHangs);
function readHangs({ recipe, scope, standard }: Shape): string {
  const own = recipe.hangs;
  const word = own === undefined || typeof own === "string" ? own : own.is[wordOf(scope, own.by) ?? ""];
  const found = word === undefined ? undefined : recipeFor(word, standard);
  const made = found && (!found.standards || found.standards.includes(kinOf(standard)));
  return made ? word! : (standard.hangs ?? "frame");
}

/** What a choice says in a scope. */
const wordOf = (scope: Shape["scope"], name: string): string | undefined => {
  const value = scope.has(name) ? scope.working(name).value : undefined;
  return value?.kind === "word" ? value.of : undefined;
};

/** What body and frame must agree on when both have the choice: which two boxes are joined. */
function shared(shape: Shape): JobLine["options"] {
  const boxes = wordOf(shape.scope, "boxes");
  return boxes === undefined ? {} : { boxes };
}

/** The line one of what a box hangs is made by, where the job has none of its own. */
export const lineOfHung = (hung: Shape): JobLine => ({
  item: hung.recipe.id,
  standard: hung.standard.id,
  size: hung.size,
  quantity: 1,
  options: shared(hung),
});

/** Body and frame agree where both have that choice. */
const agree = (a: Shape, b: Shape) => {
  const [x, y] = [wordOf(a.scope, "boxes"), wordOf(b.scope, "boxes")];
  return x === undefined || y === undefined || x === y;
};

/** A line as it would be with its usual choices; designs of the maker's own have none to compare with. */
export function usualLine(of: WorkedLine): WorkedLine {
  const { line, shape } = of;
  if (!recipeFor(line.item, shape.standard) || Object.keys(line.options).length === 0) return of;
  try {
    return { ...of, line: { ...line, options: {} }, shape: usualShape(line.item, shape) };
  } catch (e) {
    if (isUnmakeable(e)) return of;
    throw e;
  }
}

/** The frame that hangs in a body: the job's own of that standard and size, otherwise the standard's. */
export function frameFor(body: WorkedLine, lines: WorkedLine[]): Shape {
  return framesFor(body, lines)[0]!;
}

/** The frames that hang in a body, each different one once. */
export function framesFor(body: WorkedLine, lines: WorkedLine[]): Shape[] {
  const byBox = framed.get(lines) ?? new Map<Shape, Shape[]>();
  framed.set(lines, byBox);
  const found = byBox.get(body.shape) ?? readFrames(body, lines);
  byBox.set(body.shape, found);
  return found;
}

const framed = new WeakMap<WorkedLine[], Map<Shape, Shape[]>>();

function readFrames(body: WorkedLine, lines: WorkedLine[]): Shape[] {
  const own = mates(body, lines, "frame").map((l) => l.shape);
  if (own.length > 0) return [...new Set(own)];
  const item = hangs(body.shape);
  const asks = recipeFor(item, body.shape.standard)!.parameters.some((p) => p.name === "boxes");
  return [usualShape(item, body.shape, asks ? shared(body.shape) : {})];
}

/** A job's lines by standard, size and kind: read once, since every line looks for its counterparts. */
const sorted = new WeakMap<WorkedLine[], Map<string, WorkedLine[]>>();
const sort = ({ standard, size }: JobLine, kind: string) => JSON.stringify([standard, size, kind]);
function sortsOf(lines: WorkedLine[]): Map<string, WorkedLine[]> {
  const known = sorted.get(lines);
  if (known) return known;
  const found = new Map<string, WorkedLine[]>();
  for (const l of lines) {
    const key = sort(l.line, l.shape.recipe.kind);
    const like = found.get(key);
    if (like) like.push(l);
    else found.set(key, [l]);
  }
  sorted.set(lines, found);
  return found;
}

/** Lines that meet this one in a hive: same standard and size, and one hangs in the other. */
export function mates(of: WorkedLine, lines: WorkedLine[], kind: "body" | "frame"): WorkedLine[] {
  return (sortsOf(lines).get(sort(of.line, kind)) ?? []).filter((l) => {
    const [body, frame] = kind === "body" ? [l, of] : [of, l];
    return hangs(body.shape) === itemOf(frame) && agree(body.shape, frame.shape);
  });
}

/** The bee-space school of a body: as chosen, otherwise the standard's. */
export function schoolOf(shape: Shape): Standard["beeSpace"] {
  const chosen = shape.scope.has("beeSpace") ? shape.scope.working("beeSpace").value : undefined;
  return chosen?.kind === "word" ? (chosen.of as Standard["beeSpace"]) : shape.standard.beeSpace;
}

/** A body the frame goes in, when the job has none: the first recipe of its standard that hangs it. */
export function bodyFor(frame: WorkedLine): Shape | undefined {
  const home = RECIPES.find(
    (r) =>
      r.kind === "body" &&
      (!r.standards || r.standards.includes(kinOf(frame.shape.standard))) &&
      (typeof r.hangs === "string" ? r.hangs : (frame.shape.standard.hangs ?? "frame")) === itemOf(frame) &&
      recipeFor(r.id, frame.shape.standard) === r,
  );
  try {
    return (
      home &&
      usualShape(home.id, frame.shape, home.parameters.some((p) => p.name === "boxes") ? shared(frame.shape) : {})
    );
  } catch (e) {
    if (isUnmakeable(e)) return undefined;
    throw e;
  }
}

/** What the rules know a line as: of a design of the maker's own, the item it was copied from. */
export const itemOf = ({ line, shape }: WorkedLine) => shape.recipe.basedOn ?? line.item;
