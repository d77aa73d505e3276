import type { Recipe } from "@/core/recipes/recipe";
import { useDrafts } from "@/ui/parts/useDraft";

/** What is being drawn up: the recipe, and what is said of the mark it will be. */
export interface DesignDraft {
  recipe: Recipe;
  why: string;
}

const PAGES = "/patterns/designs/";

/** A draft lies under the address it is drawn up at: the design's own once a mark is kept, what it is begun from before. */
export const draftKey = (
  id: string,
  kept: boolean,
  from: { copy?: string; standard?: string; name?: string },
): string => `${PAGES}${kept ? id : `new?${new URLSearchParams(from)}`}`;

/** Designs not kept yet in this browser, by the addresses they are drawn up at. */
export const useDesignDrafts = () => useDrafts<DesignDraft>(PAGES);
