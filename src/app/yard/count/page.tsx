import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";
import { Fresh } from "@/ui/parts/Fresh";
import { StockTake } from "@/ui/yard/StockTake";

export const metadata: Metadata = { title: "Stock-take" };

/** Counts what the shop has, one thing a screen. */
const Page = () =>
  fromKept(() => {
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <StockTake key={visit} stored={yardStore(database()).load()} units={shopStore(database()).load().shop.units} />
      </>
    );
  });
export default Page;
