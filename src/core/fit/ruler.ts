import { lengthValue, toLength } from "@/core/formula/formula";
import { Scope, type Working } from "@/core/formula/scope";
import { lengthWithUnit } from "@/core/length/format";
import { type Length, nm } from "@/core/length/length";
import { gapState, type Judging } from "./bands";
import type { Finding, State } from "./finding";

/** What a rule says beside the number it found. */
interface Said {
  rule: string;
  label: string;
  at: number;
  state: State;
  allowed: [Length | null, Length | null];
  text: string;
  advice?: string;
  gap?: boolean;
}
export type Ruler = ReturnType<typeof ruler>;

/** Makes findings in a job's units: each a working of named lengths and one formula over them. */
export function ruler({ units, bands }: Judging) {
  const say = (l: number) => lengthWithUnit(nm(Math.round(l)), units);
  const work = (label: string, values: [name: string, label: string, value: number][], formula: string) => {
    const scope = new Scope();
    for (const [name, what, value] of values)
      scope.define(name, { label: what, source: "measured", given: lengthValue(nm(value)) });
    scope.define("found", { label, source: "worked out", mark: "trade", formula });
    const working = { ...scope.working("found"), name: label };
    return { value: toLength(working.value, label), working };
  };
  const finding = (said: Said, { value, working }: { value: Length; working: Working }): Finding => ({
    rule: said.rule,
    label: said.label,
    line: said.at,
    state: said.state,
    value,
    allowed: said.allowed,
    text: said.text,
    advice: said.state === "ok" ? "" : (said.advice ?? ""),
    working,
    ...(said.gap ? { bands, gapState: gapState(value, bands).gapState } : {}),
  });
  /** What is not there: no length to it. */
  const missing = (rule: string, label: string, at: number, text: string, advice: string, state: State = "stop") =>
    finding(
      { rule, label, at, state, allowed: [null, null], text, advice },
      work(label, [["none", "nothing", 0]], "none"),
    );
  return { say, work, finding, missing, units, bands };
}
