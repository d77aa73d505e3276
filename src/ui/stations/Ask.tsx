"use client";
import { type BoardStock, type PackStock, resawn, type StockEntry } from "@/core/boards/stock";
import { useState } from "react";
import { inch } from "@/core/length/length";
import type { Act } from "@/core/job/acts";
import { suits } from "@/core/job/find";
import type { Design } from "@/core/designs/design";
import { RECIPES } from "@/core/recipes";
import type { Standard } from "@/core/standards/standard";
import { PageLink } from "@/ui/job/PageLink";
import { FINISHES } from "@/core/job/job";
import { useDesk, useLaid } from "@/ui/job/useDesk";
import { LengthField } from "@/ui/parts/LengthField";
import { Measure } from "@/ui/parts/Measure";
import { Finder } from "./Finder";
import { NumberField } from "@/ui/parts/NumberField";

/** What, how many, by when, from what. */
export function Ask() {
  const desk = useDesk();
  const { job } = desk;
  const of = (id: string) => desk.standards.find((s) => s.id === id)!;
  return (
    <div className="grid grid-cols-1 gap-x-10 gap-y-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <section aria-label="What is wanted">
        <div className="mb-5 flex flex-wrap items-baseline gap-x-5 gap-y-2">
          <TextField
            label="Job"
            value={job.name}
            onSettle={(name) => desk.act({ do: "name", name }, "job")}
            className="w-full text-[1.3rem] font-semibold"
          />
          <DateField
            label="Start"
            value={job.start}
            onChange={(start) => desk.act({ do: "dates", start, due: job.due }, "dates")}
          />
          <DateField
            label="Due"
            value={job.due}
            onChange={(due) => desk.act({ do: "dates", start: job.start, due }, "dates")}
          />
          <label className="flex items-baseline gap-2">
            <span className="text-soft">Finish</span>
            <select
              className="field"
              value={job.finish ?? "none"}
              onChange={(e) =>
                desk.act({ do: "finish", finish: e.target.value as (typeof FINISHES)[number] }, "finish")
              }
            >
              {FINISHES.map((f) => (
                <option key={f} value={f}>
                  {FINISH_WORDS[f]}
                </option>
              ))}
            </select>
          </label>
        </div>
        <div className="mb-3 flex flex-wrap items-baseline gap-x-2">
          <span className="text-soft">Boards measure</span>
          <LengthField
            label="What all boards of the job measure"
            value={job.thickness ?? null}
            empty="as each standard has it"
            units={job.units}
            onSettle={(thickness) => desk.act({ do: "thickness", thickness }, "thickness")}
            onEmpty={() => desk.act({ do: "thickness" }, "thickness")}
          />
        </div>
        <Said field="job" />
        <Said field="dates" />
        <Said field="finish" />
        <Said field="thickness" />
        <h2 className="small-head">Wanted</h2>
        <table className="cutting-list table-fixed">
          <colgroup>
            <col className="w-20" />
            <col />
            <col />
            <col className="w-28" />
            <col className="w-20" />
          </colgroup>
          <tbody>
            {job.lines.map((l, at) => (
              <tr key={at}>
                <td className="w-20">
                  <NumberField
                    label={`Quantity of line ${at + 1}`}
                    value={l.quantity}
                    onSettle={(quantity) => desk.act({ do: "change line", at, to: { quantity } }, `line ${at}`)}
                    className="w-16 text-[1.13rem] font-semibold"
                  />
                </td>
                <td>
                  <Pick
                    label={`Item of line ${at + 1}`}
                    value={l.item}
                    options={itemsOf(of(l.standard), l.size, desk.designs)}
                    onPick={(item) => desk.act({ do: "change line", at, to: { item } }, `line ${at}`)}
                  />
                </td>
                <td>
                  <Pick
                    label={`Standard of line ${at + 1}`}
                    value={l.standard}
                    options={desk.standards.map((s) => [s.id, s.name])}
                    onPick={(standard) =>
                      desk.act(
                        { do: "change line", at, to: { standard, size: of(standard).defaultSize } },
                        `line ${at}`,
                      )
                    }
                  />
                </td>
                <td>
                  <Pick
                    label={`Size of line ${at + 1}`}
                    value={l.size}
                    options={Object.entries(of(l.standard).sizes).map(([id, s]) => [id, s.name])}
                    onPick={(size) => desk.act({ do: "change line", at, to: { size } }, `line ${at}`)}
                  />
                </td>
                <TakeOut what={`line ${at + 1}`} act={{ do: "remove line", at }} field={`line ${at}`} />
              </tr>
            ))}
          </tbody>
        </table>
        <Finder big={job.lines.length === 0} />
        <p className={job.lines.length === 0 ? "text-center" : "pt-1"}>
          <PageLink className="quiet" job={desk.id} to="hive">
            {job.hives.length > 0 ? `whole hives: ${job.hives.map((h) => h.name).join(", ")}` : "build a whole hive"}
          </PageLink>
        </p>
        <Saw />
      </section>
      <section aria-label="Stock">
        <Boards />
        <Packs />
      </section>
    </div>
  );
}

