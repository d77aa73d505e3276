import { langstroth10 } from "./langstroth-10";
import type { Standard } from "./standard";

/** Every standard that ships; a test checks each against the schema. A new one is one more file and one more line here. */
export const STANDARDS: Standard[] = [langstroth10];

export function findStandard(id: string): Standard | undefined {
  return STANDARDS.find((s) => s.id === id);
}
