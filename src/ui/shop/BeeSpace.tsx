"use client";
import { DEFAULT_BANDS, SCHOOLS } from "@/core/fit/bands";
import type { Bands } from "@/core/fit/finding";
import type { Length, Units } from "@/core/length/length";
import { LengthField } from "@/ui/parts/LengthField";

/** What gaps are held against: a school of the trade, or numbers of one's own. */
export function BeeSpace({ bands, units, onSettle }: { bands: Bands; units: Units; onSettle(bands: Bands): void }) {
  const school = SCHOOLS.find((s) => s.open.every((o, i) => o === bands.open[i]))?.id ?? "";
  const field = (label: string, value: Length, usual: Length, put: (v: Length) => Bands) => (
    <div className="flex items-baseline justify-between gap-x-4 border-t border-rule py-1.5">
      <span>{label}</span>
      <LengthField
        label={label}
        value={value}
        units={units}
        usual={value === usual}
        onSettle={(v) => onSettle(put(v))}
        className="w-24"
      />
    </div>
  );
  return (
    <>
      <div className="flex items-baseline justify-between gap-x-4 border-t border-rule py-1.5">
        <span>
          School
          <span className="block text-[.87rem] text-soft">what a bee space is held to be open at; care beyond it</span>
        </span>
        <select
          className="field"
          aria-label="School of bee space"
          value={school}
          onChange={(e) => {
            const found = SCHOOLS.find((s) => s.id === e.target.value);
            if (found) onSettle({ ...bands, open: found.open });
          }}
        >
          {SCHOOLS.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
          {school === "" && <option value="">our own</option>}
        </select>
      </div>
      {field("Glued below", bands.glues, DEFAULT_BANDS.glues, (glues) => ({ ...bands, glues }))}
      {field("Open from", bands.open[0], DEFAULT_BANDS.open[0], (from) => ({ ...bands, open: [from, bands.open[1]] }))}
      {field("Open to", bands.open[1], DEFAULT_BANDS.open[1], (to) => ({ ...bands, open: [bands.open[0], to] }))}
      {field("Bridged above", bands.bridges, DEFAULT_BANDS.bridges, (bridges) => ({ ...bands, bridges }))}
    </>
  );
}
