import { inch } from "@/core/length/length";
import { type Hive, type Level, type Season, USUAL_BEGINNINGS } from "./hive";

const of = (
  standard: string,
  item: string,
  size: string,
  options: Extract<Level, { item: string }>["options"] = {},
  seasons?: Season[],
): Level => ({ item, standard, size, options, ...(seasons ? { seasons } : {}) });
const hive = (name: string, levels: Level[]): Hive => ({ name, count: 10, levels, begins: USUAL_BEGINNINGS });

/** A stack of boxes of one Langstroth width over the year. */
const langstroth = (name: string, standard: string): Hive =>
  hive(name, [
    of(standard, "stand", "deep"),
    of(standard, "floor-screened", "deep"),
    of(standard, "body", "deep"),
    of(standard, "body", "medium", {}, ["autumn", "winter", "spring"]),
    of(standard, "excluder", "deep", {}, ["summer"]),
    of(standard, "body", "medium", {}, ["summer"]),
    of(standard, "inner-cover", "deep"),
    of(standard, "cover-telescoping", "deep"),
  ]);

/** The jacket of one inch of foam and 3/8 of cladding stands 1 3/8 out on each side: the roof is made to it. */
const round = { bodyOutsideLength: inch(22, 5, 8), bodyOutsideWidth: inch(19) };

/** What stands under and over the usual long body is made to its width. */
const wide = { bodyOutsideWidth: inch(40, 3, 4) };

/** Whole hives to begin from; each is the maker's own as soon as it is changed. */
export const STARTERS: Hive[] = [
  langstroth("Langstroth, ten frames", "langstroth-10"),
  langstroth("Langstroth, eight frames", "langstroth-8"),
  hive("National, brood and a half", [
    of("national", "stand", "brood"),
    of("national", "floor-underfloor", "brood"),
    of("national", "body", "brood"),
    of("national", "body", "super"),
    of("national", "excluder", "brood", {}, ["summer"]),
    of("national", "body", "super", {}, ["summer"]),
    of("national", "inner-cover", "brood"),
    of("national", "roof-deep", "brood"),
  ]),
  hive("Divided mating hive", [
    of("langstroth-10", "floor-four-way", "deep"),
    of("langstroth-10", "divided-body", "deep"),
    of("langstroth-10", "inner-cover-four-way", "deep"),
    of("langstroth-10", "cover-telescoping", "deep"),
  ]),
  hive("Long hive", [
    of("langstroth-10", "stand", "deep", wide),
    of("langstroth-10", "floor-solid", "deep", wide),
    of("langstroth-10", "long-body", "deep", { legs: false }),
    of("langstroth-10", "inner-cover", "deep", wide),
    of("langstroth-10", "cover-telescoping", "deep", wide),
  ]),
  hive("Insulated joined hive", [
    of("langstroth-10", "stand", "deep"),
    of("langstroth-10", "floor-screened", "deep", { insulated: true }),
    of("langstroth-10", "joined-body", "deep"),
    of("langstroth-10", "insulated-jacket", "deep", { jacketHigh: inch(16, 1, 4) }),
    of("langstroth-10", "inner-cover", "deep"),
    of("langstroth-10", "quilt-box", "deep", round, ["winter"]),
    of("langstroth-10", "cover-telescoping", "deep", round),
  ]),
];
