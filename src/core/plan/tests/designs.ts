import type { FeatureRecipe } from "@/core/feature/feature";
import { readDesign } from "@/core/designs/problems";
import type { Recipe, StepRecipe } from "@/core/recipes/recipe";
import { findStandard } from "@/core/standards";
import { opsOf, wrongIn } from "./contract";
import { chance } from "./hunt";
import { paperDiffers } from "./paper";

type PartRecipe = Recipe["parts"][number];

/** A maker's design of any parts, cuts and steps; one with a fault is not given back, as the editor would not keep it. */
export function anyDesign(random: () => number): Recipe | undefined {
  const upTo = (n: number) => 1 + Math.floor(random() * n);
  const oneOf = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!;
  const between = (a: number, b: number) => Math.round((a + random() * (b - a)) * 10) / 10;
  const mm = (n: number) => `${n.toFixed(1)}*mm`;

  /** A cut that lies on a part of these sizes, mm. */
  const cut = (l: number, w: number, t: number): FeatureRecipe => {
    const face = oneOf(["reference", "far"] as const);
    const deep = mm(between(t * 0.1, t * 0.9));
    const kind = oneOf(["rabbet", "groove", "hole", "bevel", "taper", "notch", "handhold", "fingers"] as const);
    const name = kind;
    switch (kind) {
      case "rabbet": {
        const edge = oneOf(["left", "right", "top", "bottom"] as const);
        const [across, run] = edge === "left" || edge === "right" ? [l, w] : [w, l];
        const stopped = random() < 0.3 ? { from: mm(between(run * 0.1, run * 0.3)) } : {};
        const ends = random() < 0.3 ? { to: mm(between(run * 0.6, run * 0.9)) } : {};
        return { name, kind, edge, face, across: mm(between(across * 0.1, across * 0.4)), deep, ...stopped, ...ends };
      }
      case "groove": {
        const run = oneOf(["along", "across"] as const);
        const most = run === "along" ? w : l;
        return { name, kind, run, face, at: mm(between(0, most * 0.6)), width: mm(between(1, most * 0.3)), deep };
      }
      case "hole": {
        const row = random() < 0.5 ? { count: String(upTo(4)), step: mm(l * 0.15) } : {};
        return { name, kind, l: mm(between(l * 0.1, l * 0.4)), w: mm(between(w * 0.2, w * 0.8)), diameter: mm(between(2, Math.min(l, w) * 0.2)), ...row }; // prettier-ignore
      }
      case "bevel": {
        const edge = oneOf(["left", "right", "top", "bottom"] as const);
        const most = edge === "left" || edge === "right" ? l : w;
        return { name, kind, edge, face, across: mm(between(1, most * 0.3)), deep: random() < 0.5 ? mm(t) : deep };
      }
      case "taper":
        return { name, kind, end: oneOf(["left", "right"] as const), edge: oneOf(["top", "bottom"] as const), along: mm(between(l * 0.1, l * 0.9)), across: mm(between(w * 0.1, w * 0.5)) }; // prettier-ignore
      case "notch": {
        const span = (n: number): [string, string] => oneOf([
            ["0*mm", mm(between(n * 0.1, n * 0.5))],
            [mm(between(n * 0.5, n * 0.9)), mm(n)],
            [mm(between(n * 0.1, n * 0.4)), mm(between(n * 0.5, n * 0.9))],
          ]); // prettier-ignore
        const into = oneOf([undefined, ["0*mm", deep], [mm(t * 0.4), mm(t)]] as const);
        return { name, kind, l: span(l), w: span(w), ...(into ? { t: [...into] } : {}) };
      }
      case "handhold":
        return { name, kind, l: mm(l / 2), w: mm(between(w * 0.3, w * 0.5)), long: mm(l * 0.3), high: mm(w * 0.2), deep: mm(t * 0.4), slope: oneOf(["0", "15"]) }; // prettier-ignore
      case "fingers": {
        const rows = 2 + upTo(6);
        return { name, kind, end: oneOf(["left", "right"] as const), rows: String(rows), row: mm(w / rows), first: mm(w / rows), long: mm(between(t * 0.5, t * 1.5)), keep: oneOf(["odd", "even"] as const), key: "0*mm" }; // prettier-ignore
      }
    }
  };

  const parts = Array.from({ length: upTo(4) }, (_, i): PartRecipe => {
    const [l, w, t] = [between(80, 700), between(40, 300), between(6, 38)];
    return {
      id: `part-${i}`,
      name: `Part ${i}`,
      role: oneOf(["part", "side", "end", "rail", "cleat", "panel"] as const),
      length: mm(l),
      width: mm(w),
      thickness: mm(t),
      ...(random() < 0.2 ? { material: "ply" as const } : {}),
      features: Array.from({ length: Math.floor(random() * 5) }, () => cut(l, w, t)),
      places: [{ at: ["0*mm", "0*mm", `${500 * i}*mm`], l: "+x", w: "-y", t: "-z", times: String(upTo(3)), step: ["0*mm", "0*mm", "60*mm"] }], // prettier-ignore
    };
  });
  const step = (id: string, of: Partial<StepRecipe>): StepRecipe => ({
    id,
    name: id,
    text: `${id}.`,
    station: oneOf(["bench", "clamps", "press"] as const) as StepRecipe["station"],
    setup: between(0, 20),
    each: between(0, 9),
    ...(random() < 0.3 ? { wait: 30 } : {}),
    ...(random() < 0.3 ? { lot: upTo(5) } : {}),
    mark: "mem",
    ...of,
  });
  const ids = parts.map((p) => p.id);
  const at = upTo(ids.length);
  const use = { what: "pin", count: String(upTo(9)), unit: "each" as const, spare: 0.05, mark: "mem" as const };
  const assembly = [
    step("first", { joins: ids.slice(0, at), uses: [use] }),
    ...(at < ids.length ? [step("second", { joins: ids.slice(at), people: upTo(2) })] : []),
    ...(random() < 0.5 ? [step("finish", {})] : []),
  ];
  const recipe: Recipe = {
    id: "any-design",
    name: "Any design",
    family: "own",
    kind: "other",
    about: "",
    needs: [],
    parameters: [],
    values: [],
    parts,
    assembly: parts.length > 1 ? assembly : assembly.filter((s) => !s.joins),
    demands: [],
  };
  return readDesign(recipe, findStandard("langstroth-10")!, "deep").problems.length === 0 ? recipe : undefined;
}

/** Whatever the contract or the paper of so many designs gets wrong, with the design behind it. */
export function wrongDesigns(designs: number): string[] {
  const random = chance(20261126);
  const wrong: string[] = [];
  for (let kept = 0; kept < designs;) {
    const recipe = anyDesign(random);
    if (!recipe) continue;
    kept++;
    const more = { designs: [{ recipe, mark: 1, why: "" }] };
    const line = { item: recipe.id, standard: "langstroth-10", size: "deep", quantity: 2, options: {} };
    const { worked, layout } = opsOf([line], more);
    const said = [...wrongIn([line], more), ...paperDiffers(worked, layout).slice(0, 1)];
    if (said.length > 0) wrong.push(...said, JSON.stringify(recipe.parts));
  }
  return wrong;
}
