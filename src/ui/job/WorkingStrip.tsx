"use client";
import { lineAt } from "@/core/line/shapes";
import type { Part } from "@/core/shape/part";
import { featureCuts } from "@/core/feature/say";
import { sourceText } from "@/core/formula/write";
import type { Scope, Working } from "@/core/formula/scope";
import type { Units } from "@/core/length/length";
import { Key } from "@/ui/parts/Key";
import { OpensDrawer } from "@/ui/parts/OpensDrawer";
import { ValueShown, WorkingLine } from "@/ui/parts/WorkingText";
import { useDesk } from "@/ui/desk/useDesk";

/** The working of what is lit, along the foot of the page; `w` opens all that stands behind it. */
export function WorkingStrip({ open, setOpen }: { open: boolean; setOpen(open: boolean): void }) {
  const { lit, worked, line, job } = useDesk();
  const shape = lineAt(worked.lines, line)?.shape;
  const working = lit?.working ?? shape?.parts[0]?.working.length;
  if (!shape || !working) return null;
  return (
    <footer
      className="no-print flex min-h-[66px] flex-wrap items-center gap-x-5 border-t-2 border-ink bg-white px-5 py-2"
      aria-label="Working"
    >
      <strong>{working.label}</strong>
      <span className="text-[1.2rem]">
        <WorkingLine working={working} units={job.units} />
      </span>
      <span className="ml-auto max-w-[30rem] text-right text-[.87rem] text-soft">
        {working.why && <span className="block">{working.why}</span>}
        <span className="block">{sourceText(working)}</span>
      </span>
      <Cuts part={shape.parts.find((p) => lit?.key === `part ${p.id}`)} units={job.units} />
      <OpensDrawer
        open={open}
        setOpen={setOpen}
        label={
          <>
            all of it <Key k="w" />
          </>
        }
        title={`${working.label}, all the way back`}
        className="max-h-[80dvh] w-[min(46rem,100vw)] border-t-2 border-l-2"
      >
        <Chain working={working} scope={shape.scope} units={job.units} seen={new Set()} />
      </OpensDrawer>
    </footer>
  );
}

/** How the lit part's joints are cut: machine, edge and face. Takes its line whether or not a part is lit. */
function Cuts({ part, units }: { part: Part | undefined; units: Units }) {
  const cuts = part ? featureCuts(part.features, units, part.sides) : [];
  return (
    <p className="order-last h-[1.3em] w-full truncate text-[.84rem] text-soft" aria-live="off">
      {cuts.map(({ what, how }) => `${what}: ${how}`).join(" · ")}
    </p>
  );
}

/** A working and, beneath it, each number it uses, down to what was asked or the standard's mark. */
function Chain({ working, scope, units, seen }: { working: Working; scope: Scope; units: Units; seen: Set<string> }) {
  const names = [
    ...new Set(
      (working.tokens ?? []).flatMap((t) => ("op" in t || t.name === undefined || seen.has(t.name) ? [] : [t.name])),
    ),
  ];
  names.forEach((n) => seen.add(n));
  return (
    <div>
      <p className="text-[1.1rem]">
        <WorkingLine working={working} units={units} />
      </p>
      {working.formula && working.tokens && working.tokens.length > 1 && (
        <p className="font-mono text-[.85rem] text-soft">{working.formula}</p>
      )}
      <p className="text-[.87rem] text-soft">
        {working.why ? `${working.why} · ` : ""}
        {sourceText(working)}
      </p>
      {names.length > 0 && (
        <ul className="mt-2 ml-1 space-y-3 border-l-2 border-rule pl-4">
          {names.map((n) => {
            const known = scope.has(n);
            const token = working.tokens!.find((t) => "name" in t && t.name === n) as { value: Working["value"] };
            return (
              <li key={n}>
                <strong className="font-semibold">{known ? scope.label(n) : n}</strong>
                {known ? (
                  <Chain working={scope.working(n)} scope={scope} units={units} seen={seen} />
                ) : (
                  <div>
                    <ValueShown value={token.value} units={units} />
                  </div>
                )}
              </li>
            );
          })}
        </ul>
      )}
    </div>
  );
}
