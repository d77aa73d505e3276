"use client";
import { shapeItem, isUnmakeable } from "@/core/shape/shape";
import { fitFrame } from "@/core/fit/frame";
import { DEFAULT_BANDS } from "@/core/fit/bands";
import { useState } from "react";
import { frameCount, measureBody, measureFrame } from "@/core/shape/measure";
import type { Finding } from "@/core/fit/finding";
import type { Units } from "@/core/length/length";
import { recipeFor } from "@/core/recipes";
import { COUNTS, standardProblems, withoutSize, withSize } from "@/core/standards/own";
import type { Standard } from "@/core/standards/standard";
import { STANDARD_NAMES } from "@/core/standards/words";
import { insist } from "@/ui/parts/askServer";
import { useDraft, useDrafts } from "@/ui/parts/useDraft";
import { Measure } from "@/ui/parts/Measure";

const STANDARD_DRAFTS = "standard ";

/** Standards not kept yet in this browser, and what each was begun from. */
export const useStandardDrafts = () => useDrafts<Standard>(STANDARD_DRAFTS).map(([, s]) => s);

/** A standard of the maker's own, changed value by value, with what it means for the fit at once. */
export function OwnStandard({
  start,
  units,
  onKept,
  onLeave,
}: {
  start: Standard;
  units: Units;
  onKept(all: Standard[], id: string): void;
  onLeave(): void;
}) {
  const draft = useDraft(`${STANDARD_DRAFTS}${start.id}`, start);
  const { value: standard, set } = draft;
  const [keeping, setKeeping] = useState(false);
  const [trouble, setTrouble] = useState<string | null>(null);
  const [sizeName, setSizeName] = useState("");
  const problems = standardProblems(standard);
  const wrong = (field: string) => problems.find((p) => p.field === field)?.message;
  const keep = async () => {
    setKeeping(true);
    try {
      const all = await insist<Standard[]>("/api/standards", { method: "PUT", body: standard }, (why) =>
        setTrouble(`Not kept yet: ${why}; it waits in this browser and is tried again.`),
      );
      draft.keptAs(standard);
      onKept(all, standard.id);
    } catch (e) {
      setTrouble(`It was not kept: ${(e as Error).message}.`);
    } finally {
      setKeeping(false);
    }
  };
  const valueRow = (field: string, name: string, value: string | number, put: (v: string | number) => void) => (
    <tr key={field}>
      <td>{STANDARD_NAMES[name] ?? name}</td>
      <td className="text-right">
        <input
          className="field w-28 text-right font-mono"
          aria-label={`${STANDARD_NAMES[name] ?? name} (${field})`}
          aria-invalid={wrong(field) && value !== "" ? true : undefined}
          value={String(value)}
          onChange={(e) =>
            put(COUNTS.includes(name) && /^\d+$/.test(e.target.value) ? Number(e.target.value) : e.target.value)
          }
        />
        {wrong(field) &&
          (value === "" ? (
            <span className="block text-[.84rem] text-soft">{wrong(field)}</span>
          ) : (
            <span role="alert" className="block text-[.84rem] text-madder">
              {wrong(field)}
            </span>
          ))}
      </td>
    </tr>
  );
  return (
    <section
      aria-label="A standard of your own"
      className="grid grid-cols-1 gap-x-8 gap-y-4 md:grid-cols-[minmax(0,1fr)_22rem]"
    >
      <div>
        <label className="mb-3 flex items-baseline gap-3">
          <span className="text-soft">Name</span>
          <input
            className="field w-80 text-[1.2rem] font-semibold"
            value={standard.name}
            onChange={(e) => set((s) => ({ ...s, name: e.target.value, short: e.target.value.slice(0, 24) }))}
          />
          {wrong("name") && (
            <span role="alert" className="text-madder">
              {wrong("name")}
            </span>
          )}
        </label>
        <fieldset className="mb-3 flex flex-wrap gap-x-5 gap-y-1">
          <legend className="text-soft">Bee space</legend>
          {BEE_SPACES.map(({ id, label }) => (
            <label key={id} className="flex items-baseline gap-1.5">
              <input
                type="radio"
                name="bee-space"
                checked={standard.beeSpace === id}
                onChange={() => set((s) => ({ ...s, beeSpace: id }))}
              />
              {label}
            </label>
          ))}
        </fieldset>
        <table className="cutting-list">
          <caption className="small-head text-left">
            All sizes, in {standard.units === "in" ? "inches" : "mm"} unless said
          </caption>
          <tbody>
            {Object.entries(standard.values).map(([name, v]) =>
              valueRow(`values.${name}`, name, v.value, (value) =>
                set((s) => ({ ...s, values: { ...s.values, [name]: { ...v, value, mark: "mem" } } })),
              ),
            )}
          </tbody>
        </table>
        {Object.entries(standard.sizes).map(([id, size]) => (
          <table key={id} className="cutting-list mt-4">
            <caption className="small-head text-left">
              {size.name}
              {Object.keys(standard.sizes).length > 1 && (
                <button className="quiet ml-3" onClick={() => set((s) => withoutSize(s, id))}>
                  leave out {size.name}
                </button>
              )}
            </caption>
            <tbody>
              {Object.entries(size.values).map(([name, v]) =>
                valueRow(`sizes.${id}.values.${name}`, name, v.value, (value) =>
                  set((s) => ({
                    ...s,
                    sizes: {
                      ...s.sizes,
                      [id]: {
                        ...s.sizes[id]!,
                        values: { ...s.sizes[id]!.values, [name]: { ...v, value, mark: "mem" } },
                      },
                    },
                  })),
                ),
              )}
            </tbody>
          </table>
        ))}
        <form
          className="mt-3 flex items-baseline gap-3"
          onSubmit={(e) => {
            e.preventDefault();
            const name = sizeName.trim();
            if (name === "") return;
            set((s) => withSize(s, name));
            setSizeName("");
          }}
        >
          <label className="flex items-baseline gap-2">
            <span className="text-soft">Another size</span>
            <input
              className="field w-40"
              placeholder="super"
              value={sizeName}
              maxLength={30}
              onChange={(e) => setSizeName(e.target.value)}
            />
          </label>
          <button className="quiet">add it</button>
        </form>
      </div>
      <aside>
        <p className="flex gap-3">
          <button className="act" disabled={problems.length > 0 || keeping} onClick={() => void keep()}>
            Keep it
          </button>
          <button
            className="quiet"
            onClick={() => {
              draft.giveUp();
              onLeave();
            }}
          >
            leave without keeping
          </button>
        </p>
        {draft.found && (
          <p className="mt-2 border-l-4 border-straw-line pl-2">Taken up where you left off; it is not kept yet.</p>
        )}
        {trouble && (
          <p role="alert" className="text-madder">
            {trouble}
          </p>
        )}
        {problems.length > 0 && (
          <p className="mt-2">
            {problems.length === 1 ? "One value is" : `${problems.length} values are`} still wanted or wrong; the fit
            shows when they are right.
          </p>
        )}
        {Object.keys(standard.sizes).map((size) => (
          <Fits key={size} standard={standard} size={size} units={units} ready={problems.length === 0} />
        ))}
      </aside>
    </section>
  );
}

