import type { FeatureRecipe } from "@/core/recipes/recipe";
import { type Length, type Units, nm } from "@/core/length/length";
import { lengthText } from "@/core/length/format";
import { FormulaError, toCount, toLength, toNumber } from "@/core/formula/formula";
import type { Scope } from "@/core/formula/scope";
import { type Axis, type Bite, extent, type Prism, type Range } from "@/core/solid/solid";

/** A cut into a part: what it takes away, and how a person says it. */
export interface Feature {
  kind: FeatureRecipe["kind"];
  name: string;
  bites: Bite[];
  /** The measures that say it, in order: `width`, `depth` … */
  measures: Record<string, Length>;
  face: "reference" | "far" | "through";
  machine: "dado" | "saw" | "drill" | "bench";
  /** The edge or end its places are measured from, and that goes against the fence or the stop. */
  from: string;
  /** The way a fold line runs. */
  fold?: "along" | "across";
  /** Where along the part it lies, when not all along an edge. */
  where?: string;
}

type Size = Record<Axis, number>;
const past = 1; // a nanometre past the face, so that nothing of zero thickness is left

const MOST_ROWS = 400;

/** A count of rows or holes. @throws FormulaError beyond what any part has. */
function countOf(formula: Parameters<Scope["evaluate"]>[0], scope: Scope, what: string): number {
  const n = toCount(scope.evaluate(formula).value, what);
  if (n > MOST_ROWS) throw new FormulaError(`${n} ${what}, at most ${MOST_ROWS}`);
  return n;
}

