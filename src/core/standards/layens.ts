import { mem } from "./marks";
import type { Standard } from "./standard";

/** Layens, horizontal: the top bars touch and close the box. */
export const layens: Standard = {
  id: "layens",
  name: "Layens, horizontal",
  short: "Layens",
  units: "in",
  beeSpace: "closed",
  defaultSize: "deep",
  hangs: "closed-top-frame",
  usual: { foundation: "wired-wax" },
  values: {
    boxInsideLength: mem("13 3/4"),
    boxSpare: mem("1/2"),
    nominalThickness: mem("1 1/2"),
    restWidth: mem("11/16"),
    restDepth: mem("3/8"),
    frames: mem(14, "14 to 20"),
    pitch: mem("1 1/2"),
    frameLength: mem("13"),
    topBarLength: mem("15"),
    topBarWidth: mem("1 1/2"),
    topBarThickness: mem("3/4"),
    earThickness: mem("3/8"),
    endBarThickness: mem("3/8"),
    shoulderWidth: mem("1"),
    endBarWidth: mem("1"),
    bottomBarWidth: mem("3/4"),
    bottomBarThickness: mem("3/8"),
    combThickness: mem("1"),
  },
  sizes: { deep: { name: "deep", values: { bodyDepth: mem("17 1/8"), frameHeight: mem("16"), foundationLength: mem("12 1/8"), foundationHeight: mem("14 3/4"), wireHoles: mem(5) } } },
};
