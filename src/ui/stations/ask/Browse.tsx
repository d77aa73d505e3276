"use client";
import { type Shape, isUnmakeable } from "@/core/shape/shape";
import { useMemo, useState } from "react";
import type { Makeable } from "@/core/job/find";
import { shapeOfLine } from "@/core/line/shapes";
import { reach, view } from "@/core/shape/assembly";
import { useDesk } from "@/ui/desk/useDesk";
import { paper } from "@/ui/drawing/paper";
import { Wood } from "@/ui/drawing/Wood";

/** Everything that can be made in a standard, by family, each with a small drawing: for who does not know the word. */
export function Browse({ all, add }: { all: Makeable[]; add(m: Makeable): void }) {
  const desk = useDesk();
  const standards = [...new Map(all.map((m) => [m.standard, m.standardName])).entries()];
  const [standard, setStandard] = useState(desk.job.lines[0]?.standard ?? standards[0]![0]);
  const own = all.filter((m) => m.standard === standard);
  const families = [...new Set(own.map((m) => m.family))];
  return (
    <section aria-label="Everything that can be made" className="mt-4 text-left">
      <label className="mb-2 block">
        <span className="text-soft">Everything that can be made for </span>
        <select className="field" value={standard} onChange={(e) => setStandard(e.target.value)}>
          {standards.map(([id, name]) => (
            <option key={id} value={id}>
              {name}
            </option>
          ))}
        </select>
      </label>
      {families.map((family) => (
        <section key={family}>
          <h3 className="small-head">{family}</h3>
          <ul className="grid grid-cols-2 gap-x-4 2xl:grid-cols-3">
            {own
              .filter((m) => m.family === family)
              .map((m) => (
                <li key={`${m.item} ${m.size}`} className="border-b border-rule">
                  <button
                    className="grid w-full grid-cols-[84px_1fr] items-center gap-3 border-0 bg-transparent py-1.5 text-left hover:bg-white"
                    onClick={() => add(m)}
                  >
                    <Thumb of={m} />
                    <span>
                      <strong className="block font-semibold">{m.name}</strong>
                      {m.called.length > 0 && (
                        <span className="text-[.82rem] text-soft">{m.called.slice(0, 2).join(", ")}</span>
                      )}
                    </span>
                  </button>
                </li>
              ))}
          </ul>
        </section>
      ))}
    </section>
  );
}

const [WIDE, HIGH] = [84, 52];

/** A thing as it is seen from its side, small. */
function Thumb({ of }: { of: Makeable }) {
  const desk = useDesk();
  const shape = useMemo((): Shape | undefined => {
    try {
      return shapeOfLine(
        { item: of.item, standard: of.standard, size: of.size, quantity: 1, options: {} },
        { units: "in", standards: desk.standards, designs: desk.designs },
      );
    } catch (e) {
      if (isUnmakeable(e)) return undefined;
      throw e;
    }
  }, [of, desk.standards, desk.designs]);
  if (!shape) return <span />;
  const [[x0, x1], [z0, z1]] = [reach(shape, "x"), reach(shape, "z")];
  const scale = Math.min((WIDE - 4) / ((x1 - x0) / 1e6), (HIGH - 4) / ((z1 - z0) / 1e6));
  const at = { x: (WIDE - ((x1 - x0) / 1e6) * scale) / 2, y: (HIGH - ((z1 - z0) / 1e6) * scale) / 2 };
  const outlines = view(shape, "y").map((o) => ({ ...o, cut: true, grain: "long" as const }));
  return (
    <svg viewBox={`0 0 ${WIDE} ${HIGH}`} className="block w-full [&_path]:[stroke-width:0.7]" aria-hidden="true">
      <Wood outlines={outlines} p={paper(at, x0, z1, scale)} />
    </svg>
  );
}
