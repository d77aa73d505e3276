import { mem } from "./marks";
import type { Standard } from "./standard";

/** AŽ, Slovenian: frames without ears stand on rods and are slid in from the back. Measure yours before you cut. */
export const az: Standard = {
  id: "az",
  name: "AŽ, Slovenian",
  short: "AŽ",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "storey",
  hangs: "no-ear-frame",
  usual: { foundation: "wired-wax" },
  values: {
    nominalThickness: mem("20"),
    frames: mem(10),
    pitch: mem("35"),
    frameLength: mem("410"),
    topBarLength: mem("410"),
    topBarWidth: mem("25"),
    topBarThickness: mem("10"),
    earThickness: mem("10"),
    endBarThickness: mem("10"),
    endBarWidth: mem("25"),
    shoulderWidth: mem("25"),
    bottomBarWidth: mem("25"),
    bottomBarThickness: mem("10"),
    combThickness: mem("25"),
    rodDiameter: mem("8"),
    rodInset: mem("50"),
  },
  sizes: { storey: { name: "storey", values: { frameHeight: mem("260"), foundationLength: mem("385"), foundationHeight: mem("238"), wireHoles: mem(3) } } },
};
