import { langstroth10 } from "./langstroth-10";
import { trade } from "./marks";
import type { Standard } from "./standard";

/** Langstroth for five frames: the nuc's box. */
export const langstroth5: Standard = { ...langstroth10, id: "langstroth-5", name: "Langstroth, five frames", short: "Langstroth 5", values: { ...langstroth10.values, boxInsideWidth: trade("7 1/2"), frames: trade(5) } };
