"use client";
import { memo, useMemo } from "react";
import { suits } from "@/core/job/find";
import type { JobLine } from "@/core/line/line";
import { RECIPES } from "@/core/recipes";
import { type Desk, useDesk } from "@/ui/desk/useDesk";
import { LongList } from "@/ui/parts/LongList";
import { MOST_DRAWN } from "@/ui/parts/longLines";
import { NumberField } from "@/ui/parts/NumberField";
import { Pick } from "@/ui/parts/Pick";

/** What is wanted, line by line. */
export function Wanted() {
  const { job, worked, standards, designs, problem, keys, act, try: tryOut, untry } = useDesk();
  const { lines } = job;
  const choices = useMemo(() => choicesOf({ standards, designs }), [standards, designs]);
  return (
    <>
      <h2 className="small-head">Wanted{lines.length > MOST_DRAWN && `: ${lines.length} lines`}</h2>
      <LongList lines={lines} keyOf={(at) => keys.lines[at]!} few={MOST_DRAWN} box="max-h-[60vh]">
        {(line, at) => (
          <Row
            field={`line ${keys.lines[at]!}`}
            line={line}
            at={at}
            choices={choices}
            fault={worked.faults.find((f) => f.at === at)?.message}
            refused={problem?.field === `line ${keys.lines[at]!}` ? problem.message : undefined}
            act={act}
            tryOut={tryOut}
            untry={untry}
          />
        )}
      </LongList>
    </>
  );
}

type Choices = ReturnType<typeof choicesOf>;

/** What a line can be, worked out once for all of them. */
function choicesOf({ standards, designs }: { standards: Desk["standards"]; designs: Desk["designs"] }) {
  const known = new Map<string, [string, string][]>();
  const of = (id: string) => standards.find((s) => s.id === id)!;
  return {
    of,
    standards: standards.map((s): [string, string] => [s.id, s.name]),
    items: ({ standard, size }: JobLine): [string, string][] => {
      const key = `${standard} ${size}`;
      const found =
        known.get(key) ??
        [...RECIPES, ...designs.map((d) => d.recipe)]
          .filter((r) => suits(r, of(standard), size))
          .map((r): [string, string] => [r.id, r.name]);
      known.set(key, found);
      return found;
    },
  };
}
const Row = memo(function Row({
  line,
  at,
  field,
  choices,
  fault,
  refused,
  act,
  tryOut,
  untry,
}: {
  line: JobLine;
  at: number;
  /** Where what is refused of it belongs. */
  field: string;
  choices: Choices;
  /** Why it cannot be made. */
  fault?: string;
  /** What was asked of it and is not done. */
  refused?: string;
  act: Desk["act"];
  tryOut: Desk["try"];
  untry: Desk["untry"];
}) {
  const n = at + 1;
  const change = (to: Partial<JobLine>) => act({ do: "change line", at, to }, field);
  const standard = choices.of(line.standard);
  return (
    <div className="grid grid-cols-[5rem_1fr_1fr_7rem_5rem] items-center border-t border-rule py-[5px] *:min-w-0 *:px-1.5">
      <div>
        <NumberField
          label={`Quantity of line ${n}`}
          value={line.quantity}
          onType={(quantity) => tryOut({ do: "change line", at, to: { quantity } }, field)}
          onGiveUp={untry}
          onSettle={(quantity) => change({ quantity })}
          className="w-16 text-[1.13rem] font-semibold"
        />
      </div>
      <div>
        <Pick
          label={`Item of line ${n}`}
          value={line.item}
          options={choices.items(line)}
          onPick={(item) => change({ item })}
        />
        {fault !== undefined && (
          <p role="alert" className="text-[.87rem] text-madder">
            cannot be made: {fault}
          </p>
        )}
      </div>
      <div>
        <Pick
          label={`Standard of line ${n}`}
          value={line.standard}
          options={choices.standards}
          onPick={(id) => change({ standard: id, size: choices.of(id).defaultSize })}
        />
      </div>
      <div>
        <Pick
          label={`Size of line ${n}`}
          value={line.size}
          options={Object.entries(standard.sizes).map(([id, s]) => [id, s.name])}
          onPick={(size) => change({ size })}
        />
      </div>
      <div className="text-right">
        <button
          className="quiet whitespace-nowrap"
          aria-label={`Take out line ${n}`}
          onClick={() => act({ do: "remove line", at })}
        >
          take out
        </button>
        {refused !== undefined && (
          <p role="alert" className="text-[.87rem] text-madder">
            {refused}
          </p>
        )}
      </div>
    </div>
  );
});
