import { caution, type Hazard, peopleFor } from "@/core/feature/hazard";
import type { Setting, Station } from "@/core/feature/machine";
import type { Spoiled } from "@/core/job/spoiled";
import { type PartId, partKey } from "@/core/line/line";
import type { Workshop } from "@/core/shop/shop";

/** So much of a bought thing taken at an operation. */
export interface Taken {
  what: string;
  quantity: number;
  unit: "each" | "g" | "m2" | "m";
  /** Bought over it, as a part of it. */
  spare: number;
}

/** Pieces a blank or a feature of which is made; `feature` null is the blank itself, brought to size. */
export interface Makes {
  part: PartId;
  feature: string | null;
  pieces: number;
}

/** What has to be measured on the made thing before a part is cut to it. */
export interface ToMeasure {
  part: PartId;
  /** Names in the part's recipe that what is measured stands for. */
  names: string[];
}

/** A step of work at one station on one lot. Minutes are worked time; `wait` is clock time that must pass after it. */
export interface Operation {
  id: string;
  name: string;
  /** What it is called in the shop's list of minutes. */
  kind: string;
  /** Nobody has said what it takes here: its minutes are where a shop begins. */
  guess: boolean;
  station: Station;
  lot: string;
  /** The line it is for, when it is for one. */
  line: number | null;
  /** The recipe's step of putting together that it is; cutting is none. */
  step?: string;
  /** What goes through: boards, strips, pieces or items. */
  pieces: number;
  /** What that is, in words. */
  of: string;
  makes: Makes[];
  /** Parts that go into an assembly here. */
  joins: { part: PartId; pieces: number }[];
  uses: Taken[];
  /** Boards it is the first to work, by their places in the layout's stock, and how many of each. */
  boards: Map<number, number>;
  /** Parts that go through, by their keys: how many pieces, and as how many of what goes through. */
  parts: Map<string, { pieces: number; units: number }>;
  settings: Setting[];
  /** The cut is to lie in the middle of the piece. */
  centred?: boolean;
  /** What is done, in sentences: for a cut, what goes where on each part. */
  how: string[];
  measure: ToMeasure[];
  mistakes: string[];
  people: number;
  setup: number;
  each: number;
  /** So much of each piece's minutes is enough, where several are worked as one. */
  share: number;
  minutes: number;
  wait: number;
  after: string[];
  caution?: string;
  check?: string;
}

/** An operation from what is said of it; its minutes and its caution follow. */
export function operation(
  said: Pick<Operation, "id" | "name" | "station" | "pieces" | "of"> &
    Partial<Omit<Operation, "minutes" | "caution" | "guess">> & { hazard?: Hazard; share?: number },
): Operation {
  const { hazard, share = 1, ...rest } = said;
  const setup = rest.setup ?? 0;
  const each = rest.each ?? 0;
  return {
    kind: said.name,
    guess: true,
    share,
    lot: "all",
    line: null,
    makes: [],
    joins: [],
    uses: [],
    boards: new Map(),
    parts: new Map(),
    settings: [],
    how: [],
    measure: [],
    mistakes: [],
    wait: 0,
    after: [],
    ...rest,
    people: Math.max(rest.people ?? 1, peopleFor(hazard)),
    setup,
    each,
    minutes: Math.ceil(setup + each * rest.pieces * share),
    ...(hazard ? { caution: caution(hazard) } : {}),
  };
}

/** An operation without what was spoiled at it, or before it came there. */
export function fewer(op: Operation, lost: Spoiled[]): Operation {
  if (lost.length === 0) return op;
  // Parts that went in one thing went with it once.
  const things = new Map<string, number>();
  for (const s of lost) {
    const { pieces, units } = op.parts.get(partKey(s.of))!;
    const thing = s.id.split("/")[0]!;
    things.set(thing, Math.max(things.get(thing) ?? 0, Math.round((s.pieces * units) / Math.max(1, pieces))));
  }
  const units = [...things.values()].reduce((a, b) => a + b, 0);
  const makes = op.makes.map((m) => ({ ...m, pieces: m.pieces - lost.reduce((n, s) => n + (partKey(s.of) === partKey(m.part) ? s.pieces : 0), 0) })); // prettier-ignore
  const pieces = Math.max(1, op.pieces - units);
  return { ...op, pieces, makes, minutes: Math.ceil(op.setup + op.each * pieces * op.share) };
}

/** An operation with the minutes the shop has said for its kind; a lot after the first is not set up again. */
export function timed(op: Operation, minutes: Workshop["minutes"]): Operation {
  const said = Object.hasOwn(minutes, op.kind) ? minutes[op.kind] : undefined;
  if (!said) return op;
  const setup = op.setup > 0 || op.lot === "all" || op.lot.startsWith("lot 1 ") ? said.setup : 0;
  return { ...op, guess: false, setup, each: said.each, minutes: Math.ceil(setup + said.each * op.pieces * op.share) };
}
