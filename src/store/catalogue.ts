import {
  type Catalogue,
  type CatalogueAct,
  catalogueActText,
  changeCatalogue,
  type Offer,
  type StoredCatalogue,
  touchesCatalogue,
} from "@/core/catalogue/catalogue";
import { meet } from "@/core/keeping/kept";
import { isStock } from "@/core/catalogue/catalogue";
import { toMinor } from "@/core/money/money";
import { thingKey } from "@/core/purchase/thing";
import { ofDatabase } from "./database";
import { type Asked, keeper, type Screen, written } from "./keeper";
import { priceStore } from "./prices";
import { shopStore } from "./shop";

/** The catalogue: what can usually be bought. There is one. */
export const catalogueStore = ofDatabase((db) => {
  const sql = {
    read: db.prepare<[], { data: string; revision: number }>("SELECT data, revision FROM catalogue WHERE id = 1"),
    write: db.prepare("UPDATE catalogue SET data = ?, revision = revision + 1 WHERE id = 1"),
  };
  const read = () => {
    const { data, revision } = sql.read.get()!;
    return { revision, value: { offers: JSON.parse(data) as Offer[] } };
  };
  const [prices, shop] = [priceStore(db), shopStore(db)];
  /** What a pack, a board, a sheet costs from now on. */
  const keepPrices = (offers: Offer[]) => {
    const { currency } = shop.load().shop.workshop.money;
    const known = offers.filter(isStock).flatMap((o) => o.price === null ? [] : [{ thing: thingKey(o), pack: o.form === "pack" ? o.pack : 1, price: toMinor(o.price, currency) }]); // prettier-ignore
    prices.keep(0, currency, new Date(Date.now()).toISOString(), known);
  };
  const kept = keeper(db, {
    called: "catalogue",
    name: () => "catalogue",
    read,
    ...written<Catalogue, CatalogueAct>({
      write: (_, next) => {
        sql.write.run(JSON.stringify(next.offers));
        keepPrices(next.offers);
      },
      carryOut: changeCatalogue,
      holds: ({ offers }) => new Set(offers.map((o) => o.id)).size === offers.length,
    }),
    text: catalogueActText,
    collides: (a, b) => meet(touchesCatalogue(a), touchesCatalogue(b)),
  });
  const stored = <N extends ReturnType<typeof kept.load>>({
    value,
    ...rest
  }: N): Omit<N, "value"> & StoredCatalogue => ({ ...rest, version: rest.revision, offers: value.offers });
  return {
    load: (screen?: Screen): StoredCatalogue => stored(kept.load(1, screen)),
    offers: () => read().value.offers,
    revision: () => read().revision,
    /** Does several things to the catalogue. @throws as a keeper does */
    all: (asked: Asked<CatalogueAct>[], loaded?: number) => stored(kept.all(1, asked, loaded)),
  };
});
