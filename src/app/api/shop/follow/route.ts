import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { shopStore } from "@/store/shop";

/** Tells a page each time the shop is another than it was. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const store = shopStore(database());
    return follow(request, () => store.revision());
  });
