import { findRecipe, RECIPES } from "@/core/recipes";
import { findStandard, STANDARDS } from "@/core/standards";
import { ShapeError, shapeItem } from "@/core/shape/shape";
import { findMakeable, madeElsewhere, makeables } from "./find";

const all = makeables();
const first = (typed: string) => {
  const { quantity, found } = findMakeable(typed, all);
  return [quantity, found[0]?.item, found[0]?.standard, found[0]?.size];
};

test.each([
  ["nat br 14", [undefined, "body", "national", "14x12"]],
  ["nat sup", [undefined, "body", "national", "super"]],
  ["40 lang deep", [40, "body", "langstroth-10", "deep"]],
  ["400 lang 8 med frame", [400, "frame", "langstroth-8", "medium"]],
  ["half fr", [undefined, "half-frame", "langstroth-10", "deep"]],
  ["zand", [undefined, "body", "zander", "brood"]],
  ["14×12", [undefined, "body", "national", "14x12"]],
  ["bar trough", [undefined, "top-bar-trough", "kenya", "trough"]],
  ["pi", [undefined, "pi-frame", "square-190", "box"]],
])("%s", (typed, want) => {
  expect(first(typed)).toEqual(want);
});

/** What a maker types, and what is meant: the item, and where it is said the standard, the size and how many. */
// prettier-ignore
const PHRASES: [string, string, string | null, string | null, number | null][] = [
  ["crown board", "inner-cover", null, null, null],
  ["crown boards", "inner-cover", null, null, null],
  ["queen excluder", "excluder", null, null, null],
  ["queen excluders", "excluder", null, null, null],
  ["excluders", "excluder", null, null, null],
  ["bottom board", "floor-solid", null, null, null],
  ["bottom boards", "floor-solid", null, null, null],
  ["hive floor", "floor-solid", null, null, null],
  ["solid floor", "floor-solid", null, null, null],
  ["varroa floor", "floor-screened", null, null, null],
  ["varroa tray", "floor-screened", null, null, null],
  ["mesh floor", "floor-screened", null, null, null],
  ["open mesh floor", "floor-screened", null, null, null],
  ["screened bottom board", "floor-screened", null, null, null],
  ["screened floors", "floor-screened", null, null, null],
  ["lid", "cover-telescoping", null, null, null],
  ["outer cover", "cover-telescoping", null, null, null],
  ["telescoping covers", "cover-telescoping", null, null, null],
  ["telescoping lid", "cover-telescoping", null, null, null],
  ["migratory cover", "cover-flat", null, null, null],
  ["migratory lids", "cover-flat", null, null, null],
  ["flat covers", "cover-flat", null, null, null],
  ["eke", "feed-rim", null, null, null],
  ["ekes", "feed-rim", null, null, null],
  ["spacer", "feed-rim", null, null, null],
  ["shims", "feed-rim", null, null, null],
  ["feed rims", "feed-rim", null, null, null],
  ["dummy", "follower", null, null, null],
  ["dummy board", "follower", null, null, null],
  ["followers", "follower", null, null, null],
  ["division board", "follower", null, null, null],
  ["nucleus box", "nuc", null, null, null],
  ["nucs", "nuc", null, null, null],
  ["mating nuc", "divided-body", null, null, null],
  ["mating hives", "divided-body", null, null, null],
  ["long hive", "long-body", null, null, null],
  ["horizontal hive", "long-body", null, null, null],
  ["top bar hive", "top-bar-trough", null, null, null],
  ["kenya hive", "top-bar-trough", null, null, null],
  ["half frames", "half-frame", null, null, null],
  ["mating frames", "half-frame", null, null, null],
  ["entrance reducer", "entrance-block", null, null, null],
  ["entrance reducers", "entrance-block", null, null, null],
  ["mouse guard", "entrance-block", null, null, null],
  ["hive stand", "stand", null, null, null],
  ["stands", "stand", null, null, null],
  ["pallets", "pallet", null, null, null],
  ["robbing screens", "robbing-screen", null, null, null],
  ["moving screen", "robbing-screen", null, null, null],
  ["clearer board", "escape-board", null, null, null],
  ["bee escape", "escape-board", null, null, null],
  ["escape boards", "escape-board", null, null, null],
  ["hive wrap", "insulated-jacket", null, null, null],
  ["insulated jackets", "insulated-jacket", null, null, null],
  ["hive roof", "roof-deep", null, null, null],
  ["deep roof", "roof-deep", null, null, null],
  ["gable roofs", "roof-gable", null, null, null],
  ["pitched roof", "roof-gable", null, null, null],
  ["quilt", "quilt-box", null, null, null],
  ["quilt boxes", "quilt-box", null, null, null],
  ["moisture box", "quilt-box", null, null, null],
  ["hive top feeder", "feeder-trough", null, null, null],
  ["top feeders", "feeder-trough", null, null, null],
  ["division board feeder", "feeder-frame", null, null, null],
  ["frame feeders", "feeder-frame", null, null, null],
  ["in hive feeder", "feeder-frame", null, null, null],
  ["slatted racks", "slatted-rack", null, null, null],
  ["inspection covers", "inspection-cover", null, null, null],
  ["transfer clips", "transfer-clip", null, null, null],
  ["inner covers", "inner-cover", null, null, null],
  ["brood box", "body", null, null, null],
  ["brood boxes", "body", null, null, null],
  ["hive body", "body", null, null, null],
  ["hive bodies", "body", null, null, null],
  ["supers", "body", null, null, null],
  ["honey super", "body", null, null, null],
  ["cabinet hive", "cabinet-storey", null, null, null],
  ["pi frames", "pi-frame", null, null, null],
  ["extra deep frames", "extra-deep-frame", null, null, null],
  ["joined bodies", "joined-body", null, null, null],
  ["frame jig", "jig-frame", null, null, null],
  ["finger sled", "jig-finger", null, null, null],
  ["handhold jig", "jig-handhold", null, null, null],
  ["corner blocks", "jig-corner", null, null, null],
  ["four way floor", "floor-four-way", null, null, null],
  ["four way inner cover", "inner-cover-four-way", null, null, null],
  ["under floor entrance", "floor-underfloor", null, null, null],
  ["underfloor entrance", "floor-underfloor", null, null, null],
  ["600 deep boxes", "body", "langstroth-10", "deep", 600],
  ["deep boxes 600", "body", "langstroth-10", "deep", 600],
  ["600 medium supers", "body", "langstroth-10", "medium", 600],
  ["medium supers 600", "body", "langstroth-10", "medium", 600],
  ["600 national brood boxes", "body", "national", "brood", 600],
  ["national brood boxes 600", "body", "national", "brood", 600],
  ["600 national supers", "body", "national", "super", 600],
  ["national supers 600", "body", "national", "super", 600],
  ["600 langstroth 8 deep frames", "frame", "langstroth-8", "deep", 600],
  ["langstroth 8 deep frames 600", "frame", "langstroth-8", "deep", 600],
  ["600 deep frames", "frame", "langstroth-10", "deep", 600],
  ["deep frames 600", "frame", "langstroth-10", "deep", 600],
  ["600 dadant 12 bodies", "body", "dadant-blatt-12", "brood", 600],
  ["dadant 12 bodies 600", "body", "dadant-blatt-12", "brood", 600],
  ["600 zander frames", "frame", "zander", "brood", 600],
  ["zander frames 600", "frame", "zander", "brood", 600],
  ["600 queen excluders", "excluder", null, null, 600],
  ["600 crown boards", "inner-cover", null, null, 600],
  ["40 deep boxes", "body", "langstroth-10", "deep", 40],
  ["deep boxes 40", "body", "langstroth-10", "deep", 40],
  ["40 medium supers", "body", "langstroth-10", "medium", 40],
  ["medium supers 40", "body", "langstroth-10", "medium", 40],
  ["40 national brood boxes", "body", "national", "brood", 40],
  ["national brood boxes 40", "body", "national", "brood", 40],
  ["40 national supers", "body", "national", "super", 40],
  ["national supers 40", "body", "national", "super", 40],
  ["40 langstroth 8 deep frames", "frame", "langstroth-8", "deep", 40],
  ["langstroth 8 deep frames 40", "frame", "langstroth-8", "deep", 40],
  ["40 deep frames", "frame", "langstroth-10", "deep", 40],
  ["deep frames 40", "frame", "langstroth-10", "deep", 40],
  ["40 dadant 12 bodies", "body", "dadant-blatt-12", "brood", 40],
  ["dadant 12 bodies 40", "body", "dadant-blatt-12", "brood", 40],
  ["40 zander frames", "frame", "zander", "brood", 40],
  ["zander frames 40", "frame", "zander", "brood", 40],
  ["40 queen excluders", "excluder", null, null, 40],
  ["40 crown boards", "inner-cover", null, null, 40],
  ["twelve deep boxes", "body", "langstroth-10", "deep", 12],
  ["deep boxes twelve", "body", "langstroth-10", "deep", 12],
  ["twelve medium supers", "body", "langstroth-10", "medium", 12],
  ["medium supers twelve", "body", "langstroth-10", "medium", 12],
  ["twelve national brood boxes", "body", "national", "brood", 12],
  ["national brood boxes twelve", "body", "national", "brood", 12],
  ["twelve national supers", "body", "national", "super", 12],
  ["national supers twelve", "body", "national", "super", 12],
  ["twelve langstroth 8 deep frames", "frame", "langstroth-8", "deep", 12],
  ["langstroth 8 deep frames twelve", "frame", "langstroth-8", "deep", 12],
  ["twelve deep frames", "frame", "langstroth-10", "deep", 12],
  ["deep frames twelve", "frame", "langstroth-10", "deep", 12],
  ["twelve dadant 12 bodies", "body", "dadant-blatt-12", "brood", 12],
  ["dadant 12 bodies twelve", "body", "dadant-blatt-12", "brood", 12],
  ["twelve zander frames", "frame", "zander", "brood", 12],
  ["zander frames twelve", "frame", "zander", "brood", 12],
  ["twelve queen excluders", "excluder", null, null, 12],
  ["twelve crown boards", "inner-cover", null, null, 12],
  ["two deep boxes", "body", "langstroth-10", "deep", 2],
  ["deep boxes two", "body", "langstroth-10", "deep", 2],
  ["two medium supers", "body", "langstroth-10", "medium", 2],
  ["medium supers two", "body", "langstroth-10", "medium", 2],
  ["two national brood boxes", "body", "national", "brood", 2],
  ["national brood boxes two", "body", "national", "brood", 2],
  ["two national supers", "body", "national", "super", 2],
  ["national supers two", "body", "national", "super", 2],
  ["two langstroth 8 deep frames", "frame", "langstroth-8", "deep", 2],
  ["langstroth 8 deep frames two", "frame", "langstroth-8", "deep", 2],
  ["two deep frames", "frame", "langstroth-10", "deep", 2],
  ["deep frames two", "frame", "langstroth-10", "deep", 2],
  ["two dadant 12 bodies", "body", "dadant-blatt-12", "brood", 2],
  ["dadant 12 bodies two", "body", "dadant-blatt-12", "brood", 2],
  ["two zander frames", "frame", "zander", "brood", 2],
  ["zander frames two", "frame", "zander", "brood", 2],
  ["two queen excluders", "excluder", null, null, 2],
  ["two crown boards", "inner-cover", null, null, 2],
  ["ten frame deep", "body", "langstroth-10", "deep", null],
  ["eight frame medium", "body", "langstroth-8", "medium", null],
  ["10 frame deep box", "body", "langstroth-10", "deep", null],
  ["8 frame deep body", "body", "langstroth-8", "deep", null],
  ["20 ten frame deep", "body", "langstroth-10", "deep", 20],
  ["deep lang body", "body", "langstroth-10", "deep", null],
  ["body deep langstroth 10", "body", "langstroth-10", "deep", null],
  ["frame deep", "frame", "langstroth-10", "deep", null],
  ["brood national body", "body", "national", "brood", null],
  ["14x12 national", "body", "national", "14x12", null],
  ["national 14x12 brood box", "body", "national", "14x12", null],
  ["super national 30", "body", "national", "super", 30],
  ["warre box", "body", "warre", "box", null],
  ["warre boxes 6", "body", "warre", "box", 6],
  ["smith super", "body", "smith", "super", null],
  ["commercial brood box", "body", "commercial", "brood", null],
  ["az frame", "no-ear-frame", "az", "storey", null],
  ["layens frames", "closed-top-frame", "layens", null, null],
  ["a floor for national", "floor-solid", "national", null, null],
  ["national crown board", "inner-cover", "national", null, null],
  ["national queen excluder", "excluder", "national", null, null],
  ["zander brood box", "body", "zander", "brood", null],
  ["deutsch normal frame", "frame", "deutsch-normal", "brood", null],
  ["dadant super", "body", "dadant-blatt-10", "super", null],
  ["jumbo body", "body", "langstroth-10", "jumbo", null],
  ["shallow super", "body", "langstroth-10", "shallow", null],
  ["lang shallow frames 500", "frame", "langstroth-10", "shallow", 500],
  ["langstroth nuc", "nuc", null, null, null],
  ["5 nucs", "nuc", null, null, 5],
  ["frames deep lang 400", "frame", "langstroth-10", "deep", 400],
  ["brood boxes national 12", "body", "national", "brood", 12],
  ["12 crown boards national", "inner-cover", "national", null, 12],
  ["lids 30", "cover-telescoping", null, null, 30],
  ["ekes 24 national", "feed-rim", "national", null, 24],
  ["dummy boards 10", "follower", null, null, 10],
  ["bottom boards 50", "floor-solid", null, null, 50],
  ["40 varroa trays", "floor-screened", null, null, 40],
  ["thirty excluders", "excluder", null, null, 30],
  ["hive stands 12", "stand", null, null, 12],
  ["honey boxes medium", "body", null, "medium", null],
];

