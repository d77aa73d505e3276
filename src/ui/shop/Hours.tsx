"use client";
import { useState } from "react";

const clock = (m: number) => `${String(Math.floor(m / 60)).padStart(2, "0")}:${String(m % 60).padStart(2, "0")}`;
const text = (hours: [number, number][]) => hours.map(([a, b]) => `${clock(a)}–${clock(b)}`).join(", ");

/** Hours as they are said: `8-12, 12:30–16:30`. Undefined where they cannot be read. */
export function readHours(said: string): [number, number][] | undefined {
  const out: [number, number][] = [];
  for (const span of said.split(/[,;+]|\band\b/)) {
    const read = /^\s*(\d{1,2})(?:[:.](\d{2}))?\s*(?:-|–|to)\s*(\d{1,2})(?:[:.](\d{2}))?\s*$/.exec(span);
    if (!read) return undefined;
    const [from, to] = [Number(read[1]) * 60 + Number(read[2] ?? 0), Number(read[3]) * 60 + Number(read[4] ?? 0)];
    if (from > 1440 || to > 1440 || Number(read[2] ?? 0) > 59 || Number(read[4] ?? 0) > 59) return undefined;
    out.push([from, to]);
  }
  return out;
}

/** When people are there, typed as it is said. */
export function Hours({
  label = "Hours",
  value,
  onSettle,
}: {
  label?: string;
  value: [number, number][];
  onSettle(hours: [number, number][]): void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const settle = () => {
    if (typed === null) return;
    const read = readHours(typed);
    if (!read) return setWrong(true);
    if (text(read) !== text(value)) onSettle(read);
    setTyped(null);
    setWrong(false);
  };
  return (
    <>
      <input
        className="field w-72 text-right font-mono"
        aria-label={label}
        aria-invalid={wrong || undefined}
        value={typed ?? text(value)}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === "Enter") settle();
          if (e.key === "Escape") {
            setTyped(null);
            setWrong(false);
          }
        }}
      />
      {wrong && (
        <span role="alert" className="block text-[.84rem] text-madder">
          read “{typed}”, wanted hours like 8–12, 12:30–16:30
        </span>
      )}
    </>
  );
}
