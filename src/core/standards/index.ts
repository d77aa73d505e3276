import { langstroth10 } from "./langstroth-10";
import { type Standard, standardSchema } from "./standard";

/** Every standard that ships, checked once at load. A new one is one more file and one more line here. */
export const STANDARDS: Standard[] = [langstroth10].map((s) => standardSchema.parse(s));

export function findStandard(id: string): Standard | undefined {
  return STANDARDS.find((s) => s.id === id);
}