test("two hundred ways to say it: plurals, any order, numbers anywhere, the trade's other names", () => {
  expect(PHRASES.length).toBeGreaterThanOrEqual(200);
  const wrong = PHRASES.flatMap(([typed, item, standard, size, quantity]) => {
    const { quantity: n, found } = findMakeable(typed, all);
    const [m] = found;
    const ok =
      m?.item === item &&
      (!standard || m.standard === standard) &&
      (!size || m.size === size) &&
      (n ?? null) === quantity;
    return ok ? [] : [`${typed}: ${n ?? ""} ${m?.item} ${m?.standard} ${m?.size}`];
  });
  expect(wrong).toEqual([]);
});

test("of two that suit as well, one of a standard the job has comes first", () => {
  const of = (used: string[]) => findMakeable("feed rim", makeables(), used).found[0]!.standard;
  expect([of(["zander"]), of(["commercial"])]).toEqual(["zander", "commercial"]);
});

test("nothing is found for what nobody makes, everything for nothing typed", () => {
  expect(findMakeable("lang piano", all).found).toEqual([]);
  expect(findMakeable("", all).found).toHaveLength(all.length);
});

test("what is not made to the standard it is said of says to which it is; what nobody makes says nothing", () => {
  const why = (typed: string) => madeElsewhere(typed, makeables());
  expect(why("12 national nuc boxes")).toMatch(/^no nuc is made to National, but to Langstroth 10, .* more$/);
  expect(["12 teapots", "12 national teapots", "national", "12 nuc boxes"].map(why)).toEqual(Array(4).fill(undefined));
});
test("what is offered is exactly what can be shaped", () => {
  for (const s of STANDARDS)
    for (const size of Object.keys(s.sizes))
      for (const item of new Set(RECIPES.map((r) => r.id))) {
        const recipe = findRecipe(item, s.id)!;
        // What is the same for every size is offered once, in the usual one.
        const sized = recipe.needs.some((n) => s.sizes[size]!.values[n] !== undefined);
        const at = sized ? size : s.defaultSize;
        const offered = all.some((m) => m.item === item && m.standard === s.id && m.size === at);
        let made = true;
        try {
          shapeItem(recipe, findStandard(s.id)!, size, {});
        } catch (e) {
          if (!(e instanceof ShapeError)) throw e;
          made = false;
        }
        expect([item, s.id, size, offered]).toEqual([item, s.id, size, made]);
      }
});
