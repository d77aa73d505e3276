import { findRecipe } from "@/core/recipes";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";

/** What an item is called, that ships or of the maker's own; its id where nobody knows it any more. */
export const itemName = (id: string): string => findRecipe(id)?.name ?? designStore(database()).newest().find((d) => d.recipe.id === id)?.recipe.name ?? id; // prettier-ignore
