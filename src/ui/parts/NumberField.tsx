"use client";
import { useState } from "react";
import { useGivenUp } from "./useGivenUp";

/**
 * A plain number, kept when the field is left or Enter is pressed, given back by Escape; what is no number is said. Every number on the
 * way is told (`onType`), and `onGiveUp` that what was told is to be forgotten.
 */
export function NumberField({
  label,
  value,
  onType,
  onGiveUp,
  onSettle,
  onEmpty,
  empty,
  className = "",
}: {
  label: string;
  value: number | null;
  onType?(value: number): void;
  onGiveUp?(): void;
  onSettle(value: number): void;
  onEmpty?(): void;
  empty?: string;
  className?: string;
}) {
  /** What is typed, and the value that stood before: what was told may be shown as the value by now. */
  const [draft, setDraft] = useState<{ text: string; stood: number | null } | null>(null);
  const [wrong, setWrong] = useState(false);
  const text = draft?.text ?? null;
  useGivenUp(draft !== null, onGiveUp);
  const numberIn = (t: string) => {
    const read = Number(t.replace(",", "."));
    return t.trim() !== "" && Number.isFinite(read) ? read : undefined;
  };
  const type = (t: string) => {
    setDraft({ text: t, stood: draft ? draft.stood : value });
    const read = numberIn(t);
    if (read === undefined) onGiveUp?.();
    else onType?.(read);
  };
  const settle = () => {
    if (draft === null) return;
    const read = numberIn(draft.text);
    if (draft.text.trim() === "" && onEmpty) onEmpty();
    else if (read === undefined) return setWrong(true);
    else if (read !== draft.stood) onSettle(read);
    else onGiveUp?.();
    setDraft(null);
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
        onChange={(e) => type(e.target.value)}
        onBlur={settle}
        onKeyDown={(e) => {
          if (e.key === "Enter") settle();
          if (e.key === "Escape") {
            setDraft(null);
            setWrong(false);
            onGiveUp?.();
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
