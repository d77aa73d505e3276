"use client";
import { useState } from "react";

/** Text that is kept when the field is left or Enter is pressed. */
export function TextField({
  label,
  value,
  onSettle,
  empty,
  className = "",
}: {
  label: string;
  value: string;
  /** What stands there while nothing is said. */
  empty?: string;
  onSettle(value: string): void;
  className?: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const settle = () => {
    if (text !== null && text !== value) onSettle(text);
    setText(null);
  };
  return (
    <input
      className={`field ${className}`}
      aria-label={label}
      placeholder={empty}
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={settle}
      onKeyDown={(e) => e.key === "Enter" && settle()}
    />
  );
}
