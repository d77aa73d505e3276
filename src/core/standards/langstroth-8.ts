import { langstroth10 } from "./langstroth-10";
import { trade } from "./marks";
import type { Standard } from "./standard";

/** Langstroth for eight frames: the same frames and length, a narrower box. */
export const langstroth8: Standard = {
  ...langstroth10,
  id: "langstroth-8",
  name: "Langstroth, eight frames",
  short: "Langstroth 8",
  values: { ...langstroth10.values, boxInsideWidth: trade("12 1/4", "13 3/4 to 14 outside, makers differ"), frames: trade(8) },
};
