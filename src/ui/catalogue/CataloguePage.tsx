"use client";
import { Fragment, lazy, Suspense, useCallback, useState } from "react";
import {
  type CatalogueAct,
  catalogueActSchema,
  catalogueActText,
  changeCatalogue,
  isStock,
  type Offer,
  type Offered,
  type StockOffered,
  type StoredCatalogue,
  touchesCatalogue,
} from "@/core/catalogue/catalogue";
import { meet } from "@/core/keeping/kept";
import type { Units } from "@/core/length/length";
import { thingKey } from "@/core/purchase/thing";
import { problemsOf } from "@/core/problem/explain";
import { JobFileError } from "@/core/problem/problem";
import { madeOf } from "@/core/yard/lot";
import { offersOf, readPriced, sold } from "@/core/yard/priced";
import { Troubles } from "@/ui/desk/Troubles";
import { useKeeping } from "@/ui/desk/useKeeping";
import { Sizes } from "@/ui/orders/Thing";
import { NumberField } from "@/ui/parts/NumberField";
import { count, dayText } from "@/ui/parts/words";
import { ShopTop } from "@/ui/top/ShopTop";
import { Undo } from "@/ui/top/Undo";
import { OpenTable, Preview } from "@/ui/yard/Preview";
import { tableInText } from "@/ui/yard/tables";

const dependsOn = (later: CatalogueAct, earlier: CatalogueAct) =>
  meet(touchesCatalogue(later), touchesCatalogue(earlier));

/** What can usually be bought, in its sizes and for how much: every job finds it. */
export function CataloguePage({
  stored,
  units,
  history = { since: {}, suppliers: [], now: 0 },
}: {
  stored: StoredCatalogue;
  units: Units;
  history?: History;
}) {
  const [offers, setOffers] = useState(stored.offers);
  const [problem, setProblem] = useState<string | null>(null);
  const adopt = useCallback((kept: StoredCatalogue) => setOffers(kept.offers), []);
  const keeping = useKeeping<StoredCatalogue, CatalogueAct>("/api/catalogue", stored, adopt, dependsOn);
  const act = (what: CatalogueAct): boolean => {
    const read = catalogueActSchema.safeParse(what, { reportInput: true });
    try {
      if (!read.success) throw new JobFileError(problemsOf(read.error));
      setOffers(changeCatalogue({ offers }, read.data).offers);
      setProblem(null);
      keeping.send({ act: read.data });
      return true;
    } catch (e) {
      if (!(e instanceof JobFileError)) throw e;
      setProblem(e.problems.map((p) => p.message).join("; "));
      return false;
    }
  };
  const boards = offers.filter((o) => o.form === "board");
  const sheets = offers.filter((o) => o.form !== "board" && o.form !== "pack" && o.form !== "item");
  const packs = offers.filter((o) => o.form === "pack");
  const items = offers.filter((o) => o.form === "item");
  const unpriced = offers.filter((o) => o.price === null).length;
  return (
    <>
      <ShopTop here="/catalogue">
        {(["csv", "xlsx"] as const).map((kind) => (
          <a
            key={kind}
            href={`/api/catalogue/file/catalogue.${kind}`}
            className="quiet inline-flex min-h-[44px] items-center"
            download
          >
            {kind.toUpperCase()}
          </a>
        ))}
        <Undo keeping={keeping} />
      </ShopTop>
      <Troubles keeping={keeping} text={catalogueActText} act={(a) => void act(a)} mayAgain={() => true} />
      <main className="px-5 pt-3 pb-10">
        <div className="mb-2 flex flex-wrap items-baseline gap-x-6">
          <h1 className="text-[1.33rem] font-semibold">What can be bought</h1>
          <span className="text-soft">
            {offers.length === 0
              ? "nothing listed yet; a job that misses something offers it here"
              : `${count(offers.length, "thing")}, found by every job`}
            {unpriced > 0 && (
              <b className="font-semibold text-madder">
                {" "}
                · {unpriced} without a price: layouts weigh them by their size, orders say so
              </b>
            )}
          </span>
        </div>
        <AddLine units={units} act={act} />
        {problem && (
          <p role="alert" className="mb-2 border-l-8 border-madder bg-white px-3 py-2 font-semibold text-madder">
            {problem}
          </p>
        )}
        <Offers name="Boards" list={boards} units={units} act={act} history={history} />
        <Offers name="Sheets, rolls and coils" list={sheets} units={units} act={act} history={history} />
        <Offers name="Fasteners, glue, foundation" list={packs} units={units} act={act} history={history} />
        <Offers name="Bought instead of made" list={items} units={units} act={act} history={history} />
      </main>
    </>
  );
}

