import type { WorkedJob } from "@/core/job/worked";
import type { Shape } from "@/core/shape/shape";
import type { Piece } from "./book";

/** What one of a line's pieces is known by in the Book, without its mark: what it is made of and how, and what was measured of it. */
export function madeIn({ job, lines }: WorkedJob, id: number, at: number, madeOn: string): Omit<Piece, "mark"> | undefined {
  const line = lines.find((l) => l.at === at);
  if (!line) return undefined;
  const { shape } = line;
  const { item, standard, size } = line.line;
  const said = (name: string) => wordIn(shape, name);
  const design = job.designs.find((d) => d.recipe.id === item)?.mark;
  const measured = job.readings.flatMap(({ subject, value }) => {
    const [, of, what] = /^made (\d+) (.+)$/.exec(subject) ?? [];
    return Number(of) === at ? [{ what: what!, value }] : [];
  });
  return {
    title: shape.title,
    item,
    standard,
    size,
    job: id,
    madeOn,
    measured,
    ...(design === undefined ? {} : { design }),
    ...pick({ wood: said("wood"), finish: said("finish"), joint: said("joint") }),
  };
} // prettier-ignore

/** What a choice of an item says, as its label says it. */
function wordIn({ recipe, scope }: Shape, name: string): string | undefined {
  if (!scope.has(name)) return undefined;
  const value = scope.working(name).value;
  const parameter = recipe.parameters.find((p) => p.name === name);
  if (value.kind !== "word") return undefined;
  return (parameter?.kind === "choice" && parameter.choices.find((c) => c.id === value.of)?.label) || value.of;
}

const pick = <T extends object>(of: T): { [K in keyof T]?: NonNullable<T[K]> } => Object.fromEntries(Object.entries(of).filter(([, v]) => v !== undefined)) as { [K in keyof T]?: NonNullable<T[K]> }; // prettier-ignore
