import type { ReactNode } from "react";
import type { Units } from "@/core/length/length";
import type { Parameter } from "@/core/recipes/recipe";
import { holds, lengthOf, type Options, type OptionValue, type Shape } from "@/core/shape/shape";
import { LengthField } from "./LengthField";
import { NumberField } from "./NumberField";

interface Props {
  shape: Shape;
  /** What was asked; everything else is the usual. */
  asked: Options;
  units: Units;
  problem(name: string): string | undefined;
  /** Null goes back to the usual. */
  set(name: string, value: OptionValue | null): void;
  /** Shows what a value would do while it is typed. */
  tryOut?(name: string, value: OptionValue): void;
  /** Forgets what was tried. */
  giveUp?(): void;
  /** What stands beside a group's name. */
  beside?: Record<string, ReactNode>;
}

/** Every choice an item has, grouped by what it changes. */
export function OptionList(props: Props) {
  const { shape, beside } = props;
  const shown = shape.recipe.parameters.filter((p) => holds(p.when, shape.scope));
  const groups = [...new Set(shown.map((p) => p.group))];
  return (
    <div className="mt-3 space-y-2.5 text-[.9rem]">
      {groups.map((g) => (
        <fieldset key={g}>
          <legend className="small-head">{g}</legend>
          {beside?.[g]}
          {shown
            .filter((p) => p.group === g)
            .map((p) => (
              <div key={p.name} className="flex items-baseline justify-between gap-2 py-[1px]">
                <span className="text-soft" title={p.hint}>
                  {p.label}
                </span>
                <OptionField {...props} parameter={p} />
              </div>
            ))}
        </fieldset>
      ))}
    </div>
  );
}

function OptionField({
  shape,
  asked: all,
  units,
  problem,
  set: put,
  tryOut,
  giveUp,
  parameter: p,
}: Props & { parameter: Parameter }) {
  const asked = all[p.name] !== undefined;
  // It stands at its field: what that is called need not be said again.
  const wrong = problem(p.name)?.replace(`${p.label}: `, "");
  const set = (value: OptionValue | null) => put(p.name, value);
  const back = asked && (
    <button
      className="quiet no-print text-[.8rem]"
      title="back to the usual"
      aria-label={`Back to the usual ${p.label.toLowerCase()}`}
      onClick={() => set(null)}
    >
      usual
    </button>
  );
  if (p.kind === "length")
    return (
      <span className="flex items-baseline gap-1">
        {back}
        <LengthField
          value={lengthOf(shape, p.name)}
          units={units}
          label={p.label}
          usual={!asked}
          problem={wrong}
          onType={(v) => tryOut?.(p.name, v)}
          onGiveUp={giveUp}
          onSettle={(v) => set(v)}
          className="w-20"
        />
      </span>
    );
  const value = shape.scope.working(p.name).value;
  if (p.kind === "flag")
    return (
      <select
        className="field text-right"
        aria-label={p.label}
        value={value.kind === "flag" && value.of ? "yes" : "no"}
        onChange={(e) => set(e.target.value === "yes")}
      >
        <option value="yes">yes</option>
        <option value="no">no</option>
      </select>
    );
  if (p.kind !== "choice")
    return (
      <span className="flex items-baseline gap-1">
        {back}
        <NumberField
          label={p.label}
          value={value.kind === "amount" ? Number(value.of.valueOf().toPrecision(4)) : null}
          onType={(n) => tryOut?.(p.name, n)}
          onGiveUp={giveUp}
          onSettle={(n) => set(n)}
          className={`w-20 ${asked ? "font-semibold" : ""}`}
        />
        {wrong && (
          <span role="alert" className="text-[.82rem] text-madder">
            {wrong}
          </span>
        )}
      </span>
    );
  return (
    <select
      className={`field max-w-36 text-right ${asked ? "font-semibold" : ""}`}
      aria-label={p.label}
      value={value.kind === "word" ? value.of : ""}
      title={p.choices.find((c) => value.kind === "word" && c.id === value.of)?.note}
      onChange={(e) => set(e.target.value)}
    >
      {p.choices.map((c) => (
        <option key={c.id} value={c.id}>
          {c.label}
        </option>
      ))}
    </select>
  );
}
