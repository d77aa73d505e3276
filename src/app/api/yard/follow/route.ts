import { follow } from "@/app/follow";
import { answer } from "@/app/http";
import { database } from "@/store/database";
import { yardStore } from "@/store/yard";

/** Tells a page each time the yard is another than it was. */
export const GET = (request: Request) =>
  answer(request, async () => {
    const store = yardStore(database());
    return follow(request, () => store.revision());
  });
