"use client";
import Link from "next/link";
import type { Learned } from "@/core/bench/times";
import { type Length } from "@/core/length/length";
import { otherwise, shopActText, type StoredShop, usualWorkshop, type Workshop } from "@/core/shop/shop";
import { moneyText } from "@/core/money/money";
import { Troubles } from "@/ui/desk/Troubles";
import { LengthField } from "@/ui/parts/LengthField";
import { NumberField } from "@/ui/parts/NumberField";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { BeeSpace } from "./BeeSpace";
import { Dates } from "./Dates";
import { Days } from "./Days";
import { Hours } from "./Hours";
import { MinutesList } from "./MinutesList";
import { MoneyRows } from "./MoneyRows";
import { Staff } from "./Staff";
import { Stations } from "./Stations";
import { useShop } from "./useShop";

/** A job that does something otherwise than the shop. */
export interface Otherwise {
  id: number;
  name: string;
  workshop: Partial<Workshop>;
}

type Lengths = { [K in keyof Workshop]: Workshop[K] extends Length ? K : never }[keyof Workshop];

/** The workshop, once for all jobs: who is there and when, what the saw takes, what is weighed. */
export function ShopPage({ stored, jobs, learned }: { stored: StoredShop; jobs: Otherwise[]; learned: Learned[] }) {
  const { shop, keeping, problem, act } = useShop(stored);
  const { workshop: w, units } = shop;
  /** Nobody has said it yet: it is what most shops have. */
  const isUsual = (name: keyof Workshop) => !(name in otherwise(w, usualWorkshop(units)));
  const set = (to: Partial<Workshop>) => act({ do: "workshop", to }, Object.keys(to)[0]);
  const wrong = (field: string) => (problem?.field === field ? problem.message : undefined);
  const row = (name: keyof Workshop, label: string, what: string, field: React.ReactNode) => (
    <div key={name} className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-t border-rule py-1.5">
      <span>
        {label}
        <span className="block text-[.87rem] text-soft">{what}</span>
        <Others jobs={jobs.filter((j) => name in j.workshop)} />
      </span>
      <span className="text-right">{field}</span>
    </div>
  );
  const length = (name: Lengths, label: string, what: string) =>
    row(
      name,
      label,
      what,
      <LengthField
        value={w[name]}
        units={units}
        label={label}
        usual={isUsual(name)}
        problem={wrong(name)}
        onSettle={(v) => set({ [name]: v })}
        className="w-24"
      />,
    );
  const number = (name: "people" | "glue", label: string, what: string) =>
    row(
      name,
      label,
      what,
      <>
        <NumberField
          label={label}
          value={w[name]}
          onSettle={(v) => set({ [name]: v })}
          className={`w-24 ${isUsual(name) ? "" : "font-semibold"}`}
        />
        <Wrong text={wrong(name)} />
      </>,
    );
  return (
    <>
      <ShopTop here="/shop">
        <button
          className="min-h-[44px] border-0 bg-transparent p-0"
          onClick={() => act({ do: "units", units: units === "in" ? "mm" : "in" })}
        >
          tapes in {units === "in" ? "inches" : "mm"}
        </button>
        <Undo keeping={keeping} />
      </ShopTop>
      <Troubles keeping={keeping} text={shopActText} act={(a) => act(a)} mayAgain={() => true} />
      <main className="grid grid-cols-1 gap-x-12 gap-y-6 px-5 pt-3 pb-8 lg:grid-cols-2">
        <div className="flex flex-wrap items-baseline gap-x-6 lg:col-span-2">
          <h1 className="text-[1.33rem] font-semibold">The shop</h1>
          <span className="text-soft">what every job has that does not say otherwise; bold is what you have said</span>
        </div>
        <div className="grid content-start gap-y-6">
          <section aria-label="People and hours">
            <h2 className="small-head">People and hours</h2>
            {w.staff.length === 0 && number("people", "People", "who work at the same time")}
            {row(
              "days",
              "Days worked",
              "nothing is planned on the others",
              <>
                <Days of="" value={w.days} onSettle={(days) => set({ days })} />
                <Wrong text={wrong("days") && "at least one day is worked"} />
              </>,
            )}
            {row(
              "hours",
              "Hours",
              "of every day worked; the plan rests between them",
              <>
                <Hours value={w.hours} onSettle={(hours) => set({ hours })} />
                <Wrong text={wrong("hours")} />
              </>,
            )}
            {row(
              "closed",
              "Days closed",
              "nobody works then",
              <>
                <Dates label="A day the shop is closed" value={w.closed} onSettle={(closed) => set({ closed })} />
                <Wrong text={wrong("closed")} />
              </>,
            )}
            <h2 className="small-head mt-6">Who works{w.staff.length > 0 && `: ${w.staff.length}`}</h2>
            <Staff workshop={w} onSettle={(staff) => set({ staff })} />
            <Wrong text={wrong("staff")} />
            <h2 className="small-head mt-6">Glue and panels</h2>
            {number("glue", "Glue, grams a square metre of joint", "150–200 is usual (from memory)")}
            {row(
              "panels",
              "Glue up panels wider than any board",
              "otherwise a part too wide for every board is said to be missing",
              <input
                type="checkbox"
                aria-label="Glue up panels wider than any board"
                className="size-5"
                checked={w.panels}
                onChange={(e) => set({ panels: e.target.checked })}
              />,
            )}
            {length("panelLoss", "Each joint of a panel loses", "to the jointer")}
          </section>
          <section aria-label="Money">
            <h2 className="small-head">Money</h2>
            <MoneyRows money={w.money} onSettle={(money) => set({ money })} />
            <Wrong text={wrong("money")} />
          </section>
          <section aria-label="Minutes">
            <h2 className="small-head">Minutes</h2>
            <MinutesList minutes={w.minutes} learned={learned} onSettle={(minutes) => set({ minutes })} />
            <Wrong text={wrong("minutes")} />
          </section>
        </div>
        <div className="grid content-start gap-y-6">
          <section aria-label="The saw">
            <h2 className="small-head">The saw</h2>
            {length("kerf", "Saw removes", "the kerf: measure a cut, not the blade")}
            {length("endTrim", "Lost at each board end", "end trim, that cut’s kerf and all")}
            {length("edgeTrim", "Lost at each board edge", "what a straight edge costs; 0 where boards come with one")}
            {length("sheetTrim", "Lost at each edge of a sheet", "0 where the mill’s edges are good")}
            {length(
              "minHold",
              "Shortest piece held safely",
              "shorter parts are cut from longer blanks; the saw’s manual and your own rules come first",
            )}
            {length("keepOffcut", "Offcuts kept from", "shorter ones are scrap")}
            {row(
              "sheetStages",
              "Sheets are cut in",
              "three stages waste less and take more set-ups",
              <select
                className="field"
                aria-label="Sheets are cut in"
                value={w.sheetStages}
                onChange={(e) => set({ sheetStages: e.target.value === "3" ? 3 : 2 })}
              >
                <option value="2">two stages</option>
                <option value="3">three stages</option>
              </select>,
            )}
            <h2 className="small-head mt-6">Weighed beside the wood</h2>
            {row(
              "weighing",
              "One more set-up costs",
              w.money.rate === null
                ? "money a fence or stop setting more is held to cost"
                : `money a fence or stop setting more is held to cost; ten minutes of an hour’s price are ${moneyText(w.money.rate / 6, w.money.currency)}`,
              <NumberField
                label="One more set-up costs"
                className="w-24"
                value={w.weighing.setUp}
                onSettle={(setUp) => set({ weighing: { ...w.weighing, setUp } })}
              />,
            )}
            <div className="grid grid-cols-[minmax(0,1fr)_auto] items-baseline gap-x-4 border-t border-rule py-1.5">
              <span>A kept offcut is worth, % of its price</span>
              <NumberField
                label="A kept offcut is worth, % of its price"
                className="w-24"
                value={Math.round(w.weighing.offcut * 100)}
                onSettle={(percent) => set({ weighing: { ...w.weighing, offcut: percent / 100 } })}
              />
            </div>
            <Wrong text={wrong("weighing")} />
            <h2 className="small-head mt-6">Bee space</h2>
            <BeeSpace bands={w.bands} units={units} onSettle={(bands) => set({ bands })} />
            <Wrong text={wrong("bands")} />
            <h2 className="small-head mt-6">On paper</h2>
            {row(
              "paper",
              "Paper",
              "story sticks and sheets are drawn for it",
              <select
                className="field"
                aria-label="Paper"
                value={w.paper}
                onChange={(e) => set({ paper: e.target.value as Workshop["paper"] })}
              >
                <option value="A4">A4</option>
                <option value="Letter">Letter</option>
              </select>,
            )}
          </section>
          <section aria-label="Stations">
            <h2 className="small-head">Stations</h2>
            <Stations workshop={w} onSettle={(to) => set(to)} />
            <Wrong text={wrong("stations") ?? wrong("lots")} />
          </section>
        </div>
      </main>
    </>
  );
}

function Wrong({ text }: { text: string | undefined }) {
  return text ? (
    <span role="alert" className="block text-[.84rem] text-madder">
      {text}
    </span>
  ) : null;
}

const NAMED = 2;

/** Jobs for which the shop's value does not hold. */
function Others({ jobs }: { jobs: Otherwise[] }) {
  if (jobs.length === 0) return null;
  return (
    <span className="block text-[.87rem]">
      otherwise in{" "}
      {jobs.slice(0, NAMED).map((j, i) => (
        <span key={j.id}>
          {i > 0 && ", "}
          <Link
            prefetch={false}
            href={`/jobs/${j.id}/ask`}
            title={j.name}
            className="inline-block max-w-60 truncate align-bottom underline decoration-[#9aa39d] underline-offset-2"
          >
            {j.name}
          </Link>
        </span>
      ))}
      {jobs.length > NAMED && ` and ${jobs.length - NAMED} more`}
    </span>
  );
}
