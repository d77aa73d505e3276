"use client";
import { recipeOf } from "@/core/designs/design";
import type { Finding } from "@/core/fit/finding";
import { type Level, SEASONS, type Season } from "@/core/hive/hive";
import type { Desk } from "@/ui/desk/useDesk";

const SHORT: Record<Season, string> = { spring: "sp", summer: "su", autumn: "au", winter: "wi" };

/** One level of a hive: what it is, how it stands, in which seasons; moved and taken out here. */
export function LevelRow({
  level,
  i,
  last,
  desk,
  chosen,
  away,
  state,
  onChoose,
  onChange,
  onMove,
}: {
  level: Level;
  i: number;
  last: number;
  desk: Desk;
  chosen: boolean;
  away: boolean;
  state: Finding["state"];
  onChoose(): void;
  onChange(to: Level | null): void;
  onMove(by: 1 | -1): void;
}) {
  const standard = "measured" in level ? undefined : desk.standards.find((s) => s.id === level.standard);
  const name =
    "measured" in level ? level.measured.name : (recipeOf(level.item, standard, desk.job)?.name ?? level.item);
  const size =
    "measured" in level
      ? "measured in"
      : `${standard?.short ?? level.standard}${recipeOf(level.item, standard, desk.job)?.kind === "body" ? `, ${standard?.sizes[level.size]?.name ?? level.size}` : ""}`;
  const inSeason = (s: Season) => level.seasons === undefined || level.seasons.includes(s);
  const toggle = (s: Season) => {
    const now = SEASONS.filter((x) => (x === s ? !inSeason(x) : inSeason(x)));
    const { seasons: _gone, ...plain } = level;
    if (now.length > 0) onChange(now.length === 4 ? plain : { ...plain, seasons: now });
  };
  return (
    <li
      className={`border-b border-rule ${chosen ? "bg-white shadow-[inset_4px_0_var(--color-spruce)]" : ""} ${away ? "no-print bg-bench" : ""}`}
    >
      <div className="flex items-baseline gap-2 py-1 pl-2">
        <button
          className="min-w-0 flex-1 border-0 bg-transparent p-0 text-left"
          aria-pressed={chosen}
          onClick={onChoose}
        >
          <strong
            title={name}
            className={`block truncate font-semibold ${state === "stop" ? "text-madder underline decoration-2" : state === "care" ? "underline decoration-madder decoration-dotted" : ""}`}
          >
            {name}
          </strong>
          <em className="text-[.8rem] text-soft not-italic">{away ? "not in this season" : size}</em>
        </button>
        <span className="no-print flex gap-0.5" role="group" aria-label={`${name}: when it stands`}>
          {SEASONS.map((s) => (
            <button
              key={s}
              aria-label={`${name} in ${s}`}
              aria-pressed={inSeason(s)}
              title={s}
              className={`border px-1 text-[.76rem] ${inSeason(s) ? "border-spruce bg-spruce text-white" : "border-rule bg-transparent text-soft"}`}
              onClick={() => toggle(s)}
            >
              {SHORT[s]}
            </button>
          ))}
        </span>
        <span className="no-print flex">
          <button className="quiet px-1" aria-label={`${name} up`} disabled={i === last} onClick={() => onMove(1)}>
            ↑
          </button>
          <button className="quiet px-1" aria-label={`${name} down`} disabled={i === 0} onClick={() => onMove(-1)}>
            ↓
          </button>
          <button className="quiet px-1" aria-label={`Take out ${name}`} onClick={() => onChange(null)}>
            ×
          </button>
        </span>
      </div>
    </li>
  );
}
