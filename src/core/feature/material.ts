import { z } from "zod";

/** What a part is cut from: boards, or sheets of something. */
export const materialSchema = z.enum(["wood", "ply", "mesh", "metal", "foam", "plastic"]);
export type Material = z.infer<typeof materialSchema>;