const BEE_SPACES = [
  { id: "top", label: "above the frames" },
  { id: "bottom", label: "below the frames" },
  { id: "closed", label: "bars close the box" },
] as const;

/** Its own frame in its own box, by every rule. */
function Fits({ standard, size, units, ready }: { standard: Standard; size: string; units: Units; ready: boolean }) {
  const findings = ready ? tryOut(standard, size, units) : [];
  if (findings.length === 0) return null;
  return (
    <section className="mt-3">
      <h3 className="small-head">{standard.sizes[size]!.name}: its frame in its box</h3>
      <ul className="text-[.93rem]">
        {findings.map((f) => (
          <li key={f.rule} className="border-t border-rule py-0.5">
            {f.label} <Measure value={f.value} units={units} />{" "}
            <span className={f.state === "ok" ? "text-soft" : "font-semibold text-madder"}>{f.text}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function tryOut(standard: Standard, size: string, units: Units): Finding[] {
  try {
    const body = shapeItem(recipeFor("body", standard)!, standard, size, {}, units);
    const frame = shapeItem(recipeFor(standard.hangs ?? "frame", standard)!, standard, size, {}, units);
    return fitFrame(measureFrame(frame), measureBody(body), frameCount(body), standard.beeSpace, {
      line: 0,
      units,
      bands: DEFAULT_BANDS,
    });
  } catch (e) {
    if (isUnmakeable(e)) return [];
    throw e;
  }
}
