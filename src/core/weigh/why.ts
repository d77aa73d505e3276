import type { Working } from "@/core/formula/scope";
import type { Warmth } from "@/core/hive/warmth";
import { combLitres, emptyWeight, type Weights } from "@/core/hive/weigh";
import { lengthText } from "@/core/length/format";
import { type Length, NM_PER_INCH, NM_PER_MM, type Units } from "@/core/length/length";
import type { Standing } from "@/core/line/standing";
import type { Shape } from "@/core/shape/shape";
import type { Assume } from "./file";
import { LOAD_CONSTANT, limitForTwo } from "./lifting";
import type { Lifted } from "./lifts";
import { type Costs, type Making, TOGETHER } from "./making";
import { type Climb, FLOORS } from "./using";

/** All that a row's figures come about from. Areas in nm². */
interface Facts {
  units: Units;
  assume: Assume;
  frame: Shape | undefined;
  opening: { length: Length; height: Length; free: boolean } | undefined;
  /** Frames by themselves. */
  loose: boolean;
  boxes: Standing[];
  weights: Weights;
  lift: Lifted | null;
  steps: Climb[];
  stands: Standing["outside"] | undefined;
  warm: Warmth | undefined;
  making: Making | null;
  costs: Costs | null;
  combs: number;
  deep: number;
  contact: Working | undefined;
}

const POUND = 0.45359237;
const area = (nm2: number, units: Units) => (units === "in" ? `${(nm2 / 25.4e6 ** 2).toFixed(1)} in²` : `${(nm2 / 1e14).toFixed(0)} cm²`); // prettier-ignore
const weight = (kg: number, units: Units) => (units === "in" ? `${(kg / POUND).toFixed(1)} lb` : `${kg.toFixed(2)} kg`);

