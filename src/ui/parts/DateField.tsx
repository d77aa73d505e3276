"use client";

/** A day, or none. */
export function DateField({
  label,
  value,
  onChange,
}: {
  label: string;
  value: string | undefined;
  onChange(value: string | undefined): void;
}) {
  return (
    <label className="flex items-baseline gap-2">
      <span className="text-soft">{label}</span>
      <input
        type="date"
        className="field"
        value={value ?? ""}
        onChange={(e) => onChange(e.target.value || undefined)}
      />
    </label>
  );
}