/** Works out a recipe's feature on a blank. One function a kind; each says which wood goes. */
export function shapeFeature(recipe: FeatureRecipe, scope: Scope, size: Size): Feature {
  const length = (f: Parameters<Scope["evaluate"]>[0]) => toLength(scope.evaluate(f).value, recipe.name);
  switch (recipe.kind) {
    case "rabbet": {
      const [across, deep] = [length(recipe.across), length(recipe.deep)];
      const onEnds = recipe.edge === "left" || recipe.edge === "right";
      const full = onEnds ? size.w : size.l;
      const from = recipe.from === undefined ? 0 : length(recipe.from);
      const to = recipe.to === undefined ? full : length(recipe.to);
      const edge: Range =
        recipe.edge === "top" || recipe.edge === "left"
          ? [0, across]
          : [(onEnds ? size.l : size.w) - across, onEnds ? size.l : size.w];
      const run: Range = [from, to];
      const t = intoFace(recipe.face, deep, size);
      return {
        kind: "rabbet",
        name: recipe.name,
        face: recipe.face,
        machine: "dado",
        from: END[recipe.edge],
        bites: [{ box: onEnds ? { l: edge, w: run, t } : { l: run, w: edge, t } }],
        measures: recipe.edge === "top" ? { wide: deep, deep: across } : { wide: across, deep },
        where: `${EDGE[recipe.edge]}${from > 0 ? ", stopped" : ""}`,
      };
    }
    case "groove": {
      const [at, width, deep] = [length(recipe.at), length(recipe.width), length(recipe.deep)];
      const lane: Range = [at, at + width];
      const t = intoFace(recipe.face, deep, size);
      return {
        kind: "groove",
        name: recipe.name,
        face: recipe.face,
        machine: "dado",
        from: recipe.run === "along" ? END.top : END.left,
        measures: { wide: width, deep },
        bites: [{ box: recipe.run === "along" ? { l: [0, size.l], w: lane, t } : { l: lane, w: [0, size.w], t } }],
      };
    }
    case "fingers": {
      const rows = countOf(recipe.rows, scope, "finger rows");
      const [row, first, long, key] = [
        length(recipe.row),
        length(recipe.first),
        length(recipe.long),
        length(recipe.key),
      ];
      const line = (i: number) => (i <= 0 ? 0 : i >= rows ? size.w : first + (i - 1) * row + key);
      const l: Range = recipe.end === "left" ? [0, long] : [size.l - long, size.l];
      const bites: Bite[] = [];
      const slant = recipe.slant === undefined ? 0 : length(recipe.slant);
      for (let i = recipe.keep === "odd" ? 1 : 0; i < rows; i += 2) {
        const row: Range = [line(i), line(i + 1)];
        bites.push(
          slant === 0
            ? { box: { l, w: row, t: [0, size.t] } }
            : { prism: dovetailGap(recipe.keep, recipe.end, l, row, slant, size, rows - 1 === i, i === 0) },
        );
      }
      return {
        kind: "fingers",
        name: recipe.name,
        face: "through",
        machine: "dado",
        from: END.top,
        bites,
        measures: { "top row": nm(first + key), row },
        where: `${recipe.end} end, ${rows} rows, keeps ${recipe.keep}`,
      };
    }
    case "notch": {
      const range = (r: [Parameters<typeof length>[0], Parameters<typeof length>[0]]): Range => [
        length(r[0]),
        length(r[1]),
      ];
      const box = { l: range(recipe.l), w: range(recipe.w), t: recipe.t ? range(recipe.t) : ([0, size.t] as Range) };
      const measures: Record<string, Length> = recipe.t
        ? { long: nm(box.l[1] - box.l[0]), deep: nm(box.t[1] - box.t[0]) }
        : { long: nm(box.l[1] - box.l[0]), wide: nm(box.w[1] - box.w[0]) };
      return {
        kind: "notch",
        name: recipe.name,
        face: recipe.t ? "far" : "through",
        machine: "dado",
        from: box.l[0] > size.l - box.l[1] ? END.right : END.left,
        bites: [{ box }],
        measures,
      };
    }
    case "bevel": {
      const [across, deep] = [length(recipe.across), length(recipe.deep)];
      const onEnds = recipe.edge === "left" || recipe.edge === "right";
      const near = recipe.edge === "left" || recipe.edge === "top";
      const width = onEnds ? size.l : size.w;
      const [edge, in_] = near ? [0, across] : [width, width - across];
      const [face, under] = recipe.face === "reference" ? [0, deep] : [size.t, size.t - deep];
      return {
        kind: "bevel",
        name: recipe.name,
        face: recipe.face,
        machine: "saw",
        from: END[recipe.edge],
        measures: { wide: across, deep },
        where: EDGE[recipe.edge],
        bites: [
          {
            prism: {
              axis: onEnds ? "w" : "l",
              range: [-past, (onEnds ? size.w : size.l) + past],
              polygon: [
                [edge, face],
                [in_, face],
                [edge, under],
              ],
            },
          },
        ],
      };
    }
    case "taper": {
      const [along, across] = [length(recipe.along), length(recipe.across)];
      const l = recipe.end === "left" ? 0 : size.l;
      const w = recipe.edge === "top" ? 0 : size.w;
      const polygon: [number, number][] = [
        [l, w],
        [l + (recipe.end === "left" ? along : -along), w],
        [l, w + (recipe.edge === "top" ? across : -across)],
      ];
      return {
        kind: "taper",
        name: recipe.name,
        face: "through",
        machine: "saw",
        from: END[recipe.end],
        measures: { along, across },
        where: `${recipe.end} end`,
        bites: [{ prism: { axis: "t", range: [-past, size.t + past], polygon } }],
      };
    }
    case "hole": {
      const [l, w, diameter] = [length(recipe.l), length(recipe.w), length(recipe.diameter)];
      const count = recipe.count === undefined ? 1 : countOf(recipe.count, scope, "holes");
      const step = recipe.step === undefined ? 0 : length(recipe.step);
      const ring = (at: number) =>
        Array.from({ length: 24 }, (_, i): [number, number] => [
          Math.round(at + (diameter / 2) * Math.cos((i * Math.PI) / 12)),
          Math.round(w + (diameter / 2) * Math.sin((i * Math.PI) / 12)),
        ]);
      return {
        kind: "hole",
        name: recipe.name,
        face: "through",
        machine: "drill",
        from: `${END.left} and ${END.top}`,
        measures: { diameter },
        bites: Array.from({ length: count }, (_, i) => ({
          prism: { axis: "t" as const, range: [-past, size.t + past] as Range, polygon: ring(l + i * step) },
        })),
        ...(count > 1 ? { where: `${count} of them` } : {}),
      };
    }
    case "fold":
      return {
        kind: "fold",
        name: recipe.name,
        face: "reference",
        machine: "bench",
        from: recipe.run === "along" ? END.top : END.left,
        bites: [],
        measures: { at: length(recipe.at) },
        fold: recipe.run,
      };
    case "handhold": {
      const [l, w, long, high, deep] = [
        length(recipe.l),
        length(recipe.w),
        length(recipe.long),
        length(recipe.high),
        length(recipe.deep),
      ];
      const rise = Math.round(deep * Math.tan((toNumber(scope.evaluate(recipe.slope).value, "slope") * Math.PI) / 180));
      // In the plane w, t: the roof falls toward the outside face so that rain runs out.
      return {
        kind: "handhold",
        name: recipe.name,
        face: "reference",
        machine: "dado",
        from: END.top,
        measures: { long, high, deep },
        where: "outside",
        bites: [
          {
            prism: {
              axis: "l",
              range: [Math.round(l - long / 2), Math.round(l + long / 2)],
              polygon: [
                [w, 0],
                [w + high, 0],
                [w + high, deep],
                [w - rise, deep],
              ],
            },
          },
        ],
      };
    }
  }
}

