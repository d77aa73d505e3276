import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";
import { catalogueStore } from "@/store/catalogue";
import { priceStore } from "@/store/prices";
import { supplierStore } from "@/store/suppliers";
import { Fresh } from "@/ui/parts/Fresh";
import { CataloguePage } from "@/ui/catalogue/CataloguePage";

export const metadata: Metadata = { title: "What can be bought" };

/** What can usually be bought. */
const Page = () =>
  fromKept(() => {
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <CataloguePage
          key={visit}
          stored={catalogueStore(database()).load()}
          units={shopStore(database()).load().shop.units}
          history={{
            since: priceStore(database()).since(0),
            suppliers: supplierStore(database())
              .all()
              .map(({ id, list }) => ({ id, name: list?.name ?? null })),
            now: Date.now(),
          }}
        />
      </>
    );
  });
export default Page;
