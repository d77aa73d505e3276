import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { catalogueStore } from "@/store/catalogue";
import { database } from "@/store/database";

/** Tells a page each time the catalogue is another than it was. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const store = catalogueStore(database());
    return follow(request, () => store.revision());
  });
