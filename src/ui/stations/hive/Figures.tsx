"use client";
import { useMemo, useState } from "react";
import { rText } from "@/core/fit/rvalue";
import { warmth } from "@/core/hive/warmth";
import { heaviest, weigh, weightText } from "@/core/hive/weigh";
import type { Units } from "@/core/length/length";
import type { Standing } from "@/core/line/standing";
import { Measure } from "@/ui/parts/Measure";
import { NumberField } from "@/ui/parts/NumberField";

/** How high it stands, how heavy it is, how warm; and the caution that belongs to a lift. */
export function Figures({ standing, units }: { standing: Standing[]; units: Units }) {
  const [fill, setFill] = useState(100);
  const weights = useMemo(() => weigh(standing, fill / 100), [standing, fill]);
  const warm = useMemo(() => warmth(standing), [standing]);
  const lift = heaviest(weights.levels, standing);
  const kg = (n: number) => weightText(n, units);
  return (
    <>
      <dl className="mt-2 grid grid-cols-[1fr_auto] gap-x-3 text-[.95rem]">
        <dt className="border-t border-rule py-1">Height</dt>
        <dd className="border-t border-rule py-1 text-right">
          <Measure value={weights.height as Parameters<typeof Measure>[0]["value"]} units={units} />
        </dd>
        <dt className="border-t border-rule py-1">Room inside the boxes</dt>
        <dd className="border-t border-rule py-1 text-right font-mono">{weights.litres.toFixed(1)} l</dd>
        <dt className="border-t border-rule py-1">Empty, without bees</dt>
        <dd className="border-t border-rule py-1 text-right font-mono">{kg(weights.emptyKg)}</dd>
        <dt className="border-t border-rule py-1">
          Combs{" "}
          <NumberField
            label="Combs full, percent"
            value={fill}
            onSettle={(n) => setFill(Math.max(0, Math.min(100, n)))}
            className="w-12"
          />
          % full of honey
        </dt>
        <dd className="border-t border-rule py-1 text-right font-mono">{kg(weights.fullKg)}</dd>
        {lift && (
          <>
            <dt className="border-t border-rule py-1">Heaviest lift, {lift.title.toLowerCase()}</dt>
            <dd className="border-t border-rule py-1 text-right font-mono">{kg(lift.kg)}</dd>
          </>
        )}
        {warm && (
          <>
            {(["wall", "lid", "floor"] as const).flatMap((what) => {
              const r = warm[what];
              return r === undefined
                ? []
                : [
                    <dt
                      key={`${what} label`}
                      className="border-t border-rule py-1"
                      title="m²·K/W; in brackets ft²·°F·h/Btu"
                    >
                      R of the {what}, lowest box
                    </dt>,
                    <dd key={what} className="border-t border-rule py-1 text-right font-mono">
                      {rText(r)}
                    </dd>,
                  ];
            })}
            <dt className="border-t border-rule py-1" title="without what goes out with the air">
              It loses, a degree
            </dt>
            <dd className="border-t border-rule py-1 text-right font-mono">{warm.loss.toFixed(1)} W/K</dd>
          </>
        )}
      </dl>
      <p className="text-[.84rem] text-soft">
        A full box is a heavy lift: lift a frame at a time, or two people. Insulation keeps heat in and out; it makes
        none. Follow local guidance on lifting.
      </p>
    </>
  );
}