/** How each figure of a row comes about, in lines, by the figure's name; what does not apply says nothing. */
export function whyOf(f: Facts): Record<string, string[]> {
  const { units } = f;
  const length = (l: Length) => lengthText(l, units);
  const near = (l: Length) =>
    units === "in" ? `${(l / NM_PER_INCH).toFixed(1)}"` : `${(l / NM_PER_MM).toFixed(0)} mm`;
  const why: Record<string, string[]> = {};
  if (f.opening) {
    const one = 2 * f.opening.length * f.opening.height;
    why["comb"] = [
      f.opening.free ? "the comb hangs free: wall to wall, from below the bar down" : "the opening: between the end bars, between top and bottom bar", // prettier-ignore
      `2 faces × ${length(f.opening.length)} × ${length(f.opening.height)} = ${area(one, units)}`,
    ];
    if (f.combs > 0)
      why["ten"] = [`10 deep Langstroth frames have 10 × ${area(f.deep, units)}`, `10 × ${area(f.deep, units)} ÷ ${area(f.loose ? one : f.combs / f.boxes.reduce((n, b) => n + b.frames, 0), units)} a frame`]; // prettier-ignore
  }
  if (f.boxes.length > 0) why["look"] = f.boxes.map((b) => `${b.title}: ${b.frames}`);
  if (f.frame && f.opening) {
    const litres = combLitres(f.frame, f.opening);
    why["frame"] = [
      `${f.loose ? "bars" : "its bars"}: ${weight(emptyWeight(f.frame), units)}`,
      `comb: ${litres.toFixed(2)} l × ${f.assume.honeyKgPerL} kg/l × ${Math.round(100 * f.assume.honeyFill)} % full = ${weight(litres * f.assume.honeyKgPerL * f.assume.honeyFill, units)}`,
    ];
  }
  if (f.lift) {
    const { what, kg, lift, judged } = f.lift;
    const level = f.weights.levels.find((l) => Math.abs(l.fullKg - kg) < 1e-9);
    why["lift"] = [
      `heaviest: ${what.toLowerCase()}`,
      ...(level ? [`wood and bars ${weight(level.emptyKg, units)} + honey ${weight(kg - level.emptyKg, units)} = ${weight(kg, units)}`] : [`${weight(kg, units)}, bars, comb and honey`]), // prettier-ignore
    ];
    const m = judged.multipliers;
    why["index"] = [
      `hands ${near(lift.out)} out and ${near(lift.up)} up, moved ${near(lift.travel)}, turned by ${lift.turn}°, held ${{ good: "well", fair: "by an edge", poor: "badly" }[lift.grip]}`,
      `limit: ${weight(LOAD_CONSTANT, units)} × ${m.out.toFixed(2)} out × ${m.up.toFixed(2)} up × ${m.travel.toFixed(2)} moved × ${m.turn.toFixed(2)} turned × ${m.often.toFixed(2)} how often × ${m.grip.toFixed(2)} grip = ${weight(judged.limit, units)}`,
      `${weight(kg, units)} ÷ ${weight(judged.limit, units)} = ${judged.index.toFixed(2)}; two people: ÷ ${weight(limitForTwo(judged.limit), units)} = ${(kg / limitForTwo(judged.limit)).toFixed(2)}`,
    ];
  }
  if (f.contact) why["grip"] = [f.contact.formula ? `${f.contact.label.toLowerCase()}: ${f.contact.formula}` : f.contact.label]; // prettier-ignore
  if (f.boxes.length > 0)
    why["room"] = f.boxes.flatMap((b) => (b.inside ? [`${b.title}: ${length(b.inside.length)} × ${length(b.inside.width)} × ${length(b.height)} = ${((b.inside.length * b.inside.width * b.height) / 1e24).toFixed(1)} l`] : [])); // prettier-ignore
  if (f.warm) {
    why["wall"] = ["the lowest box: films 0.15 and each wall's thickness by its wood's conductivity, sides and ends by their area"]; // prettier-ignore
    why["loss"] = [
      `walls R ${f.warm.wall.toFixed(2)}`,
      f.warm.lid ? `lid R ${f.warm.lid.toFixed(2)}` : "no lid on it",
      f.warm.floor ? `floor R ${f.warm.floor.toFixed(2)}` : "floor open or none: not counted",
      "area ÷ R, added up",
    ];
  }
  if (f.steps.length > 0)
    why["climb"] = f.steps.map(({ gap, parts: [bottom, between, top] }) => `bottom bar ${length(bottom)} + gap ${length(between)} + top bar ${length(top)} = ${length(gap)}`); // prettier-ignore
  else why["climb"] = ["one storey of comb: nothing lies across the way up"];
  if (f.stands)
    for (const floor of ["pallet", "trailer"] as const)
      why[floor] = [`${FLOORS[floor].map(length).join(" × ")}, each ${length(f.stands.length)} × ${length(f.stands.width)}, all the same way round`]; // prettier-ignore
  if (f.making) {
    const { work, setUps, most } = f.making;
    why["minutes"] = [
      `${work.toFixed(1)} for one of ${TOGETHER} made together, and ${setUps.toFixed(0)} of set-ups once`,
      ...most.slice(0, 6).map((o) => `${o.name.toLowerCase()}: ${o.minutes.toFixed(1)}`),
    ];
    why["buys"] = f.making.buys.map((b) => boughtText(b, 1));
  }
  if (f.costs) why["money"] = [...f.costs.working.map((w) => `one: ${w}`), ...(f.costs.unpriced.length > 0 ? [`without a price: ${f.costs.unpriced.join(", ")}`] : [])]; // prettier-ignore
  for (const [id, lines] of Object.entries(why)) if (lines.length === 0) delete why[id];
  return why;
}

/** So many of what is bought: `400 foundation, plastic`. */
export const boughtText = (b: Making["buys"][number], many: number): string => `${Number((b.quantity * many).toFixed(many === 1 ? 1 : 0)).toLocaleString("en-US")} ${b.unit === "each" ? "" : `${b.unit} `}${b.what}`; // prettier-ignore
