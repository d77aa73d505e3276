import type { ReactNode } from "react";
import { notFound } from "next/navigation";
import { connection } from "next/server";
import { storageFault } from "@/store/fault";
import { NoJobError } from "@/store/jobs";
import { LayoutLimit } from "@/workers/pool";
import { TryAgain } from "@/ui/parts/TryAgain";
import { FullError } from "@/workers/turns";

/** Draws a page from what is kept. A job that is not there is no page; storage or a layout that does not answer is said in words. */
export async function fromKept(draw: () => ReactNode | Promise<ReactNode>): Promise<ReactNode> {
  await connection();
  try {
    return await draw();
  } catch (e) {
    if (e instanceof NoJobError) notFound();
    const said = storageFault(e)?.said ?? (e instanceof LayoutLimit || e instanceof FullError ? e.message : undefined);
    if (said === undefined) throw e;
    return <NotNow said={said} />;
  }
}

function NotNow({ said }: { said: string }) {
  return (
    <main className="p-10" role="alert">
      <p className="mb-1 text-[1.3rem]">This page cannot be shown now.</p>
      <p className="mb-4 max-w-[70ch]">{said[0]!.toUpperCase() + said.slice(1)}.</p>
      <TryAgain />
    </main>
  );
}