/** `pine 3/4 x 11 1/4 x 8', 14.20 each`; `200 frame nail, 6.50 each`: a pack of so many. */
function AddLine({ units, act }: { units: Units; act(act: CatalogueAct): boolean }) {
  const [typed, setTyped] = useState("");
  const [wrong, setWrong] = useState<string | null>(null);
  const [table, setTable] = useState<string[][] | null>(null);
  const list = (offers: Offered[]) => act({ do: "offer", offers });
  const add = () => {
    const read = readPriced(typed, units);
    if ("problem" in read) return setWrong(read.problem);
    if (list([sold(read)])) setTyped("");
  };
  const open = (rows: string[][]) => {
    setWrong(rows.length === 0 ? "nothing is in it" : null);
    setTable(rows.length > 0 ? rows : null);
  };
  return (
    <div className="mb-4">
      <div className="flex max-w-[60rem] gap-3">
        <input
          className="min-w-72 flex-1 border-2 border-ink bg-white px-3 py-2 text-[1.13rem]"
          aria-label="Something that can be bought"
          autoComplete="off"
          placeholder={units === "in" ? "pine 3/4 x 11 1/4 x 8', 14.20 each" : "pine 20 x 245 x 2400, 14.20 each"}
          value={typed}
          onChange={(e) => {
            setTyped(e.target.value);
            setWrong(null);
          }}
          onPaste={(e) => {
            const text = e.clipboardData.getData("text");
            if (!/[\n\t]/.test(text.trim())) return;
            e.preventDefault();
            open(tableInText(text));
          }}
          onKeyDown={(e) => e.key === "Enter" && add()}
        />
        <button className="act" disabled={typed.trim() === ""} onClick={add}>
          List it
        </button>
        <OpenTable label="Price list" onTable={open} onWrong={setWrong} />
      </div>
      <p className="min-h-6 text-[.87rem] text-soft">
        {wrong ? (
          <span role="alert" className="font-semibold text-madder">
            {wrong}
          </span>
        ) : (
          "A board, sheet, roll or coil by its size; hardware by what is in a pack: 200 frame nail, 6.50 each. Without a price it is unknown. A whole price list can be pasted."
        )}
      </p>
      {table && (
        <Preview
          table={table}
          units={units}
          priced
          verb="List"
          leave={() => setTable(null)}
          take={(read) => list(offersOf(read)) && setTable(null)}
        />
      )}
    </div>
  );
}

/** Since when prices hold, and who else sells. */
interface History {
  /** By pack and thing. */
  since: Record<string, string>;
  suppliers: { id: number; name: string | null }[];
  /** ms */
  now: number;
}
/** A price older than this is marked, ms. */
const OLD = 90 * 86_400_000;
const PriceHistory = lazy(() => import("@/ui/orders/PriceHistory"));

/** How old a price is; pressed, what the thing cost over time is shown. */
function Age({ of, history: { since, now }, onShow }: { of: StockOffered; history: History; onShow(): void }) {
  const from = since[`${of.form === "pack" ? of.pack : 1} ${thingKey(of)}`];
  if (!from) return null;
  const old = now - Date.parse(from) > OLD;
  return (
    <button
      className={`quiet min-h-[44px] text-[.84rem] ${old ? "font-semibold text-madder" : "text-soft"}`}
      aria-label={`What ${of.material} cost before`}
      onClick={onShow}
    >
      {old ? "old: " : ""}since {dayText(from.slice(0, 10))}
    </button>
  );
}

const HEADS: Partial<Record<Offer["form"], string>> = { pack: "in a pack", item: "how" };

function Offers({
  name,
  list,
  units,
  act,
  history,
}: {
  name: string;
  list: Offer[];
  units: Units;
  act(act: CatalogueAct): boolean;
  history: History;
}) {
  const [shown, setShown] = useState<number | null>(null);
  if (list.length === 0) return null;
  return (
    <section aria-label={name} className="mb-5 max-w-[64rem]">
      <h2 className="small-head">{name}</h2>
      <table className="cutting-list">
        <thead>
          <tr>
            <th>what</th>
            <th className="text-right!">{HEADS[list[0]!.form] ?? "thick × wide × long"}</th>
            <th className="text-right!">price</th>
            <th>
              <span className="sr-only">since</span>
            </th>
            <th>
              <span className="sr-only">leave out</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {list.map((o) => {
            const { id, ...offered } = o;
            return (
              <Fragment key={id}>
                <tr>
                  <td>
                    {madeOf(o)}
                    {"rough" in o && o.rough && ", rough"}
                  </td>
                  <td className="text-right whitespace-nowrap">
                    {o.form === "item" ? (
                      o.as
                    ) : o.form === "pack" ? (
                      <NumberField
                        label={`In a pack of ${o.material}`}
                        value={o.pack}
                        onSettle={(pack) =>
                          act({ do: "change", id, to: { form: "pack", material: o.material, price: o.price, pack } })
                        }
                        className="w-20"
                      />
                    ) : (
                      <Sizes of={o} units={units} />
                    )}
                  </td>
                  <td className="text-right">
                    <NumberField
                      label={`Price of ${o.material}, no. ${id}`}
                      value={o.price}
                      empty="unknown"
                      onSettle={(price) => act({ do: "change", id, to: { ...offered, price } })}
                      onEmpty={() => act({ do: "change", id, to: { ...offered, price: null } })}
                      className="min-h-[44px] w-24"
                    />
                  </td>
                  <td className="whitespace-nowrap">
                    {isStock(o) && o.price !== null && (
                      <Age of={o} history={history} onShow={() => setShown(shown === id ? null : id)} />
                    )}
                  </td>
                  <td className="text-right">
                    <button
                      className="quiet min-h-[44px]"
                      aria-label={`Leave out ${o.material}, no. ${id}`}
                      onClick={() => act({ do: "leave out", id })}
                    >
                      leave out
                    </button>
                  </td>
                </tr>
                {shown === id && isStock(o) && (
                  <tr>
                    <td colSpan={5}>
                      <Suspense fallback={<p className="text-soft">drawing …</p>}>
                        <PriceHistory thing={thingKey(o)} suppliers={history.suppliers} now={history.now} />
                      </Suspense>
                    </td>
                  </tr>
                )}
              </Fragment>
            );
          })}
        </tbody>
      </table>
    </section>
  );
}
