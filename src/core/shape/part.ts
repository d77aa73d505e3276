import type { Feature } from "@/core/feature/feature";
import type { Material } from "@/core/feature/material";
import type { Sides } from "@/core/feature/say";
import type { Working } from "@/core/formula/scope";
import type { Length } from "@/core/length/length";
import type { PartRecipe, Role } from "@/core/recipes/recipe";
import type { Axis } from "@/core/solid/solid";

export type Direction = "+x" | "-x" | "+y" | "-y" | "+z" | "-z";

/** A part in its place: its corner (0,0,0) in the item, and which way its own axes run. */
export interface Place {
  at: { x: number; y: number; z: number };
  dir: Record<Axis, Direction>;
  /** Radians it leans about its own length; absent when it stands square. */
  lean?: number;
}

/** A kind of piece in an item: blank, features, places. Sizes in nm; the count in one item is the number of places. */
export interface Part {
  id: string;
  name: string;
  role: Role;
  size: { l: Length; w: Length; t: Length };
  /** What is sawn: the size, and what is allowed for drying. */
  cut: { l: Length; w: Length; t: Length };
  material: Material;
  /** Cut as a block, worked as one, then sliced. */
  block: boolean;
  features: Feature[];
  places: Place[];
  outside?: string;
  /** What a person calls its faces, ends and edges, as the made thing has them. */
  sides: Sides;
  /** Cut to what is made before it. */
  fits?: NonNullable<PartRecipe["fits"]>;
  working: { length: Working; width: Working; thickness: Working };
}

/** Parts that are folded from sheet. */
export const foldedParts = (parts: Part[]): Part[] => parts.filter((p) => p.features.some((f) => f.fold));
