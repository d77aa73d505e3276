import { mem } from "./marks";
import type { Standard } from "./standard";

/** Commercial, British: large frames with short ears. */
export const commercial: Standard = {
  id: "commercial",
  name: "Commercial, British",
  short: "Commercial",
  units: "in",
  beeSpace: "top",
  defaultSize: "brood",
  usual: { foundation: "wired-wax" },
  values: {
    boxInsideLength: mem("16 5/8"),
    boxInsideWidth: mem("16 7/8"),
    nominalThickness: mem("3/4"),
    restWidth: mem("5/16"),
    restDepth: mem("5/8"),
    frames: mem(11),
    pitch: mem("1 1/2"),
    frameLength: mem("16"),
    topBarLength: mem("17 1/8"),
    topBarWidth: mem("1 1/16"),
    topBarThickness: mem("3/4"),
    earThickness: mem("3/8"),
    endBarThickness: mem("3/8"),
    shoulderWidth: mem("1 1/2"),
    shoulderLength: mem("3"),
    endBarWidth: mem("7/8"),
    bottomBarWidth: mem("3/4"),
    bottomBarThickness: mem("3/8"),
    combThickness: mem("1"),
  },
  sizes: { brood: { name: "brood", values: { bodyDepth: mem("10 1/2"), frameHeight: mem("10"), foundationLength: mem("15 1/8"), foundationHeight: mem("9 1/4"), wireHoles: mem(4) } } },
};
