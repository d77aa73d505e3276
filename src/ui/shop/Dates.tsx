"use client";
import { useState } from "react";
import { dayText } from "@/ui/parts/words";

/** Days of the calendar: one is added by choosing it, and goes when it is pressed. */
export function Dates({ label, value, onSettle }: { label: string; value: string[]; onSettle(dates: string[]): void }) {
  const [typed, setTyped] = useState("");
  const add = (date: string) => {
    if (!/^\d{4}-\d{2}-\d{2}$/.test(date)) return;
    if (!value.includes(date)) onSettle([...value, date].sort());
    setTyped("");
  };
  return (
    <span className="flex flex-wrap items-center justify-end gap-1.5">
      {value.map((d) => (
        <button
          key={d}
          className="border border-rule bg-white px-2 py-1 text-[.9rem]"
          aria-label={`${label}: take out ${d}`}
          onClick={() => onSettle(value.filter((x) => x !== d))}
        >
          {dayText(d)} {d.slice(0, 4)} ×
        </button>
      ))}
      <input
        type="date"
        className="field"
        aria-label={label}
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={(e) => add(e.target.value)}
        onKeyDown={(e) => e.key === "Enter" && add(e.currentTarget.value)}
      />
    </span>
  );
}