/** The items a standard can have, for a line's choice. */
function itemsOf(standard: Standard, size: string, designs: Design[]): [string, string][] {
  return [...RECIPES, ...designs.map((d) => d.recipe)]
    .filter((r) => suits(r, standard, size))
    .map((r) => [r.id, r.name]);
}

function Said({ field }: { field: string }) {
  const { problem } = useDesk();
  return problem?.field === field ? (
    <p role="alert" className="text-[.87rem] text-madder">
      {problem.message}
    </p>
  ) : null;
}

/** The last cell of a row: takes it out, and says what was refused about it. */
function TakeOut({ what, act, field }: { what: string; act: Act; field: string }) {
  const desk = useDesk();
  return (
    <td className="text-right">
      <button className="quiet whitespace-nowrap" aria-label={`Take out ${what}`} onClick={() => desk.act(act)}>
        take out
      </button>
      <Said field={field} />
    </td>
  );
}

function Saw() {
  const desk = useDesk();
  const { workshop: w, units } = desk.job;
  const length = (name: "kerf" | "endTrim" | "minHold" | "keepOffcut", label: string, hint: string) => (
    <label className="flex items-baseline justify-between gap-3 py-0.5" title={hint}>
      <span className="text-soft">{label}</span>
      <LengthField
        value={w[name]}
        units={units}
        label={label}
        onSettle={(v) => desk.act({ do: "workshop", to: { [name]: v } }, name)}
        problem={desk.problem?.field === name ? desk.problem.message : undefined}
        className="w-20"
      />
    </label>
  );
  return (
    <div className="mt-7 max-w-96">
      <h2 className="small-head">The shop</h2>
      {length("kerf", "Saw removes", "the kerf")}
      {length("endTrim", "Lost at each board end", "end trim, that cut's kerf and all")}
      {length("minHold", "Shortest piece held safely", "shorter parts are cut from longer blanks")}
      {length("keepOffcut", "Offcuts kept from", "shorter ones are scrap")}
      <label className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">Glue up panels wider than any board</span>
        <input
          type="checkbox"
          checked={w.panels}
          onChange={(e) => desk.act({ do: "workshop", to: { panels: e.target.checked } })}
        />
      </label>
      <label className="flex items-baseline justify-between gap-3 py-0.5">
        <span className="text-soft">People</span>
        <NumberField
          label="People"
          value={w.people}
          onSettle={(people) => desk.act({ do: "workshop", to: { people } }, "people")}
          className="w-20"
        />
      </label>
      <Said field="people" />
    </div>
  );
}

const NEW_BOARD: BoardStock = {
  form: "board",
  material: "pine",
  thickness: inch(0, 3, 4),
  width: inch(11, 1, 4),
  length: inch(96),
  price: 0,
  available: null,
  source: "buy",
};
/** The finish of the whole job; a line may choose its own on Shape. */
const FINISH_WORDS = { none: "none", oil: "oil", paint: "paint", wax: "hot wax dip" } as const;

const NEW_PACK: PackStock = {
  form: "pack",
  material: "exterior screw, no. 8 × 2",
  pack: 100,
  price: 0,
  available: null,
  source: "buy",
};

