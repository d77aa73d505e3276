import type { Feature, Kind } from "@/core/feature/feature";
import { MACHINES, type Setting, settingsKey } from "@/core/feature/machine";
import { featureText } from "@/core/feature/say";
import type { Units } from "@/core/length/length";
import type { CutPart } from "@/core/line/cutlist";
import { partKey } from "@/core/line/line";
import { type Operation, operation } from "./operation";

/** Cuts of one kind set the same way, on one part or on many. */
interface Group {
  key: string;
  rank: number;
  cuts: { part: CutPart; feature: Feature; pieces: number }[];
  /** Cut across blocks, before they are sliced. */
  onBlock: boolean;
  /** The step of one line it comes after. */
  stage?: { line: number; step: string };
  blocks: number;
}

/** How kinds follow one another on a part: joints first, what is fine and near the faces last. */
const RANK: Record<Kind, number> = {
  fingers: 0,
  rabbet: 1,
  groove: 2,
  notch: 3,
  taper: 4,
  bevel: 5,
  hole: 6,
  handhold: 7,
  fold: 8,
};

/** How many pieces of a part come off blocks, and how many blocks those are. */
export type Blocks = (part: CutPart) => { pieces: number; blocks: number };

/** A cut's operation, and what it is cut into. */
export interface CutOperation {
  op: Operation;
  parts: CutPart[];
  onBlock: boolean;
  stage?: { line: number; step: string };
}

/**
 * Every cut into parts: those at one setting together over the whole job. Cuts that wait for a step of their line, and cuts
 * into parts that are made to fit, stand alone, so that nothing else waits for them.
 */
export function cutting(
  parts: CutPart[],
  units: Units,
  blocksOf: Blocks,
  name: (part: CutPart) => string,
  spoiled: (part: CutPart) => number = () => 0,
): CutOperation[] {
  const groups = new Map<string, Group>();
  for (const part of parts)
    for (const feature of part.part.features) {
      const { pieces: sliced, blocks } = feature.onBlock ? blocksOf(part) : { pieces: 0, blocks: 0 };
      const shares = [
        { onBlock: true, pieces: sliced, blocks },
        { onBlock: false, pieces: part.quantity + spoiled(part) - sliced, blocks: 0 },
      ];
      for (const share of shares)
        if (share.pieces > 0) {
          const alone = feature.after || part.part.fits ? ` ${part.id}` : "";
          const key = [
            RANK[feature.kind],
            feature.kind,
            feature.name,
            feature.face,
            settingsKey(feature.settings),
            share.onBlock,
            alone,
            feature.after ?? "",
          ].join(" ");
          const group: Group = groups.get(key) ?? {
            key,
            rank: RANK[feature.kind],
            cuts: [],
            onBlock: share.onBlock,
            blocks: 0,
            ...(feature.after ? { stage: { line: part.of.line, step: feature.after } } : {}),
          };
          group.cuts.push({ part, feature, pieces: share.pieces });
          // A pair of cuts into one block is one block all the same.
          if (group.cuts.filter((c) => c.part === part).length === 1) group.blocks += share.blocks;
          groups.set(key, group);
        }
    }
  return [...groups.values()]
    .sort((a, b) => a.rank - b.rank || (a.key < b.key ? -1 : 1))
    .map((g, i): CutOperation => {
      const [{ feature }] = g.cuts as [Group["cuts"][0]];
      const parts = [...new Set(g.cuts.map((c) => c.part))];
      const pieces = parts.reduce((n, p) => n + g.cuts.find((c) => c.part === p)!.pieces, 0);
      const works = g.cuts.reduce((n, c) => n + c.feature.each * c.pieces, 0);
      return {
        parts,
        onBlock: g.onBlock,
        ...(g.stage ? { stage: g.stage } : {}),
        op: operation({
          id: `${feature.kind}-${i + 1}`,
          name: `${capital(feature.name)}${g.onBlock ? ", across the blocks" : ""}`,
          station: MACHINES[feature.machine].station,
          pieces: g.onBlock ? g.blocks : pieces,
          of: `${g.onBlock ? "blocks of " : ""}${[...new Set(parts.map(name))].join(", ")}`,
          makes: g.cuts.map((c) => ({ part: c.part.of, feature: c.feature.id, pieces: c.pieces })),
          parts: new Map(
            parts.map((p) => {
              const { pieces } = g.cuts.find((c) => c.part === p)!;
              return [p.id, { pieces, units: g.onBlock ? blocksOf(p).blocks : pieces }];
            }),
          ),
          settings: feature.settings,
          ...(g.cuts.every((c) => isCentred(c.feature, c.part.part)) ? { centred: true } : {}),
          how: [
            ...new Set(
              g.cuts.map((c) => `${capital(name(c.part))}: ${featureText(c.feature, units, c.part.part.sides)}.`),
            ),
          ],
          setup: feature.setup,
          each: works / pieces,
          // Across a block a third of the time is enough for each part in it [mem].
          share: g.onBlock ? 1 / 3 : 1,
          ...(feature.hazard ? { hazard: feature.hazard } : {}),
          check: feature.check,
        }),
      };
    });
}

/** True where a cut leaves as much of the part on its one side as on its other. */
function isCentred({ settings }: Feature, { cut }: CutPart["part"]): boolean {
  const of = (kind: Setting["kind"]) => settings.find((s) => s.kind === kind);
  const [edge, end, width] = [of("from edge"), of("from end"), of("width")];
  const at = edge ?? end;
  if (!at || !width || (edge && end) || at.kind === "angle" || width.kind === "angle") return false;
  return 2 * at.value + width.value === (edge ? cut.w : cut.l);
}

const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1);

/** Each cut comes after the cuts before it into the same part. */
export function inTurn(cuts: CutOperation[]): void {
  const last = new Map<string, string>();
  for (const c of cuts)
    for (const part of c.parts) {
      const key = `${partKey(part.of)} ${c.onBlock}`;
      const before = last.get(key);
      if (before !== undefined && !c.op.after.includes(before)) c.op.after.push(before);
      last.set(key, c.op.id);
    }
}
