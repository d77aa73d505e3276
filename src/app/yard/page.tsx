import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";
import { yardStore } from "@/store/yard";
import { Fresh } from "@/ui/parts/Fresh";
import { YardPage } from "@/ui/yard/YardPage";

export const metadata: Metadata = { title: "The yard" };

/** What the shop has. */
const Page = () =>
  fromKept(() => {
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <YardPage key={visit} stored={yardStore(database()).load()} units={shopStore(database()).load().shop.units} />
      </>
    );
  });
export default Page;