function Boards() {
  const desk = useDesk();
  const { stock, units } = desk.job;
  const boards = stock.flatMap((s, at) => (s.form !== "pack" ? [{ s, at }] : []));
  const change = (at: number, s: StockEntry) => desk.act({ do: "change stock", at, stock: s }, `stock ${at}`);
  return (
    <>
      <h2 className="small-head">Boards to cut from</h2>
      {boards.length === 0 ? (
        <p className="py-3 text-soft">No boards yet, so nothing can be laid out.</p>
      ) : (
        <table className="cutting-list">
          <thead>
            <tr>
              <th>wood</th>
              <th className="text-right!">thick × wide × long</th>
              <th className="text-right!">price</th>
              <th className="text-right!">there are</th>
              <th>
                <span className="sr-only">take out</span>
              </th>
            </tr>
          </thead>
          <tbody>
            {boards.map(({ s, at }) => (
              <tr key={at}>
                <td>
                  <TextField
                    label={`Wood of board ${at + 1}`}
                    value={s.material}
                    onSettle={(material) => change(at, { ...s, material })}
                    className={s.form === "sheet" ? "w-18" : "w-28"}
                  />
                  {s.form === "sheet" ? (
                    <span className="ml-1 text-[.82rem] text-soft">sheet</span>
                  ) : (
                    <label className="ml-1 text-[.82rem] whitespace-nowrap text-soft">
                      <input
                        type="checkbox"
                        checked={s.rough ?? false}
                        aria-label={`Board ${at + 1} is rough`}
                        onChange={(e) => {
                          const { rough: _rough, ...planed } = s;
                          change(at, e.target.checked ? { ...planed, rough: true } : planed);
                        }}
                      />{" "}
                      rough
                    </label>
                  )}
                </td>
                <td className="text-right whitespace-nowrap">
                  {(["thickness", "width", "length"] as const).map((d, i) => (
                    <span key={d}>
                      {i > 0 && <span className="mx-1 text-[#8a8f88]">×</span>}
                      <LengthField
                        value={s[d]}
                        units={units}
                        label={`${d} of board ${at + 1}`}
                        onSettle={(v) => change(at, { ...s, [d]: v })}
                        className="w-[4.6rem]"
                      />
                    </span>
                  ))}
                </td>
                <td className="text-right">
                  {s.source === "yard" ? (
                    <span className="text-soft">
                      yard
                      {s.form === "board" && s.resawn && `, ${s.resawn} of one`}
                      {[2, 3]
                        .filter((into) => s.form === "board" && resawn(s, into, desk.job.workshop.kerf))
                        .map((into) => (
                          <button
                            key={into}
                            className="quiet ml-1 whitespace-nowrap"
                            aria-label={`Resaw board ${at + 1} into ${into}`}
                            onClick={() => desk.act({ do: "resaw", at, into }, `stock ${at}`)}
                          >
                            resaw in {into}
                          </button>
                        ))}
                    </span>
                  ) : (
                    <NumberField
                      label={`Price of board ${at + 1}`}
                      value={s.price}
                      onSettle={(price) => change(at, { ...s, price })}
                      className="w-16"
                    />
                  )}
                </td>
                <td className="text-right">
                  <NumberField
                    label={`How many of board ${at + 1}; empty is any number`}
                    value={s.available}
                    empty="any"
                    onSettle={(available) => change(at, { ...s, available })}
                    onEmpty={() => change(at, { ...s, available: null })}
                    className="w-14"
                  />
                </td>
                <TakeOut what={`board ${at + 1}`} act={{ do: "remove stock", at }} field={`stock ${at}`} />
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mb-6 flex gap-2 pt-2">
        <button
          className={boards.length === 0 ? "act" : "quiet"}
          onClick={() => desk.act({ do: "add stock", stock: NEW_BOARD })}
        >
          Add <Measure value={NEW_BOARD.thickness} units={units} /> × <Measure value={NEW_BOARD.width} units={units} />{" "}
          × <Measure value={NEW_BOARD.length} units={units} />
        </button>
        <button
          className="quiet"
          onClick={() => desk.act({ do: "add stock", stock: { ...NEW_BOARD, source: "yard", available: 1 } })}
        >
          add one from the yard
        </button>
      </p>
    </>
  );
}

function Packs() {
  const desk = useDesk();
  const { order } = useLaid();
  const packs = desk.job.stock.flatMap((s, at) => (s.form === "pack" ? [{ s, at }] : []));
  const needs = [...new Set(order?.lines.filter((l) => l.unit !== "board").map((l) => l.what) ?? [])].filter(
    (w) => !packs.some((p) => p.s.material === w),
  );
  const change = (at: number, s: StockEntry) => desk.act({ do: "change stock", at, stock: s }, `stock ${at}`);
  return (
    <>
      <h2 className="small-head">Fasteners, glue, foundation</h2>
      <table className="cutting-list">
        <tbody>
          {packs.map(({ s, at }) => (
            <tr key={at}>
              <td>{s.material}</td>
              <td className="text-right whitespace-nowrap">
                pack of{" "}
                <NumberField
                  label={`Pack size of ${s.material}`}
                  value={s.pack}
                  onSettle={(pack) => change(at, { ...s, pack })}
                  className="w-16"
                />
              </td>
              <td className="text-right">
                <NumberField
                  label={`Price of ${s.material}`}
                  value={s.price}
                  onSettle={(price) => change(at, { ...s, price })}
                  className="w-16"
                />
              </td>
              <TakeOut what={`${s.material}`} act={{ do: "remove stock", at }} field={`stock ${at}`} />
            </tr>
          ))}
        </tbody>
      </table>
      <p className="flex flex-wrap gap-2 pt-2">
        {needs.map((material) => (
          <button
            key={material}
            className="quiet"
            onClick={() => desk.act({ do: "add stock", stock: { ...NEW_PACK, material } })}
          >
            add {material}
          </button>
        ))}
      </p>
    </>
  );
}

function Pick({
  label,
  value,
  options,
  onPick,
}: {
  label: string;
  value: string;
  options: [string, string][];
  onPick(value: string): void;
}) {
  return (
    <select
      className="field w-full font-semibold"
      aria-label={label}
      value={value}
      onChange={(e) => onPick(e.target.value)}
    >
      {options.map(([id, name]) => (
        <option key={id} value={id}>
          {name}
        </option>
      ))}
    </select>
  );
}

/** Text that is kept when the field is left or Enter is pressed. */
function TextField({
  label,
  value,
  onSettle,
  className = "",
}: {
  label: string;
  value: string;
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
      value={text ?? value}
      onChange={(e) => setText(e.target.value)}
      onBlur={settle}
      onKeyDown={(e) => e.key === "Enter" && settle()}
    />
  );
}

function DateField({
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
