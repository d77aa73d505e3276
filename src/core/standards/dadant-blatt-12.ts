import { dadantBlatt10 } from "./dadant-blatt-10";
import { mem } from "./marks";
import type { Standard } from "./standard";

/** Dadant-Blatt, twelve frames: square inside. */
export const dadantBlatt12: Standard = { ...dadantBlatt10, id: "dadant-blatt-12", name: "Dadant-Blatt, twelve frames", short: "Dadant-Blatt 12", values: { ...dadantBlatt10.values, boxInsideWidth: mem("450"), frames: mem(12) } };
