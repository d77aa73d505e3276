import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { benchStore } from "@/store/bench";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { shopStore } from "@/store/shop";
import { Fresh } from "@/ui/parts/Fresh";
import { ShopPage } from "@/ui/shop/ShopPage";

export const metadata: Metadata = { title: "The shop" };

/** The workshop all jobs are made in. */
const Page = () =>
  fromKept(() => {
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <ShopPage
          key={visit}
          stored={shopStore(database()).load()}
          jobs={jobStore(database()).otherwise()}
          learned={benchStore(database()).learned()}
        />
      </>
    );
  });
export default Page;
