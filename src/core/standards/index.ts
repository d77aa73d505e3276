import { az } from "./az";
import { commercial } from "./commercial";
import { dadantBlatt10 } from "./dadant-blatt-10";
import { dadantBlatt12 } from "./dadant-blatt-12";
import { deutschNormal } from "./deutsch-normal";
import { kenya } from "./kenya";
import { langstroth10 } from "./langstroth-10";
import { langstroth5 } from "./langstroth-5";
import { langstroth8 } from "./langstroth-8";
import { layens } from "./layens";
import { national } from "./national";
import { smith } from "./smith";
import { square190 } from "./square-190";
import type { Standard } from "./standard";
import { warre } from "./warre";
import { zander } from "./zander";

/** Every standard that ships; a test checks each against the schema. A new one is one more file and one more line here. */
export const STANDARDS: Standard[] = [langstroth10, langstroth8, langstroth5, national, dadantBlatt10, dadantBlatt12, zander, deutschNormal, commercial, smith, az, layens, kenya, warre, square190];

export function findStandard(id: string): Standard | undefined {
  return STANDARDS.find((s) => s.id === id);
}
