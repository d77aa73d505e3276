import type { Units } from "@/core/length/length";
import { FIGURES, type judge } from "@/core/weigh/compare";
import type { Row } from "@/core/weigh/rows";

const figureOf = (id: string) => FIGURES.find((f) => f.id === id)!;

/** The one that is best by what counts, why, what speaks against it, and what would change that. */
export function So({ rows, verdict, units, many }: { rows: Row[]; verdict: ReturnType<typeof judge>; units: Units; many: number }) {
  const said = (id: string, k: number) => {
    const f = figureOf(id);
    const n = f.of(rows[k]!, many);
    return n === null ? "" : `${f.text(n, units)} ${f.unit(units, rows)}`.trim();
  };
  if (verdict.best === undefined || !rows[verdict.best])
    return <p className="mt-2 border-l-8 border-rule pl-4">Nothing decides: say at a row how much it counts.</p>;
  const { best } = verdict;
  return (
    <>
      <div className="mt-2 border-l-8 border-spruce bg-white p-4">
        <p className="text-[1.2rem] font-bold">{rows[best]!.name}</p>
        {verdict.because.slice(0, 4).map((id) => (
          <p key={id}>
            {figureOf(id).label}: <b className="font-mono">{said(id, best)}</b>
          </p>
        ))}
        {rows[best]!.notes.map((n) => (
          <p key={n} className="text-[.87rem] text-soft">
            {n}
          </p>
        ))}
      </div>
      {verdict.against.length > 0 && (
        <>
          <h2 className="small-head mt-4 border-b border-rule">What speaks against it</h2>
          {verdict.against.map((id) => (
            <p key={id} className="border-b border-rule py-1.5">
              {figureOf(id).label}: none does worse, <span className="font-mono">{said(id, best)}</span>
            </p>
          ))}
        </>
      )}
      {verdict.change.length > 0 && (
        <>
          <h2 className="small-head mt-4 border-b border-rule">What would change it</h2>
          {verdict.change.map(({ figure, thing }) => (
            <p key={figure} className="border-b border-rule py-1.5">
              If {figureOf(figure).label.toLowerCase()} decides: <b>{rows[thing]!.name}</b>, <span className="font-mono">{said(figure, thing)}</span>
            </p>
          ))}
        </>
      )}
      <p className="mt-4 text-[.84rem] text-soft">
        Lifts by the revised NIOSH equation for one person, from where a box stands in its stack; it judges no lift of yours. Follow local guidance on
        lifting. Combs as full of honey as is said, 1.42 kg/l. Minutes, money and wood of a whole hive are with its frames, of a box by itself without; wood without its scrap.
      </p>
    </>
  );
} // prettier-ignore
