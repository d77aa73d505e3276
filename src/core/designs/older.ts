import { ROLES } from "@/core/recipes/recipe";

type Raw = Record<string, unknown>;
const isRaw = (x: unknown): x is Raw => typeof x === "object" && x !== null && !Array.isArray(x);
const list = (x: unknown): Raw[] => (Array.isArray(x) ? x.filter(isRaw) : []);
const number = (x: unknown) => (typeof x === "number" && Number.isFinite(x) ? x : 0);

/**
 * A recipe as it was written when hardware, operations, steps and mistakes were four lists, as one is written now: one step that
 * joins every part and takes all the hardware. What is no such recipe comes back as it is.
 */
export function upToDate(raw: unknown): unknown {
  if (!isRaw(raw) || "assembly" in raw || !("hardware" in raw)) return raw;
  const { hardware, operations, steps, mistakes, ...rest } = raw;
  // What is done to single parts follows from their cuts now.
  const together = list(operations).filter(
    (o) => o.of === undefined && !["fingers", "dovetails", "mitres"].includes(String(o.id)),
  );
  const parts = list(raw.parts).map((p) => ({
    ...p,
    role: (ROLES as readonly unknown[]).includes(p.role) ? p.role : "part",
  }));
  const said = list(steps).filter((s) => typeof s.text === "string");
  const step = {
    id: "assemble",
    name: "Put it together",
    text: said.map((s) => s.text).join(" ") || "Glue and fasten.",
    station: "bench",
    joins: parts.flatMap((p) => ("id" in p ? [(p as Raw).id] : [])),
    uses: list(hardware).map(({ id: _id, for: _for, name, ...use }) => ({ what: name, ...use })),
    setup: together.reduce((n, o) => n + number(o.setup), 0),
    each: together.reduce((n, o) => n + number(o.each), 0),
    wait: Math.max(0, ...together.map((o) => number(o.wait))),
    ...(together.some((o) => o.hazard === "glue") ? { hazard: "glue" } : {}),
    ...(Array.isArray(mistakes) && mistakes.length > 0 ? { mistakes: mistakes.slice(0, 20) } : {}),
    mark: "mem",
  };
  return { ...rest, parts, assembly: [step] };
}
