import { mem } from "./marks";
import type { Standard } from "./standard";

/** Kenya top bar: no frame, sides 30° from upright, bars lie on the edges and touch. */
export const kenya: Standard = {
  id: "kenya",
  name: "Kenya top bar",
  short: "Kenya",
  units: "in",
  beeSpace: "closed",
  defaultSize: "trough",
  hangs: "top-bar",
  values: {
    nominalThickness: mem("3/4"),
    troughBottom: mem("5"),
    troughHeight: mem("11"),
    frames: mem(28, "26 to 30"),
    pitch: mem("1 1/4", "brood; honey 1 3/8 to 1 1/2"),
    topBarLength: mem("19"),
    topBarWidth: mem("1 1/4"),
    topBarThickness: mem("3/4"),
    combThickness: mem("1"),
  },
  sizes: { trough: { name: "trough", values: {} } },
};
