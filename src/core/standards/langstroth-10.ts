import { mem, trade } from "./marks";
import type { Standard } from "./standard";

/** Langstroth, ten frames. The inside stays for any stock; 3/4" stock gives the usual outside 19 7/8 × 16 1/4. */
export const langstroth10: Standard = {
  id: "langstroth-10",
  name: "Langstroth, ten frames",
  short: "Langstroth 10",
  units: "in",
  beeSpace: "top",
  defaultSize: "deep",
  values: {
    boxInsideLength: trade("18 3/8"),
    boxInsideWidth: trade("14 3/4"),
    nominalThickness: trade("3/4", "makers differ by up to 1/4 outside"),
    restWidth: trade("3/8"),
    restDepth: trade("5/8"),
    frames: trade(10),
    pitch: trade("1 3/8", "35 mm; some space honey frames at 1 1/2"),
    frameLength: trade("17 3/4"),
    topBarLength: trade("19"),
    topBarWidth: trade("1 1/16"),
    topBarThickness: trade("3/4"),
    earThickness: trade("3/8"),
    endBarThickness: trade("3/8"),
    shoulderWidth: trade("1 3/8"),
    shoulderLength: trade("3", "3 to 4 3/8 long"),
    endBarWidth: trade("1 1/8", "1 1/16 also made"),
    bottomBarWidth: trade("3/4"),
    bottomBarThickness: trade("3/8"),
    combThickness: trade("1", "about 1 at 1 3/8 pitch"),
  },
  sizes: {
    deep: { name: "deep", values: { bodyDepth: trade("9 5/8"), frameHeight: trade("9 1/8"), foundationLength: trade("16 3/4"), foundationHeight: trade("8 1/2"), wireHoles: mem(4) } },
    medium: { name: "medium", values: { bodyDepth: trade("6 5/8"), frameHeight: trade("6 1/4"), foundationLength: trade("16 3/4"), foundationHeight: trade("5 5/8"), wireHoles: mem(3) } },
    shallow: { name: "shallow", values: { bodyDepth: trade("5 11/16", "5 3/4 is common too"), frameHeight: trade("5 3/8"), foundationLength: trade("16 3/4"), foundationHeight: trade("4 3/4"), wireHoles: mem(2) } },
    jumbo: { name: "jumbo", values: { bodyDepth: trade("11 5/8"), frameHeight: trade("11 1/4"), foundationLength: trade("16 3/4"), foundationHeight: mem("10 5/8"), wireHoles: mem(4) } },
  },
};
