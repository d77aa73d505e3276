import { lengthValue, toLength } from "@/core/formula/formula";
import { Scope } from "@/core/formula/scope";
import { lengthWithUnit } from "@/core/length/format";
import { type Length, nm, type Units } from "@/core/length/length";
import type { Finding, State } from "./finding";

interface Size {
  length: Length;
  width: Length;
}

/**
 * How much of each wall's edge an excluder covers, where it covers least: `min(wall, (sheet − inside) / 2)`. Half the wall is
 * wanted; at nothing or less it falls in, and the queen walks past.
 */
export function excluderCover(
  sheet: Size,
  box: { inside: Size; outside: Size },
  said: { label: string; line: number; units: Units; advice: string },
): Finding {
  const along = sheet.length - box.inside.length <= sheet.width - box.inside.width;
  const pick = (s: Size) => (along ? s.length : s.width);
  const word = along ? "length" : "width";
  const scope = new Scope();
  const put = (name: string, label: string, value: Length) =>
    scope.define(name, { label, source: "measured", given: lengthValue(value) });
  put("sheet", `excluder ${word}`, pick(sheet));
  put("inside", `inside ${word}`, pick(box.inside));
  put("outside", `outside ${word}`, pick(box.outside));
  scope.define("wall", { label: "wall", source: "worked out", formula: "(outside - inside) / 2" });
  scope.define("cover", {
    label: said.label,
    source: "worked out",
    mark: "trade",
    formula: "min(wall, (sheet - inside) / 2)",
  });
  const working = scope.working("cover");
  const value = toLength(working.value, said.label);
  const half = nm(Math.round((pick(box.outside) - pick(box.inside)) / 4));
  const state: State = value <= 0 ? "stop" : value < half ? "care" : "ok";
  const say = (l: number) => lengthWithUnit(nm(l), said.units);
  return {
    rule: "excluder-cover",
    label: said.label,
    line: said.line,
    state,
    value,
    allowed: [half, null],
    text:
      state === "stop"
        ? `too small: it falls in by ${say(-value)} each side, and the queen walks past`
        : state === "care"
          ? `covers ${say(value)} of the wall, wants half, ${say(half)}`
          : `covers ${say(value)} of the wall`,
    advice: state === "ok" ? "" : said.advice,
    working,
  };
}
