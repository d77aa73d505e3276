import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { readWeigh } from "@/core/weigh/file";
import { SETS } from "@/core/weigh/sets";
import { weighRows } from "@/core/weigh/rows";
import { WeighPage } from "@/ui/weigh/WeighPage";

export const metadata: Metadata = { title: "Weigh up" };

/** Which to make: things side by side. It begins with four frames. */
const Page = () =>
  fromKept(() => {
    const { things, assume } = readWeigh({ format: "rundik-weigh", version: 1, units: "in", things: SETS[0]!.things });
    return <WeighPage first={weighRows(things, assume)} />;
  });
export default Page;
