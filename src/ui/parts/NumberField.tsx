"use client";
import { useState } from "react";

/** A plain number, kept when the field is left or Enter is pressed, given back by Escape; what is no number is said. */
export function NumberField({
  label,
  value,
  onSettle,
  onEmpty,
  empty,
  className = "",
}: {
  label: string;
  value: number | null;
  onSettle(value: number): void;
  onEmpty?(): void;
  empty?: string;
  className?: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState(false);
  const settle = () => {
    if (text === null) return;
    const read = Number(text.replace(",", "."));
    if (text.trim() === "" && onEmpty) onEmpty();
    else if (text.trim() === "" || !Number.isFinite(read)) return setWrong(true);
    else if (read !== value) onSettle(read);
    setText(null);
    setWrong(false);
  };
  return (
    <>
      <input
        className={`field text-right font-mono ${className}`}
        inputMode="decimal"
        aria-label={label}
        aria-invalid={wrong || undefined}
        placeholder={empty}
        value={text ?? value ?? ""}
        onFocus={(e) => e.target.select()}
        onChange={(e) => setText(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === "Enter") settle();
          if (e.key === "Escape") {
            setText(null);
            setWrong(false);
          }
        }}
      />
      {wrong && (
        <span role="alert" className="block text-[.82rem] text-madder">
          read “{text}”, wanted a number
        </span>
      )}
    </>
  );
}
