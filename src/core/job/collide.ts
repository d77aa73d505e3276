import { meet } from "@/core/keeping/kept";
import type { Act } from "./acts";

/**
 * What an act touches, so that two done on different screens can both stand: `line 3`, `line 3 thickness`, `lines` where places
 * move up. One that lies within another's touches it: `line 3` and `line 3 thickness`.
 */
export function touches(act: Act): string[] {
  switch (act.do) {
    case "name":
    case "dates":
    case "units":
    case "finish":
    case "thickness":
    case "hives":
    case "customer":
    case "wood":
    case "alone":
    case "reserve":
      return [act.do];
    case "quote":
      return Object.keys(act.to).map((k) => `quote ${k}`);
    case "ask for":
      return [`line ${act.at} asked`];
    case "give quote":
    case "spoil":
      return [];
    case "accept quote":
      // It may set how many of each line are made.
      return ["accepted", "line"];
    case "sawn":
    case "hold":
      return ["pinned"];
    case "add line":
    case "add lines":
    case "add stock":
      return [];
    case "change line":
      return Object.keys(act.to).map((k) =>
        ["item", "standard", "size"].includes(k) ? `line ${act.at}` : `line ${act.at} ${k}`,
      );
    case "option":
      return [`line ${act.at} ${act.name}`];
    case "remove line":
      return ["line", "reading"];
    case "change stock":
    case "strike out":
    case "resaw":
    case "bad stretches":
      return [`stock ${act.at}`];
    case "remove stock":
      return ["stock"];
    case "read":
      return [`reading ${act.reading.subject}`];
    case "use standard":
      return [`standard ${act.standard.id}`];
    case "use design":
      return [`design ${act.design.recipe.id}`];
    case "pin":
      return ["pinned"];
    case "as the shop":
      return [`workshop ${act.name}`];
    case "workshop":
      return Object.keys(act.to).map((k) => `workshop ${k}`);
  }
}

/** True when the two are about the same thing, so that only one of them can stand. */
export const collides = (a: Act, b: Act): boolean => meet(touches(a), touches(b));

/** True when an act done after another may mean something else without it: the same thing, or a line or stock that was to be there. */
export const dependsOn = (later: Act, earlier: Act): boolean => {
  const added = earlier.do.startsWith("add line") ? "line" : earlier.do === "add stock" ? "stock" : undefined;
  return collides(later, earlier) || (added !== undefined && meet(touches(later), [added]));
};
