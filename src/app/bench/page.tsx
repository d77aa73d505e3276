import { randomUUID } from "node:crypto";
import type { Metadata } from "next";
import { z } from "zod";
import { fromKept } from "@/app/kept";
import { clockNow, today } from "@/app/today";
import { database } from "@/store/database";
import { BenchPage } from "@/ui/bench/BenchPage";
import { benchesOf } from "@/workers/planning";

export const metadata: Metadata = { title: "Bench" };
const query = z.object({ at: z.string().max(60).optional().catch(undefined) });

/** One set-up after another, as the plan that stands has them. */
const Page = ({ searchParams }: { searchParams: Promise<Record<string, string | string[] | undefined>> }) =>
  fromKept(async () => {
    const { at } = query.parse(await searchParams);
    return <BenchPage visit={randomUUID()} {...benchesOf(database(), clockNow(), today())} at={at ?? null} />;
  });
export default Page;
