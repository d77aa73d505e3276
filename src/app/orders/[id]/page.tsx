import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { idParam } from "@/app/http";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";
import { shopStore } from "@/store/shop";
import { PurchasePage } from "@/ui/orders/PurchasePage";

interface Props {
  params: Promise<{ id: string }>;
}
export const generateMetadata = async ({ params }: Props): Promise<Metadata> => ({
  title: `Order ${(await params).id}`,
});

/** One order. */
const Page = ({ params }: Props) =>
  fromKept(async () => {
    const read = idParam.safeParse((await params).id);
    const store = purchaseStore(database());
    if (!read.success || !store.has(read.data)) notFound();
    const visit = randomUUID();
    return (
      <PurchasePage
        key={visit}
        visit={visit}
        stored={store.load(read.data)}
        jobs={Object.fromEntries(
          jobStore(database())
            .ids()
            .map((j) => [j.id, j.name]),
        )}
        units={shopStore(database()).load().shop.units}
        today={today()}
      />
    );
  });
export default Page;
