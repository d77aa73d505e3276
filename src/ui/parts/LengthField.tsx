"use client";
import { useId, useState } from "react";
import { exactText } from "@/core/length/format";
import { type Length, type Units } from "@/core/length/length";
import { LengthError, parseLength } from "@/core/length/parse";
import { useGivenUp } from "./useGivenUp";
import { usePause } from "./usePause";

/**
 * A length typed as the maker writes it. Every valid keystroke is told (`onType`), leaving the field or Enter settles
 * it (`onSettle`), Escape gives the old value back (`onGiveUp`). What cannot be read is said below the field once who types pauses:
 * the first half of a fraction is no mistake. Where nothing is an answer too, `empty` says what it means.
 */
export function LengthField({
  value,
  units,
  label,
  usual,
  problem,
  onType,
  onGiveUp,
  onSettle,
  onEmpty,
  empty,
  className = "",
}: {
  value: Length | null;
  units: Units;
  label: string;
  /** Shown lighter: the value was not asked for. */
  usual?: boolean;
  problem?: string;
  onType?: (value: Length) => void;
  /** What `onType` told is to be forgotten. */
  onGiveUp?: () => void;
  onSettle: (value: Length) => void;
  onEmpty?: () => void;
  empty?: string;
  className?: string;
}) {
  const [text, setText] = useState<string | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const pause = usePause();
  const id = useId();
  useGivenUp(text !== null, onGiveUp);
  const read = (t: string): Length | null => {
    if (onEmpty && t.trim() === "") {
      setWrong(null);
      return null;
    }
    try {
      const l = parseLength(t, units);
      setWrong(null);
      return l;
    } catch (e) {
      if (!(e instanceof LengthError)) throw e;
      setWrong(e.message);
      return null;
    }
  };
  const settle = () => {
    pause.now();
    if (text === null) return;
    const l = read(text);
    if (onEmpty && text.trim() === "") {
      setText(null);
      return value === null ? undefined : onEmpty();
    }
    if (l === null) return onGiveUp?.();
    setText(null);
    if (l !== value || onType) onSettle(l);
  };
  const said = pause.is ? (wrong ?? problem) : undefined;
  const stored = value === null ? "" : exactText(value, units);
  return (
    <span className="inline-flex flex-col items-end">
      <input
        className={`field text-right font-mono ${usual ? "" : "font-semibold"} ${className}`}
        aria-label={label}
        aria-invalid={said ? true : undefined}
        aria-describedby={said ? id : undefined}
        placeholder={empty}
        value={text ?? stored}
        onFocus={(e) => e.target.select()}
        onChange={(e) => {
          setText(e.target.value);
          pause.begin();
          const l = read(e.target.value);
          if (l !== null) onType?.(l);
        }}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === "Enter") settle();
          if (e.key === "Escape") {
            setText(null);
            setWrong(null);
            pause.now();
            onGiveUp?.();
          }
        }}
        size={empty?.length ?? 8}
        // However wide the field is meant to be: `507.525 mm` is not cut off.
        style={{ minWidth: `calc(${stored.length}ch + 4px)` }}
      />
      {said && (
        <span id={id} role="alert" className="mt-1 max-w-52 text-right text-[.82rem] leading-tight text-madder">
          {said}
        </span>
      )}
    </span>
  );
}
