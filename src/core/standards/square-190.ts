import { mem } from "./marks";
import type { Standard } from "./standard";

/** The small square box: five frames of a top bar and two side bars, no bottom bar. */
export const square190: Standard = {
  id: "square-190",
  name: "Square 190",
  short: "Square 190",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "box",
  hangs: "pi-frame",
  values: {
    boxInsideLength: mem("190"),
    boxInsideWidth: mem("190"),
    nominalThickness: mem("20"),
    restWidth: mem("8"),
    restDepth: mem("11"),
    frames: mem(5),
    pitch: mem("38", "plastic ends run 37 to 37.5"),
    topBarWidth: mem("24"),
    topBarThickness: mem("9"),
    earThickness: mem("9"),
    sideBarHeight: mem("150"),
    sideBarWidth: mem("24"),
    sideBarThickness: mem("8"),
    sideBarInset: mem("7.5"),
    combThickness: mem("25"),
  },
  sizes: { box: { name: "box", values: { bodyDepth: mem("200") } } },
};
