import { british, mem, reckoned } from "./marks";
import type { Standard } from "./standard";

/**
 * British National: 460 square outside, inner walls set in, rails for hand grips. Frame sections other than the
 * outline are from memory.
 */
export const national: Standard = {
  id: "national",
  name: "National, British",
  short: "National",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "brood",
  usual: { bottomBar: "split", foundation: "wired-wax" },
  values: {
    outsideSquare: british("460"),
    boxInsideLength: british("372", "355.6 + 2 × 8.2"),
    boxInsideWidth: reckoned("422", "460 − 2 × wall"),
    nominalThickness: mem("19"),
    frames: british(11),
    pitch: british("38", "metal or plastic ends; 35 self-spacing"),
    frameLength: british("355.6"),
    topBarLength: british("432"),
    topBarWidth: british("22", "or 27"),
    topBarThickness: mem("9.5"),
    earThickness: british("9.5"),
    endBarThickness: mem("10"),
    shoulderWidth: mem("35"),
    shoulderLength: mem("76"),
    endBarWidth: mem("22"),
    bottomBarWidth: mem("22"),
    bottomBarThickness: mem("9.5"),
    combThickness: mem("25"),
  },
  sizes: {
    brood: { name: "brood", values: { bodyDepth: british("225"), frameHeight: british("216"), foundationLength: mem("340"), foundationHeight: mem("200"), wireHoles: mem(3) } },
    super: { name: "super", values: { bodyDepth: british("150"), frameHeight: british("140"), foundationLength: mem("340"), foundationHeight: mem("124"), wireHoles: mem(2) } },
    "14x12": { name: "14×12 brood", values: { bodyDepth: british("315"), frameHeight: british("305"), foundationLength: mem("340"), foundationHeight: mem("289"), wireHoles: mem(4) } },
  },
};
