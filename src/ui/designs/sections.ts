import type { Recipe } from "@/core/recipes/recipe";

/** What a design is made of, in the order a person fills it in. */
export const SECTIONS = {
  about: "About",
  parameters: "Asked",
  values: "Worked out",
  parts: "Parts",
  assembly: "Assembly",
  demands: "Must hold",
  stands: "In a hive",
} as const;
export type Shown = keyof typeof SECTIONS;
/** The section a path belongs to. */
export function sectionOf(path: string): Shown {
  const head = path.split(".")[0]!;
  if (head === "figures") return "demands";
  return head in SECTIONS ? (head as Shown) : "about";
}

/** `Side, length`: a path as a person says it. */
export function placeText(path: string, recipe: Recipe): string {
  const [section, i, ...rest] = path.split(".");
  const list = recipe[section as keyof Recipe];
  const row =
    Array.isArray(list) && i !== undefined
      ? (list[Number(i)] as { name?: string; label?: string; id?: string; rule?: string } | undefined)
      : undefined;
  const name = row?.name ?? row?.label ?? row?.id ?? row?.rule;
  if (!name) return path || "the whole";
  const [field, at, sub] = rest;
  if (field === "features" || field === "places")
    return `${name}, ${field === "features" ? "cut" : "place"} ${Number(at) + 1}, ${sub ?? ""}`;
  return `${name}, ${field ?? ""}`;
}
