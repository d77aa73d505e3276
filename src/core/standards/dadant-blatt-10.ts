import { mem } from "./marks";
import type { Standard } from "./standard";

const sheet = { foundationLength: mem("420"), wireHoles: mem(4) };

/** Dadant-Blatt, ten frames. */
export const dadantBlatt10: Standard = {
  id: "dadant-blatt-10",
  name: "Dadant-Blatt, ten frames",
  short: "Dadant-Blatt 10",
  units: "mm",
  beeSpace: "bottom",
  defaultSize: "brood",
  usual: { foundation: "wired-wax" },
  values: {
    boxInsideLength: mem("450"),
    boxInsideWidth: mem("380"),
    nominalThickness: mem("25"),
    restWidth: mem("11.5"),
    restDepth: mem("11.5"),
    frames: mem(10),
    pitch: mem("37"),
    frameLength: mem("435"),
    topBarLength: mem("470"),
    topBarWidth: mem("25"),
    topBarThickness: mem("20"),
    earThickness: mem("10"),
    endBarThickness: mem("10"),
    shoulderWidth: mem("37"),
    shoulderLength: mem("80"),
    endBarWidth: mem("25"),
    bottomBarWidth: mem("20"),
    bottomBarThickness: mem("10"),
    combThickness: mem("25"),
  },
  sizes: {
    brood: { name: "brood", values: { bodyDepth: mem("310"), frameHeight: mem("300"), foundationHeight: mem("270"), ...sheet } },
    super: { name: "super", values: { bodyDepth: mem("170"), frameHeight: mem("160"), foundationHeight: mem("130"), ...sheet } },
  },
};
