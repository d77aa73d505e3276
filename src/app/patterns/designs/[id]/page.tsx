import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { standardStore } from "@/store/standards";
import { Fresh } from "@/ui/parts/Fresh";
import { DesignEditor } from "@/ui/designs/DesignEditor";

export const metadata: Metadata = { title: "Design" };

/** One of the maker's own designs, all its marks; `?copy=` starts one from a recipe, `?new=` from nothing. */
export default async function DesignPage({
  params,
  searchParams,
}: {
  params: Promise<{ id: string }>;
  searchParams: Promise<{ copy?: string; standard?: string; name?: string }>;
}) {
  await connection();
  const { id } = await params;
  const { copy, standard, name } = await searchParams;
  const kept = designStore(database()).list();
  const marks = kept.filter((m) => m.recipe.id === id);
  if (marks.length === 0 && id !== "new") notFound();
  const visit = randomUUID();
  return (
    <>
      <Fresh visit={visit} />
      <DesignEditor
        key={visit}
        marks={marks}
        taken={[...new Set(kept.map((m) => m.recipe.id))]}
        own={standardStore(database()).list()}
        start={{ copy, standard, name }}
      />
    </>
  );
}