/**
 * What goes between two dovetails. Tails (odd rows, on the side) are widest at the end of the board, so the gap there
 * is narrowest; pins (even rows, on the end) slant through the thickness to match.
 */
function dovetailGap(
  keep: "odd" | "even",
  end: "left" | "right",
  l: Range,
  [top, bottom]: Range,
  slant: number,
  size: Size,
  last: boolean,
  first: boolean,
): Prism {
  const half = Math.round(slant / 2);
  // The tail's outer half-width is wider by `half` at the end of the side, which is the outside face of the end.
  const up = first ? 0 : half;
  const down = last ? 0 : half;
  if (keep === "odd") {
    const [tip, base] = end === "left" ? l : [l[1], l[0]];
    return {
      axis: "t",
      range: [-past, size.t + past],
      polygon: [
        [tip, top + up],
        [base, top - up],
        [base, bottom + down],
        [tip, bottom - down],
      ],
    };
  }
  return {
    axis: "l",
    range: l,
    polygon: [
      [top - up, 0],
      [bottom + down, 0],
      [bottom - down, size.t],
      [top + up, size.t],
    ],
  };
}

function intoFace(face: "reference" | "far", deep: number, size: Size): Range {
  return face === "reference" ? [0, deep] : [size.t - deep, size.t];
}

/** Edges and ends of a part as it is seen from its reference face. */
const END = { top: "top edge", bottom: "lower edge", left: "left end", right: "right end" };
const EDGE = { top: "top inner edge", bottom: "lower edge", left: "left end", right: "right end" };

/** `rest 3/8 × 5/8, top inner edge`: a feature as a cutting list says it. */
export function featureText(f: Feature, units: Units): string {
  const sizes = Object.entries(f.measures).map(([k, v]) =>
    k === "top row" || k === "row" || k === "diameter" ? `${k} ${lengthText(v, units)}` : lengthText(v, units),
  );
  return `${f.name} ${sizes.join(" × ")}${f.where ? `, ${f.where}` : ""}`;
}

/** Stretches along a part, from its left end, where no nail or staple may go: a dado runs behind them. */
export function noNailZones(features: Feature[]): [Length, Length][] {
  return features
    .filter((f) => f.kind === "groove" && f.name.startsWith("dado"))
    .flatMap((f) => f.bites.map((b): [Length, Length] => [nm(extent(b).l[0]), nm(extent(b).l[1])]));
}

/** Features said once where two are alike: `corner rabbet 3/4 × 3/8, both ends`. */
export function featureSummary(features: Feature[], units: Units): string[] {
  return alike(features).map((g) => g.text(units));
}

const MACHINE: Record<Feature["machine"], string> = {
  dado: "dado set",
  saw: "saw",
  drill: "drill",
  bench: "at the bench",
};
const FACE: Record<Feature["face"], string> = {
  reference: "into the reference face",
  far: "into the far face",
  through: "right through",
};

/** The same with how each is cut: on what machine, from which edge, into which face. */
export function featureCuts(features: Feature[], units: Units): { what: string; how: string }[] {
  return alike(features).map(({ text, all }) => {
    const from = [...new Set(all.map((f) => f.from))];
    return {
      what: text(units),
      how: `${MACHINE[all[0]!.machine]}, from the ${from.join(" or the ")}, ${FACE[all[0]!.face]}`,
    };
  });
}

function alike(features: Feature[]): { all: Feature[]; text(units: Units): string }[] {
  const groups = new Map<string, Feature[]>();
  for (const f of features) {
    const key = `${f.name} ${Object.values(f.measures).join(" ")}`;
    groups.set(key, [...(groups.get(key) ?? []), f]);
  }
  return [...groups.values()].map((all) => {
    const where = all.length === 2 ? "both ends" : `${all.length} places`;
    const said = all.length === 1 ? all[0]! : { ...all[0]!, where };
    return { all, text: (units) => featureText(said, units) };
  });
}
