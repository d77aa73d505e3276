import { dadantBlatt10 } from "./dadant-blatt-10";
import { mem } from "./marks";
import type { Standard } from "./standard";

/** Zander: long ears, so the ends are 40 thick. */
export const zander: Standard = {
  id: "zander",
  name: "Zander",
  short: "Zander",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "brood",
  usual: { foundation: "wired-wax" },
  values: {
    ...dadantBlatt10.values,
    boxInsideLength: mem("435"),
    boxInsideWidth: mem("370"),
    nominalThickness: mem("20"),
    endThickness: mem("40"),
    restWidth: mem("22.5"),
    restDepth: mem("11.5"),
    frames: mem(10),
    pitch: mem("35"),
    frameLength: mem("420"),
    topBarLength: mem("477"),
    shoulderWidth: mem("35"),
  },
  sizes: { brood: { name: "brood", values: { bodyDepth: mem("229"), frameHeight: mem("220"), foundationLength: mem("395"), foundationHeight: mem("190"), wireHoles: mem(3) } } },
};
