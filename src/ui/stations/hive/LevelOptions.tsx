"use client";
import { boxFor } from "@/core/hive/fitted";
import type { Level } from "@/core/hive/hive";
import type { Standing } from "@/core/line/standing";
import type { OptionValue } from "@/core/shape/shape";
import type { Desk } from "@/ui/desk/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { OptionList } from "@/ui/parts/OptionList";

const MEASURES = [
  ["outsideLength", "outside, long"],
  ["outsideWidth", "outside, wide"],
  ["insideLength", "inside, long"],
  ["insideWidth", "inside, wide"],
  ["depth", "depth"],
  ["over", "over its frames"],
  ["under", "below its frames"],
] as const;

/** What can be chosen of one level, or what the tape says of a box that is there. */
export function LevelOptions({
  level,
  at,
  desk,
  standing,
  onChange,
}: {
  level: Level;
  at: number;
  desk: Desk;
  standing: Standing[];
  onChange(to: Level): void;
}) {
  const { units } = desk.job;
  if ("measured" in level) {
    const m = level.measured;
    return (
      <div className="no-print mt-3">
        <h2 className="small-head">As the tape reads it</h2>
        <input
          className="field w-full font-semibold"
          aria-label="Name of the box"
          key={m.name}
          defaultValue={m.name}
          onBlur={(e) =>
            e.target.value.trim() && onChange({ ...level, measured: { ...m, name: e.target.value.trim() } })
          }
        />
        {MEASURES.map(([name, label]) => (
          <label key={name} className="flex items-baseline justify-between py-0.5 text-[.9rem]">
            <span className="text-soft">{label}</span>
            <LengthField
              value={m[name]}
              units={units}
              label={`Box, ${label}`}
              className="w-20"
              onSettle={(v) => onChange({ ...level, measured: { ...m, [name]: v } })}
            />
          </label>
        ))}
      </div>
    );
  }
  const shape = standing.find((s) => s.at === at)?.shape;
  if (!shape) return <p className="no-print mt-3 text-soft">It does not stand in this season.</p>;
  const box = boxFor(standing, at);
  const canFit = box && shape.recipe.parameters.some((p) => p.name === "bodyOutsideWidth");
  const set = (name: string, value: OptionValue | null) => {
    const { [name]: _gone, ...others } = level.options;
    onChange({ ...level, options: value === null ? others : { ...others, [name]: value } });
  };
  return (
    <div className="no-print mt-3">
      {canFit && (
        <button
          className="quiet"
          onClick={() =>
            onChange({
              ...level,
              options: { ...level.options, bodyOutsideLength: box.length, bodyOutsideWidth: box.width },
            })
          }
        >
          make it to the box it meets, <Measure value={box.length} units={units} /> ×{" "}
          <Measure value={box.width} units={units} />
        </button>
      )}
      <OptionList shape={shape} asked={level.options} units={units} problem={() => undefined} set={set} />
    </div>
  );
}
