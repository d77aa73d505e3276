import { z } from "zod";
import { lengthWithUnit } from "@/core/length/format";
import type { Length, Units } from "@/core/length/length";
import { sizeSchema } from "@/core/length/schema";
import { screenOf } from "@/core/keeping/kept";
import { readGiven } from "./mark";

const day = z.iso.date('wanted a day like "2027-03-01"');
const words = (most: number) => z.string().trim().min(1).max(most);

/** Something that was made and is kept track of. Lengths in nm. */
export const pieceSchema = z.strictObject({
  /** As it is burned on; a piece that was found without one has none. */
  mark: words(40).regex(/^[\p{L}\p{N}\p{P}\p{S} ]+$/u, "wanted letters, figures and signs in one line").optional(),
  /** What it is, in words. */
  title: words(120),
  item: words(60),
  standard: words(60),
  size: words(60),
  /** The job it was made in, and of a design of the maker's own the mark it was made by. */
  job: z.number().int().min(1).optional(),
  design: z.number().int().min(1).optional(),
  wood: words(60).optional(),
  finish: words(60).optional(),
  joint: words(60).optional(),
  /** The day it was made; of one that came in and is of no known age the day it came. */
  madeOn: day,
  ageless: z.literal(true).optional(),
  /** What was measured on it when it was made or came in. */
  measured: z.array(z.strictObject({ what: words(60), value: sizeSchema })).max(40).default([]),
}); // prettier-ignore
export type Piece = z.output<typeof pieceSchema>;
export type KeptPiece = Piece & { id: number };

/** What goes wrong with a box. [trade: handbook 05, repairs] */
export const FAULTS = ["joint loose", "corner rotten", "split", "rest broken", "rest too deep", "warped"] as const;
export type Fault = (typeof FAULTS)[number];
const fault = z.enum(FAULTS);
const faults = z.array(fault).min(1).max(FAULTS.length);

/** What happened to a piece on a day. Each has an id of its own, `screen.number`: sent twice it happened once. */
export const happeningSchema = z.strictObject({
  id: z.string().regex(/^[\w-]{1,60}\.\d{1,17}$/, 'wanted a screen and a number, like "3f2a.17"'),
  piece: z.number().int().min(1),
  on: day,
  what: z.discriminatedUnion("do", [
    /** To somebody or somewhere, in the maker's own words. */
    z.strictObject({ do: z.literal("out"), to: words(120) }),
    z.strictObject({ do: z.literal("back") }),
    z.strictObject({ do: z.literal("inspected"), faults: z.array(fault).max(FAULTS.length), note: words(500).optional() }), // prettier-ignore
    z.strictObject({ do: z.literal("repaired"), faults, how: words(500), minutes: z.number().min(0).max(10_000).optional() }), // prettier-ignore
    z.strictObject({ do: z.literal("measured"), sizes: z.array(z.strictObject({ what: words(60), value: sizeSchema })).min(1).max(40) }), // prettier-ignore
    z.strictObject({ do: z.literal("scorched") }),
    z.strictObject({ do: z.literal("treated"), with: words(60) }),
    z.strictObject({ do: z.literal("scrapped"), why: z.union([fault, z.literal("burned"), z.literal("lost")]) }),
    z.strictObject({ do: z.literal("note"), text: words(500) }),
    /** `photo` names the picture. */
    z.strictObject({ do: z.literal("photographed"), photo: z.string().regex(/^[0-9a-f]{64}$/, "wanted the name of a picture"), note: words(500).optional() }), // prettier-ignore
    /** What one that came in was found to be. */
    z.strictObject({ do: z.literal("known"), item: words(60), standard: words(60), size: words(60) }),
  ]),
});
export type Happening = z.output<typeof happeningSchema>;

