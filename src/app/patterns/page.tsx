import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { Fresh } from "@/ui/parts/Fresh";
import { Patterns } from "@/ui/patterns/Patterns";

export const metadata: Metadata = { title: "Patterns" };

/** The standards: two side by side, and the maker's own. */
const PatternsPage = () =>
  fromKept(() => {
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <Patterns key={visit} kept={standardStore(database()).list()} designs={designStore(database()).newest()} />
      </>
    );
  });
export default PatternsPage;
