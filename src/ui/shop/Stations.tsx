"use client";
import { STATIONS } from "@/core/feature/machine";
import type { Workshop } from "@/core/shop/shop";
import { NumberField } from "@/ui/parts/NumberField";

/** How many there are of each station, and how many go through it at once. */
export function Stations({
  workshop,
  onSettle,
}: {
  workshop: Workshop;
  onSettle(to: Pick<Workshop, "stations"> | Pick<Workshop, "lots">): void;
}) {
  const without = <T extends object>(of: T, key: keyof T) => {
    const { [key]: _gone, ...rest } = of;
    return rest as T;
  };
  return (
    <table className="cutting-list">
      <thead>
        <tr>
          <th>station</th>
          <th className="text-right!">there are</th>
          <th className="text-right!">at once, at most</th>
        </tr>
      </thead>
      <tbody>
        {STATIONS.map((s) => (
          <tr key={s}>
            <td>{s}</td>
            <td className="text-right">
              <NumberField
                label={`How many there are: ${s}`}
                value={workshop.stations[s] ?? null}
                empty={FOR_EACH.includes(s) ? "one each" : "1"}
                onSettle={(n) => onSettle({ stations: { ...workshop.stations, [s]: n } })}
                onEmpty={() => onSettle({ stations: without(workshop.stations, s) })}
                className={`w-24 ${workshop.stations[s] === undefined ? "" : "font-semibold"}`}
              />
            </td>
            <td className="text-right">
              <NumberField
                label={`How many go through at once: ${s}`}
                value={workshop.lots[s] ?? null}
                empty="as the step has it"
                onSettle={(n) => onSettle({ lots: { ...workshop.lots, [s]: n } })}
                onEmpty={() => onSettle({ lots: without(workshop.lots, s) })}
                className={`w-44 ${workshop.lots[s] === undefined ? "" : "font-semibold"}`}
              />
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
const FOR_EACH: string[] = ["bench", "clamps", "frame jig", "finish"];
