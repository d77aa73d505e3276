import { meet } from "@/core/keeping/kept";
import {
  changeShop,
  type Shop,
  type ShopAct,
  shopActText,
  type StoredShop,
  touchesShop,
  usualWorkshop,
} from "@/core/shop/shop";
import { ofDatabase } from "./database";
import { type Asked, keeper, type Screen, written } from "./keeper";

/** The shop: there is one, as usual until something of it is said. */
export const shopStore = ofDatabase((db) => {
  const sql = {
    read: db.prepare<[], { data: string; revision: number }>("SELECT data, revision FROM shop WHERE id = 1"),
    write: db.prepare("UPDATE shop SET data = ?, revision = revision + 1 WHERE id = 1"),
  };
  const read = () => {
    const { data, revision } = sql.read.get()!;
    const { units, workshop } = JSON.parse(data) as { units: Shop["units"]; workshop: Partial<Shop["workshop"]> };
    return { revision, value: { units, workshop: { ...usualWorkshop(units), ...workshop } } };
  };
  const kept = keeper(db, {
    called: "shop",
    name: () => "shop",
    read,
    ...written<Shop, ShopAct>({
      write: (_, next) => sql.write.run(JSON.stringify(next)),
      carryOut: changeShop,
      // Every value is checked as it is given; none depends on another.
      holds: () => true,
    }),
    text: shopActText,
    collides: (a, b) => meet(touchesShop(a), touchesShop(b)),
  });
  type Now = ReturnType<typeof kept.load>;
  const stored = <N extends Now>({ value, ...rest }: N): Omit<N, "value"> & StoredShop => ({
    ...rest,
    version: rest.revision,
    shop: value,
  });
  return {
    load: (screen?: Screen): StoredShop => stored(kept.load(1, screen)),
    revision: () => read().revision,
    /** Does several things to the shop. @throws as a keeper does */
    all: (asked: Asked<ShopAct>[], loaded?: number) => stored(kept.all(1, asked, loaded)),
  };
});
