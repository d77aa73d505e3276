"use client";
import { lazy, Suspense } from "react";
import { leastTogether, tradeOff } from "@/core/layout/tradeoff";
import { setUpMinutes } from "@/core/work/sawing";
import { type LayoutResult, moneyOf } from "@/core/layout/layout";
import { useDesk, useMoney } from "@/ui/desk/useDesk";
import { NumberField } from "@/ui/parts/NumberField";
import { atMost, count, percent } from "@/ui/parts/words";

/** Charts come when they are shown: they weigh as much as all the rest of a job's pages. */
const TradeOffChart = lazy(() => import("./TradeOffChart"));

/** What is counted as a set-up here, which is more than the list of settings: a pattern wants looking at too. */
const countedAs = ({ patterns, setUps }: { patterns: number; setUps: number }) =>
  `${count(patterns, "pattern")}, ${count(setUps - patterns, "fence or stop", "fences and stops")}`;

/** What fewer set-ups would cost, drawn; and what the maker holds a set-up and an offcut to be worth. */
export function Weigh({ result }: { result: LayoutResult }) {
  const { job, act } = useDesk();
  const money = useMoney();
  const { weighing, sheetStages } = job.workshop;
  const points = tradeOff(result);
  const fewest = result.fewestSetUps;
  const cheapest = Math.min(...points.map((p) => p.cost));
  const lessKept = ({ kept }: { kept: number }) => (kept >= 0.005 ? `, less ${money(kept)} for what is kept` : "");
  const weigh = (to: Partial<typeof weighing>) => act({ do: "workshop", to: { weighing: { ...weighing, ...to } } });
  const { rate } = job.workshop.money;
  const minutes = setUpMinutes(job.workshop.minutes);
  // To the cent, as it is said.
  const worth = rate === null ? 0 : Math.round((minutes * rate * 100) / 60) / 100;
  const best = rate !== null && moneyOf(result) ? leastTogether(result, worth) : undefined;
  return (
    <section aria-label="Cost against set-ups">
      <h2 className="small-head mt-4">Cost against set-ups</h2>
      {points.length > 1 && (
        <>
          <Suspense fallback={<div className="h-[150px]" />}>
            <TradeOffChart points={points} shown={result} />
          </Suspense>
          <p className="text-[.84rem] text-soft">
            set-ups across (patterns, fences, stops), cost upward; the full dot is the layout shown. Nothing lies below
            the dashed line, nor left of the other: each width wants its fence and each length its stop,{" "}
            {count(fewest, "set-up")} at the least.
          </p>
          <p className="mt-1 flex flex-col items-start gap-y-1">
            {points.map((p) => (
              <button
                key={p.setUps}
                className="quiet text-left"
                aria-pressed={p.setUps === result.setUps}
                onClick={() => weigh({ setUp: p.price })}
              >
                {p.setUps === result.setUps ? <b>{count(p.setUps, "set-up")}</b> : count(p.setUps, "set-up")}{" "}
                <span className="text-soft">({countedAs(p)})</span>
                {moneyOf(result)
                  ? `, ${money(p.cost)}${lessKept(p)}`
                  : p.cost > cheapest && `, ${percent(p.cost / cheapest - 1)} more wood`}
                <span className="text-soft">
                  {p.above > 0 ? `, at most ${atMost(p.above)} above the least` : ", the least"}
                </span>
              </button>
            ))}
          </p>
        </>
      )}
      {points.length <= 1 && (
        <p className="text-[.93rem]">
          {count(result.setUps, "set-up")} to weigh ({countedAs(result)});{" "}
          {result.setUps <= fewest ? "no way to cut them takes fewer." : "no fewer were found for little more money."}
        </p>
      )}
      {best && points.length > 1 && (
        <p className="mt-1 text-[.93rem]">
          A set-up is {minutes} minutes, {money(worth)} at your rate: with <b>{count(best.setUps, "set-up")}</b> wood
          and set-ups together are least, {money(best.cost)} and {money(best.setUps * worth)}
          {lessKept(best)}
          {best.above === undefined
            ? ", of all that were found."
            : best.above > 0
              ? `: at most ${atMost(best.above)} above the least there can be.`
              : "; there are none cheaper."}
          {weighing.setUp !== worth && (
            <button className="quiet ml-2" onClick={() => weigh({ setUp: worth })}>
              weigh them at that
            </button>
          )}
        </p>
      )}
      <div className="mt-2 grid grid-cols-[1fr_auto] items-baseline gap-y-1">
        <span>One more set-up costs me</span>
        <NumberField
          label="One more set-up costs me"
          className="w-20"
          value={weighing.setUp}
          onSettle={(setUp) => weigh({ setUp: Math.max(0, setUp) })}
        />
        <span>A kept offcut is worth, % of its price</span>
        <NumberField
          label="A kept offcut is worth, % of its price"
          className="w-20"
          value={Math.round(weighing.offcut * 100)}
          onSettle={(percent) => weigh({ offcut: Math.min(1, Math.max(0, percent / 100)) })}
        />
        {result.request.stock.some((s) => s.form !== "board") && (
          <>
            <label htmlFor="sheet-stages">Sheets are cut in</label>
            <select
              id="sheet-stages"
              className="field"
              value={sheetStages}
              onChange={(e) => act({ do: "workshop", to: { sheetStages: e.target.value === "3" ? 3 : 2 } })}
            >
              <option value="2">two stages</option>
              <option value="3">three stages</option>
            </select>
          </>
        )}
      </div>
    </section>
  );
}
