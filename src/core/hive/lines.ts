import { bodyOf, frameFor, type Own, shapeOfLine } from "@/core/line/shapes";
import type { JobLine } from "@/core/line/line";
import { frameCount } from "@/core/shape/measure";
import { isUnmakeable } from "@/core/shape/shape";
import { toCount } from "@/core/formula/formula";
import { type Hive, SEASONS, type Season } from "./hive";

/** What one click makes of a hive: a line for each different thing in it, frames with every box, times the hives wanted. */
export function linesOf(hive: Hive, job: Own): JobLine[] {
  const levels = hive.levels.flatMap((level) => {
    if ("measured" in level) return [];
    const { seasons: _seasons, ...asked } = level;
    return [{ ...asked, quantity: hive.count, frames: true as const }];
  });
  return framed(levels, job);
}

/** Lines, and behind those of boxes that are wanted with their frames what hangs in them; each different thing once. */
export function framed(wanted: (JobLine & { frames?: true })[], job: Own): JobLine[] {
  const lines: JobLine[] = [];
  const add = (line: JobLine) => {
    const same = lines.find((l) => key(l) === key(line));
    if (same) same.quantity += line.quantity;
    else lines.push({ ...line });
  };
  for (const { frames, ...line } of wanted) {
    add(line);
    const hung = frames && hungIn(line, job);
    if (hung) add(hung);
  }
  return lines;
}

/** What hangs in so many of a box; nothing in what is no box, or cannot be made: that is said where its line is. */
function hungIn(line: JobLine, job: Own): JobLine | undefined {
  try {
    const shape = shapeOfLine(line, job);
    if (shape.recipe.kind !== "body" || bodyOf(shape).depth <= 0) return undefined;
    const frame = frameFor({ line, at: -1, shape }, []);
    const chambers = shape.scope.has("chambers") ? toCount(shape.scope.working("chambers").value, "chambers") : 1;
    const boxes = shape.scope.has("boxes") && frame.scope.has("boxes") ? shape.scope.working("boxes").value : undefined;
    return {
      item: frame.recipe.id,
      standard: line.standard,
      size: line.size,
      quantity: frameCount(shape) * chambers * line.quantity,
      options: boxes?.kind === "word" ? { boxes: boxes.of } : {},
    };
  } catch (e) {
    if (isUnmakeable(e)) return undefined;
    throw e;
  }
}

const key = ({ item, standard, size, options }: Omit<JobLine, "quantity">) =>
  JSON.stringify([item, standard, size, Object.entries(options).sort()]);

/** What has to be built by when, from a day on: each level by the first beginning of a season it stands in. */
export function neededBy(hive: Hive, from: string): { season: Season; date: string; levels: number[] }[] {
  const date = (s: Season) => {
    const day = hive.begins[s];
    const year = Number(from.slice(0, 4));
    return `${year}-${day}` >= from ? `${year}-${day}` : `${year + 1}-${day}`;
  };
  const order = SEASONS.map((season) => ({ season, date: date(season), levels: [] as number[] })).sort((a, b) =>
    a.date.localeCompare(b.date),
  );
  hive.levels.forEach((level, at) => {
    if ("measured" in level) return;
    order.find((o) => (level.seasons ?? SEASONS).includes(o.season))?.levels.push(at);
  });
  return order.filter((o) => o.levels.length > 0);
}
