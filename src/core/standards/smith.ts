import { commercial } from "./commercial";
import { mem } from "./marks";
import type { Standard } from "./standard";

/** Smith: National frames with short ears in a plain box, top bee space. */
export const smith: Standard = {
  id: "smith",
  name: "Smith",
  short: "Smith",
  units: "in",
  beeSpace: "top",
  defaultSize: "brood",
  usual: { foundation: "wired-wax" },
  values: { ...commercial.values, boxInsideLength: mem("14 5/8"), boxInsideWidth: mem("16 5/8"), restWidth: mem("1/2"), frameLength: mem("14"), topBarLength: mem("15 1/2"), topBarWidth: mem("7/8") },
  sizes: {
    brood: { name: "brood", values: { bodyDepth: mem("8 7/8"), frameHeight: mem("8 1/2"), foundationLength: mem("13 1/4"), foundationHeight: mem("7 3/4"), wireHoles: mem(3) } },
    super: { name: "super", values: { bodyDepth: mem("5 7/8"), frameHeight: mem("5 1/2"), foundationLength: mem("13 1/4"), foundationHeight: mem("4 3/4"), wireHoles: mem(2) } },
  },
};
