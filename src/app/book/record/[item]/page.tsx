import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { notFound } from "next/navigation";
import { z } from "zod";
import { itemName } from "@/app/itemName";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import { changesBetween } from "@/core/designs/compare";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { RecordPage } from "@/ui/book/RecordPage";
import { Fresh } from "@/ui/parts/Fresh";

export const metadata: Metadata = { title: "How it did" };
const item = z.string().max(60);

/** How a design did in use: its marks with what each changed and why, and what became of what was made by them. */
const Page = (props: { params: Promise<{ item: string }> }) =>
  fromKept(async () => {
    const read = item.safeParse((await props.params).item);
    if (!read.success) notFound();
    const db = database();
    const record = bookStore(db).record(read.data, today());
    const kept = designStore(db).list().filter((m) => m.recipe.id === read.data); // prettier-ignore
    if (record.marks.length === 0 && kept.length === 0) notFound();
    const marks = kept.map((m, i) => ({
      mark: m.mark,
      why: m.why,
      madeAt: m.madeAt,
      notes: m.notes,
      changed: i === 0 ? [] : changesBetween(kept[i - 1]!.recipe, m.recipe).map((c) => c.where),
    }));
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <RecordPage key={visit} item={read.data} name={kept.at(-1)?.recipe.name ?? itemName(read.data)} marks={marks} record={record} />
      </>
    );
  }); // prettier-ignore
export default Page;
