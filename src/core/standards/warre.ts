import { mem } from "./marks";
import type { Standard } from "./standard";

/** Warré: small square boxes with top bars a little below the edge. */
export const warre: Standard = {
  id: "warre",
  name: "Warré",
  short: "Warré",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "box",
  hangs: "top-bar",
  values: {
    boxInsideLength: mem("300"),
    boxInsideWidth: mem("300"),
    nominalThickness: mem("20"),
    restWidth: mem("9"),
    restDepth: mem("10"),
    frames: mem(8),
    pitch: mem("36"),
    topBarLength: mem("315"),
    topBarWidth: mem("24"),
    topBarThickness: mem("9"),
    earThickness: mem("9"),
    combThickness: mem("25"),
  },
  sizes: { box: { name: "box", values: { bodyDepth: mem("210") } } },
};
