import { toMm } from "@/core/length/format";
import type { Units } from "@/core/length/length";
import { workingText } from "@/core/formula/write";
import type { Finding } from "./finding";

/** The findings as the contract's document. */
export function findingsDocument(findings: Finding[], units: Units) {
  return {
    findings: findings.map((f) => ({
      rule: f.rule,
      line: f.line,
      state: f.state,
      ...(f.gapState ? { gapState: f.gapState } : {}),
      valueMm: f.figure ? f.figure.mm : toMm(f.value),
      allowedMm: f.allowed.map((a) => (a === null ? null : toMm(a))),
      text: `${f.label}: ${f.text}`,
      advice: f.advice,
      ...(f.ofStandard ? { ofStandard: true } : {}),
      working: workingText(f.working, units),
    })),
  };
}
