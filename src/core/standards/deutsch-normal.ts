import { dadantBlatt10 } from "./dadant-blatt-10";
import { mem } from "./marks";
import type { Standard } from "./standard";

/** Deutsch Normal: short ears, so the bearing is only 3.5. */
export const deutschNormal: Standard = {
  id: "deutsch-normal",
  name: "Deutsch Normal",
  short: "Deutsch Normal",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "brood",
  usual: { foundation: "wired-wax" },
  values: {
    ...dadantBlatt10.values,
    boxInsideLength: mem("385"),
    boxInsideWidth: mem("370"),
    nominalThickness: mem("20"),
    restWidth: mem("6.5"),
    restDepth: mem("11.5"),
    frames: mem(10),
    pitch: mem("35"),
    frameLength: mem("370"),
    topBarLength: mem("395"),
    shoulderWidth: mem("35"),
  },
  sizes: { brood: { name: "brood", values: { bodyDepth: mem("232"), frameHeight: mem("223"), foundationLength: mem("350"), foundationHeight: mem("193"), wireHoles: mem(3) } } },
};
