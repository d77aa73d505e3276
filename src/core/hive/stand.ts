import { type Standing, standingOf } from "@/core/line/standing";
import { type Own, shapeOfLine, type WorkedLine } from "@/core/line/shapes";
import { type Hive, type Season, standsIn } from "./hive";

/** Reads every level that stands in a season off its geometry, set one on another from the ground. @throws ShapeError */
export function stand(hive: Hive, job: Own, lines: WorkedLine[] = [], season?: Season): Standing[] {
  let foot = 0;
  return hive.levels.flatMap((level, at): Standing[] => {
    if (!standsIn(level, season)) return [];
    const read = "measured" in level ? ofMeasured(level.measured, at) : ofItem(level, at, job, lines);
    if (!read) return [];
    if (read.as === "jacket") return [{ ...read, foot: foot - read.height }];
    const standing = { ...read, foot };
    foot += read.height;
    return [standing];
  });
}

function ofMeasured(m: Extract<Hive["levels"][number], { measured: unknown }>["measured"], at: number): Standing {
  return {
    at,
    title: m.name,
    as: "body",
    foot: 0,
    height: m.depth,
    outside: { length: m.outsideLength, width: m.outsideWidth },
    inside: { length: m.insideLength, width: m.insideWidth },
    over: m.over,
    under: m.under,
    frames: 0,
    judged: { over: true, under: true },
  };
}

function ofItem(
  level: Extract<Hive["levels"][number], { item: string }>,
  at: number,
  job: Own,
  lines: WorkedLine[],
): Standing | undefined {
  const { seasons: _seasons, ...asked } = level;
  const line = { ...asked, quantity: 1 };
  return standingOf({ line, at: -1, shape: shapeOfLine(line, job) }, at, lines);
}
