import { z } from "zod";
import { type PartId, partIdSchema, partKey } from "@/core/line/line";

/** Pieces of a part that were spoiled at the bench, so that as many more are cut. */
export const spoiledSchema = z.lazy(() =>
  z.strictObject({
    /** The id of what happened at the bench: the same is never counted twice. Of several parts in one the later ones have `/2`, `/3` after it. */
    id: z.string().min(1).max(80),
    of: partIdSchema,
    /** Pieces of the part that are gone, and of what goes through at the operation: a strip of three is one there. */
    pieces: z.number().int().min(1).max(100_000),
    units: z.number().int().min(1).max(100_000),
    /** What the operation is known by in the plan. */
    at: z.string().min(1).max(400),
  }),
);
export type Spoiled = z.output<typeof spoiledSchema>;
/** So many times a job may say that something was spoiled. */
export const MOST_SPOILED = 500;

/** How many pieces of a part were spoiled. */
export const spoiledOf = (spoiled: Spoiled[] | undefined, of: PartId): number =>
  (spoiled ?? []).reduce((n, s) => n + (partKey(s.of) === partKey(of) ? s.pieces : 0), 0);

/** What was spoiled, without a line that goes; later lines follow it up. */
export const spoiledWithoutLine = (spoiled: Spoiled[], at: number): Spoiled[] =>
  spoiled
    .filter((s) => s.of.line !== at)
    .map((s) => (s.of.line > at ? { ...s, of: { ...s.of, line: s.of.line - 1 } } : s));
