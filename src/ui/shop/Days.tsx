"use client";

const DAYS = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];

/** Days of the week, 1 Monday to 7 Sunday, each to be pressed. */
export function Days({ of, value, onSettle }: { of: string; value: number[]; onSettle(days: number[]): void }) {
  return (
    <span className="flex gap-1">
      {DAYS.map((d, i) => {
        const on = value.includes(i + 1);
        return (
          <button
            key={d}
            aria-pressed={on}
            aria-label={of ? `${d}, ${of}` : d}
            className={`min-h-9 w-10 border ${on ? "border-spruce bg-spruce text-white" : "border-rule bg-white"}`}
            onClick={() => onSettle(on ? value.filter((x) => x !== i + 1) : [...value, i + 1].sort((a, b) => a - b))}
          >
            {d.slice(0, 2)}
          </button>
        );
      })}
    </span>
  );
}
