import { z } from "zod";
import { placeParam, readQuery } from "@/app/http";
import { MOST_AT_ONCE } from "@/core/keeping/kept";
import type { Asked, Screen } from "@/store/keeper";

/** What its page calls it: its screen, and a number: asked again, it is answered and not done again. */
const key = z
  .string()
  .regex(/^[a-z0-9-]{1,60}\.[0-9]{1,16}$/)
  .optional();
/** The revision its page came with: what it may take back besides its own. */
const loaded = z.number().int().min(0).optional();

/** What asks for something to be done, or for the last thing to be taken back; or for several, in their order. */
export function actsBody<A extends z.ZodType>(act: A) {
  const one = { key, revision: z.number().int(), act };
  const undo = { key, undo: z.literal(true), revision: z.number().int().optional() };
  const several = z.array(z.union([z.strictObject(one), z.strictObject(undo)])).min(1).max(MOST_AT_ONCE); // prettier-ignore
  return z
    .union([
      z.strictObject({ loaded, ...one }),
      z.strictObject({ loaded, ...undo }),
      z.strictObject({ loaded, acts: several }),
    ])
    .transform((read): { loaded: number | undefined; acts: Asked<z.output<A>>[] } => ({
      loaded: read.loaded,
      acts: ("acts" in read ? read.acts : [read]) as Asked<z.output<A>>[],
    }));
}

const asker = z.strictObject({
  screen: z.string().max(60).optional(),
  loaded: placeParam.optional(),
  since: placeParam.optional(),
});

/** Who asks, where it matters what could be taken back; and since which revision it wants to know, where it knows an older one. */
export function askerOf(request: Request): (Screen & { since: number }) | undefined {
  const { screen, loaded: came, since = 0 } = readQuery(request, asker);
  return screen !== undefined && came !== undefined ? { name: screen, loaded: came, since } : undefined;
}
