import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { z } from "zod";
import { itemName } from "@/app/itemName";
import { fromKept } from "@/app/kept";
import { today } from "@/app/today";
import { workJob } from "@/core/job/worked";
import { bookStore } from "@/store/book";
import { database } from "@/store/database";
import { jobStore } from "@/store/jobs";
import { BookPage } from "@/ui/book/BookPage";
import { Fresh } from "@/ui/parts/Fresh";

export const metadata: Metadata = { title: "The Book" };
const query = z.object({ job: z.coerce.number().int().min(1).optional() });

/** What became of what was made; `?job=` marks what a job made. */
const Page = (props: { searchParams: Promise<Record<string, unknown>> }) =>
  fromKept(async () => {
    const read = query.safeParse(await props.searchParams);
    const db = database();
    const book = bookStore(db);
    const jobs = jobStore(db).list().map(({ id, name }) => ({ id, name })); // prettier-ignore
    const asked = jobs.find((j) => j.id === read.data?.job);
    const marked = asked && book.marked(asked.id);
    const lines = asked && workJob(jobStore(db).inShop(asked.id)).lines.map((l) => ({ at: l.at, title: l.shape.title, quantity: l.line.quantity, marked: marked!.get(l.shape.title) ?? 0 })); // prettier-ignore
    const visit = randomUUID();
    return (
      <>
        <Fresh visit={visit} />
        <BookPage
          key={visit}
          first={book.find("")}
          count={book.count()}
          jobs={jobs}
          making={asked && lines ? { ...asked, lines } : null}
          items={book.items().map((i) => ({ ...i, name: itemName(i.item) }))}
          code={book.code() ?? ""}
          today={today()}
        />
      </>
    );
  });
export default Page;
