"use client";
import { createContext, useContext } from "react";
import type { DesignRead } from "@/core/designs/problems";
import type { Units } from "@/core/length/length";
import type { Formula } from "@/core/formula/formula";
import { ValueShown } from "@/ui/parts/WorkingText";
import { at } from "@/core/designs/path";
import type { Column } from "./columns";

/** What every field of the editor needs: what the draft comes to, and how to change it. */
export interface Editing {
  read: DesignRead;
  units: Units;
  /** Puts a value at a path (`parts.0.length`); undefined takes the field away. */
  put(path: string, value: unknown): void;
  /** Names a formula can use. */
  names: string[];
}
const EditingContext = createContext<Editing | null>(null);
export const EditingProvider = EditingContext.Provider;
export function useEditing(): Editing {
  const editing = useContext(EditingContext);
  if (!editing) throw new Error("a field outside the editor");
  return editing;
}

/** What is wrong at a field, under it. */
export function Wrong({ path }: { path: string }) {
  const { read } = useEditing();
  return read.problems
    .filter((p) => p.path === path)
    .map((p) => (
      <span key={p.message} role="alert" className="block max-w-[34ch] text-[.84rem] text-madder">
        {p.message}
      </span>
    ));
}

/** One field of a row, by its column. */
export function Field({ row, column, path, label }: { row: unknown; column: Column; path: string; label: string }) {
  const { read, put } = useEditing();
  const value = at(row, column.key);
  const here = path === "" ? column.key : `${path}.${column.key}`;
  const invalid = read.problems.some((p) => p.path === here);
  const name = `${label}, ${column.label}`;
  const set = (v: unknown) => put(here, v === "" && column.optional ? undefined : v);
  const style = { width: `${column.wide ?? 10}ch` };
  if (column.kind === "formula")
    return (
      <FormulaField
        path={here}
        value={value as Formula | undefined}
        label={name}
        wide={column.wide}
        optional={column.optional}
      />
    );
  if (column.kind === "choice")
    return (
      <>
        <select
          className="field"
          aria-label={name}
          aria-invalid={invalid}
          value={String(value ?? "")}
          onChange={(e) => set(e.target.value)}
        >
          {column.choices!.map((c) => (
            <option key={c}>{c}</option>
          ))}
        </select>
        <Wrong path={here} />
      </>
    );
  if (column.kind === "flag")
    return (
      <select
        className="field"
        aria-label={name}
        value={value ? "yes" : "no"}
        onChange={(e) => set(e.target.value === "yes")}
      >
        <option>yes</option>
        <option>no</option>
      </select>
    );
  return (
    <>
      <input
        className={`field ${column.kind === "number" ? "text-right font-mono" : ""}`}
        style={style}
        aria-label={name}
        aria-invalid={invalid}
        value={value === undefined ? "" : String(value)}
        onChange={(e) => {
          const typed = e.target.value;
          set(
            column.kind === "number" &&
              typed.trim() !== "" &&
              Number.isFinite(Number(typed)) &&
              !/[.]$|[.]\d*0$/.test(typed)
              ? Number(typed)
              : typed,
          );
        }}
      />
      <Wrong path={here} />
    </>
  );
}

/** A formula with what it comes to; one by the choice of a parameter has a line for each case. */
export function FormulaField({
  path,
  value,
  label,
  wide = 24,
  optional = false,
}: {
  path: string;
  value: Formula | undefined;
  label: string;
  wide?: number;
  optional?: boolean;
}) {
  const { read, put, units } = useEditing();
  const result = read.values.get(path);
  const invalid = read.problems.some((p) => p.path === path);
  const shown = result && !(typeof value === "string" && /^[\d.]+$/.test(value)) && (
    <span className="ml-1.5 text-[.9rem] whitespace-nowrap text-blue">
      <span className="text-soft">= </span>
      <ValueShown value={result} units={units} />
    </span>
  );
  const input = (text: string, name: string, onText: (t: string) => void) => (
    <input
      className="field font-mono text-[.9rem]"
      style={{ width: `${Math.max(8, Math.min(wide, Math.max(text.length + 2, wide / 2)))}ch` }}
      aria-label={name}
      aria-invalid={invalid}
      data-path={path}
      list="design-names"
      spellCheck={false}
      autoComplete="off"
      value={text}
      onChange={(e) => onText(e.target.value)}
    />
  );
  if (value !== undefined && typeof value !== "string")
    return (
      <span className="block">
        <span className="text-[.87rem] text-soft">by {value.by}</span>
        {shown}
        {Object.entries(value.is).map(([key, text]) => (
          <span key={key} className="flex items-baseline gap-1.5">
            <span className="w-32 text-right text-[.84rem] text-soft">{key}</span>
            {input(text, `${label}, ${key}`, (t) => put(path, { by: value.by, is: { ...value.is, [key]: t } }))}
          </span>
        ))}
        <Wrong path={path} />
      </span>
    );
  return (
    <>
      {input(value ?? "", label, (t) => put(path, t === "" && optional ? undefined : t))}
      {shown}
      <Wrong path={path} />
    </>
  );
}

/** Rows of a section as a table: a field a column, and one to take the row out. */
export function Rows({
  list,
  columns,
  path,
  what,
}: {
  list: unknown[];
  columns: (row: Record<string, unknown>) => Column[];
  path: string;
  what: string;
}) {
  const { put, read } = useEditing();
  /** Not there with the usual choices. */
  const off = (i: number) => {
    const when = read.values.get(`${path}.${i}.when`);
    return when?.kind === "flag" && !when.of;
  };
  return list.map((row, i) => {
    const data = row as Record<string, unknown>;
    const label = String(data.name ?? data.id ?? data.rule ?? `${what} ${i + 1}`);
    return (
      <li
        key={i}
        className={`border-t border-rule py-1.5 ${off(i) ? "border-l-4 border-l-bench pl-2" : ""}`}
        aria-label={label}
      >
        <div className="flex flex-wrap items-start gap-x-4 gap-y-1">
          {columns(data).map((c) => (
            <label key={c.key} className="block">
              <span className="block text-[.76rem] text-soft">{c.label}</span>
              <Field row={data} column={c} path={`${path}.${i}`} label={label} />
            </label>
          ))}
          <button
            className="quiet ml-auto text-[.84rem]"
            aria-label={`Take out ${label}`}
            onClick={() =>
              put(
                path,
                list.filter((_, k) => k !== i),
              )
            }
          >
            take out
          </button>
        </div>
        {off(i) && <span className="text-[.84rem] text-soft">not there with the usual choices</span>}
        <Wrong path={`${path}.${i}`} />
      </li>
    );
  });
}
