"use client";
import { useState } from "react";
import { inch, type Length, type Units } from "@/core/length/length";
import { lengthText } from "@/core/length/format";
import { addAt, drawnOut, holesArea, openingArea } from "@/core/weigh/inuse";
import type { Row } from "@/core/weigh/rows";
import { LengthField } from "@/ui/parts/LengthField";
import { NumberField } from "@/ui/parts/NumberField";

/** A deep Langstroth comb, both faces, nm². */
const DEEP = 2 * inch(17) * inch(8);

/** Sums of use: wax to be built, when to add a box, entrance and vents. */
export function InUse({ rows, units }: { rows: Row[]; units: Units }) {
  const [asked, setAsked] = useState({ combs: 10, frames: 10, holes: 0 });
  const [gap, setGap] = useState<{ wide: Length; high: Length; round: Length }>({ wide: inch(14, 3, 4), high: inch(0, 3, 8), round: inch(1) });
  const faces = rows[0]?.combArea ?? DEEP;
  const wax = drawnOut(asked.combs, faces);
  const add = addAt(asked.frames);
  const size = (label: string, key: keyof typeof gap) => (
    <LengthField label={label} value={gap[key]} units={units} onSettle={(l) => setGap({ ...gap, [key]: l })} />
  );
  return (
    <section aria-label="In use" className="mt-8">
      <h2 className="border-b-2 border-ink text-[1.2rem] font-semibold">Wax, room and air</h2>
      <div className="mt-2 grid grid-cols-1 gap-x-8 gap-y-3 lg:grid-cols-3">
        <div>
          <p>
            <NumberField label="Combs to be drawn out" value={asked.combs} onSettle={(n) => n > 0 && setAsked({ ...asked, combs: Math.round(n) })} className="w-14" /> combs of {rows[0]?.combArea ? rows[0].name.toLowerCase() : "a deep frame"} to be drawn out
          </p>
          <p className="text-[1.2rem]">
            <b className="font-mono">{wax.waxKg.toFixed(1)} kg</b> of wax, <b className="font-mono">{wax.honeyKg.toFixed(1)} kg</b> of honey or its sugar for it
          </p>
          <p className="text-[.87rem] text-soft">about 100 g for a deep comb by its face, from memory; 8 lb of honey for a pound of wax, the usual saying</p>
        </div>
        <div>
          <p>
            box of <NumberField label="Frames in the box" value={asked.frames} onSettle={(n) => n > 0 && setAsked({ ...asked, frames: Math.round(n) })} className="w-14" /> frames: add one above
          </p>
          <p className="text-[1.2rem]">
            when <b className="font-mono">{add.from === add.to ? add.from : `${add.from} or ${add.to}`}</b> are covered
          </p>
          <p className="text-[.87rem] text-soft">seven or eight of ten; later they swarm, earlier they cannot keep it warm</p>
        </div>
        <div>
          <p className="flex flex-wrap gap-x-3">
            <span>entrance {size("Entrance, width", "wide")} × {size("Entrance, height", "high")}</span>
            <span>
              and <NumberField label="Vent holes" value={asked.holes} onSettle={(n) => n >= 0 && setAsked({ ...asked, holes: Math.round(n) })} className="w-12" /> holes of {size("Vent hole, across", "round")}
            </span>
          </p>
          <p className="text-[1.2rem]">
            <b className="font-mono">{(openingArea(gap.wide, gap.high) + holesArea(asked.holes, gap.round)).toFixed(1)} cm²</b> open
          </p>
          <p className="text-[.87rem] text-soft">
            {lengthText(gap.wide, units)} × {lengthText(gap.high, units)} is {openingArea(gap.wide, gap.high).toFixed(1)} cm², holes {holesArea(asked.holes, gap.round).toFixed(1)}; mesh lets through about half. Under 3/8" high keeps
            mice out; reduce it where wasps or robbers come.
          </p>
        </div>
      </div>
    </section>
  );
} // prettier-ignore