/** How a piece stands. */
export interface Condition {
  /** Where it is: here, with somebody, or no more. */
  where: "here" | "out" | "scrapped";
  to?: string;
  /** Found and not repaired since. */
  faults: Fault[];
  repairs: number;
  /** What it was found to be, of one that came in. */
  known?: { item: string; standard: string; size: string };
  /** What was measured of it last, by its name, nm. */
  measured: Record<string, Length>;
  scorchedOn?: string;
  treatedOn?: string;
  /** The day it was scrapped, and for what. */
  ended?: { on: string; why: string };
}

/** A piece as a list shows it. */
export interface Listed extends KeptPiece {
  condition: Condition;
}

/** Something beside pieces that is called so: what it is, what it is called, what is said of it, and where it is. */
export interface Elsewhere {
  kind: "job" | "design" | "order" | "note";
  name: string;
  said: string;
  href: string;
}

/** What happened in its order: by day, and what was told later of the same day after it. */
export const inOrder = (happenings: Happening[]): Happening[] => happenings.toSorted((a, b) => (a.on < b.on ? -1 : a.on > b.on ? 1 : numberOf(a) - numberOf(b))); // prettier-ignore
const numberOf = ({ id }: Happening) => Number(id.slice(screenOf(id).length + 1));

/** How a piece stands after all that happened. */
export function conditionOf(happenings: Happening[]): Condition {
  const found = new Set<Fault>();
  const c: Condition = { where: "here", faults: [], repairs: 0, measured: {} };
  for (const { on, what } of inOrder(happenings))
    switch (what.do) {
      case "out":
        Object.assign(c, { where: "out", to: what.to });
        break;
      case "back":
        c.where = "here";
        delete c.to;
        break;
      case "inspected":
        for (const f of what.faults) found.add(f);
        break;
      case "repaired":
        for (const f of what.faults) found.delete(f);
        c.repairs++;
        break;
      case "measured":
        for (const { what: name, value } of what.sizes) c.measured[name] = value;
        break;
      case "scorched":
        c.scorchedOn = on;
        break;
      case "treated":
        c.treatedOn = on;
        break;
      case "scrapped":
        Object.assign(c, { where: "scrapped", ended: { on, why: what.why } });
        break;
      case "known":
        c.known = { item: what.item, standard: what.standard, size: what.size };
        break;
      case "note":
      case "photographed":
        break;
    }
  return { ...c, faults: FAULTS.filter((f) => found.has(f)) };
}

/** What is measured of a box, in words: `insideLength` is its inside length. */
export const measureText = (name: string): string => name.replace(/[A-Z]/g, (c) => ` ${c.toLowerCase()}`);

/** What happened, in words; lengths in the units that are asked for. */
export function happeningText({ what }: Happening, units: Units = "in"): string {
  switch (what.do) {
    case "out":
      return `out to ${what.to}`;
    case "inspected":
      return `inspected: ${what.faults.join(", ") || "sound"}${what.note ? `; ${what.note}` : ""}`;
    case "repaired":
      return `repaired: ${what.faults.join(", ")}; ${what.how}${what.minutes === undefined ? "" : `, ${what.minutes} min`}`;
    case "measured":
      return `measured: ${what.sizes.map((s) => `${measureText(s.what)} ${lengthWithUnit(s.value, units)}`).join(", ")}`;
    case "treated":
      return `treated with ${what.with}`;
    case "scrapped":
      return `scrapped: ${what.why}`;
    case "note":
      return what.text;
    case "photographed":
      return what.note ?? "photographed";
    case "known":
      return `found to be of ${what.standard}, ${what.size}`;
    default:
      return what.do;
  }
}

/** All words a piece is found by; those of a mark too that is none the shop gave: `Moor estate`. */
export const wordsOf = (piece: Piece, happenings: Happening[]): string => [readGiven(piece.mark ?? "") ? null : piece.mark, piece.title, piece.item, piece.standard, piece.wood, piece.finish, ...happenings.map((h) => happeningText(h))].filter(Boolean).join(" "); // prettier-ignore
