import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { z } from "zod";
import { fromKept } from "@/app/kept";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { Fresh } from "@/ui/parts/Fresh";
import { DesignEditor } from "@/ui/designs/DesignEditor";

export const metadata: Metadata = { title: "Design" };

const word = z.string().max(120).optional();
const query = z.object({ copy: word, standard: word, name: word });

/** One of the maker's own designs, all its marks; `?copy=` starts one from a recipe, `?new=` from nothing. */
const DesignPage = (props: { params: Promise<{ id: string }>; searchParams: Promise<Record<string, unknown>> }) =>
  fromKept(async () => {
    const { id } = await props.params;
    const start = query.safeParse(await props.searchParams);
    const kept = designStore(database()).list();
    const marks = kept.filter((m) => m.recipe.id === id);
    if (!start.success || (marks.length === 0 && id !== "new")) notFound();
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <DesignEditor
          key={visit}
          marks={marks}
          taken={[...new Set(kept.map((m) => m.recipe.id))]}
          own={standardStore(database()).list()}
          start={start.data}
        />
      </>
    );
  });
export default DesignPage;
