import type { Parameter, Recipe, StepRecipe, UseRecipe } from "./recipe";

/** How the outside of an item is kept: chosen for a whole job, changed on a line. Never inside. */
export const FINISH: Parameter[] = [
  {
    name: "finish",
    label: "Finish, outside",
    group: "Finish",
    kind: "choice",
    default: "none",
    choices: [
      { id: "none", label: "none", note: "cedar and cypress last without" },
      { id: "oil", label: "oil", note: "two coats, a day apart" },
      { id: "paint", label: "paint", note: "primer and two coats, one more on end grain" },
      { id: "wax", label: "hot wax dip", note: "weatherproof for decades; needs a tank, dry wood and care; no glue" },
    ],
  },
];

/** Spread by the square metre of what is coated: grams a coat [mem]. */
const coat = (what: string, grams: number, times: string): UseRecipe => ({
  what,
  count: `(finishArea + finishEndGrain) * ${times}`,
  unit: "m2",
  grams,
  spare: 0.1,
  mark: "mem",
});

/** Minutes to brush an item on every side, before there is evidence from the shop [mem]. */
const BRUSH = 6;

const brushed = (
  id: string,
  name: string,
  text: string,
  uses: UseRecipe[],
  when: string,
  wait: number,
): StepRecipe => ({
  id,
  name,
  text,
  station: "finish",
  uses,
  when: `finish == "${when}"`,
  setup: 10,
  each: BRUSH,
  wait,
  hazard: "paint",
  mark: "mem",
});

/** The steps of the finish that was chosen, after all others. */
const FINISHING: StepRecipe[] = [
  brushed(
    "prime",
    "Prime the outside",
    "Prime all that weather meets, end grain twice; nothing inside.",
    [coat("exterior primer", 120, "1")],
    "paint",
    240,
  ),
  brushed(
    "first-coat",
    "First coat of paint",
    "A coat on all that is primed, one more on end grain.",
    [coat("exterior paint", 120, "1")],
    "paint",
    240,
  ),
  brushed(
    "second-coat",
    "Second coat of paint",
    "A second coat, when the first is dry to a fingernail.",
    [coat("exterior paint", 120, "1")],
    "paint",
    240,
  ),
  brushed(
    "first-oil",
    "First coat of oil",
    "Oil the outside until no more is taken up; wipe off what stands.",
    [coat("hive oil", 60, "1")],
    "oil",
    1440,
  ),
  brushed(
    "second-oil",
    "Second coat of oil",
    "A second coat, a day later. Spread oily rags out to dry: heaped they catch fire.",
    [coat("hive oil", 60, "1")],
    "oil",
    1440,
  ),
  {
    id: "dip",
    name: "Dip in hot wax",
    text: "Dry boxes only: water turns to steam under the wax. Lower the box slowly, leave it until it stops foaming, lift it and let it drain over the tank.",
    station: "tank",
    uses: [coat("paraffin and resin", 250, "2")],
    people: 2,
    when: 'finish == "wax"',
    setup: 60,
    each: 9,
    wait: 60,
    lot: 2,
    hazard: "wax",
    check: "150 to 160 °C on the thermometer before the first box, and after every fifth",
    mistakes: ["wood that is not dry: the tank boils over"],
    mark: "mem",
  },
];

/** A recipe whose outside can be finished: `area` of what weather meets, and the end grain in it. */
export const finished = (
  recipe: Recipe,
  area: string,
  endGrain = "0 * bodyOutsideWidth * bodyOutsideWidth",
): Recipe => ({
  ...recipe,
  parameters: [...recipe.parameters.filter((p) => p.name !== "finish"), ...FINISH],
  values: [
    ...recipe.values.filter((v) => v.name !== "finishArea" && v.name !== "finishEndGrain"),
    { name: "finishArea", label: "outside that is finished", formula: area, mark: "arithmetic" },
    { name: "finishEndGrain", label: "end grain in it", formula: endGrain, mark: "arithmetic" },
  ],
  assembly: [...recipe.assembly.filter((s) => !FINISHING.some((f) => f.id === s.id)), ...FINISHING],
});

/** End grain that shows at four corners, by the joint. */
export const CORNER_GRAIN =
  'joint == "mitre" ? 0 * depth * thickness : joint == "finger" || joint == "dovetail" ? 2 * depth * (thickness + endThickness) : joint == "rabbet-ends" ? 4 * depth * (endThickness - lap) : joint == "rabbet-sides" ? 4 * depth * (thickness - lap) : joint == "butt-sides-inside" ? 4 * depth * endThickness : 4 * depth * thickness';
export const WALLS_OUTSIDE = "2 * (outsideLength + outsideWidth) * depth";
