"use client";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { type Design, markName } from "@/core/designs/design";
import { RECIPES } from "@/core/recipes";
import { useDesignDrafts } from "./drafts";
import { askServer } from "@/ui/parts/askServer";

/** The maker's own designs, and three ways to begin one. */
export function Designs({ kept }: { kept: Design[] }) {
  const router = useRouter();
  const [from, setFrom] = useState("feed-rim");
  const [trouble, setTrouble] = useState<string | null>(null);
  const bring = async (file: File) => {
    try {
      await askServer("/api/designs/file", { method: "POST", body: await file.text() });
      setTrouble(null);
      router.refresh();
    } catch (e) {
      setTrouble((e as Error).message);
    }
  };
  const unkept = useDesignDrafts();
  const items = [...new Map(RECIPES.map((r) => [r.id, r])).values()];
  return (
    <section aria-label="Your designs" className="mb-6">
      <h2 className="small-head">Your designs</h2>
      <ul>
        {kept.map((d) => (
          <li key={d.recipe.id} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
            <Link
              className="font-semibold underline decoration-[#9aa39d] underline-offset-2"
              prefetch={false}
              href={`/patterns/designs/${d.recipe.id}`}
            >
              {d.recipe.name}
            </Link>
            <span className="font-mono text-soft">mark {markName(d.mark)}</span>
            <span className="text-soft">{d.why}</span>
            <a className="quiet ml-auto text-[.87rem]" href={`/api/designs/file?id=${d.recipe.id}`}>
              file
            </a>
          </li>
        ))}
        {unkept.map(([page, { value }]) => (
          <li key={page} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
            <Link
              className="font-semibold underline decoration-[#9aa39d] underline-offset-2"
              prefetch={false}
              href={page}
            >
              {value.recipe.name || "no name yet"}
            </Link>
            <span className="text-madder">was changed here and is not kept yet</span>
          </li>
        ))}
      </ul>
      <p className="mt-1 flex flex-wrap items-baseline gap-x-3 gap-y-1">
        <label>
          <span className="text-soft">copy </span>
          <select className="field" aria-label="Recipe to copy" value={from} onChange={(e) => setFrom(e.target.value)}>
            {items.map((r) => (
              <option key={r.id} value={r.id}>
                {r.name}
              </option>
            ))}
          </select>
        </label>
        <Link className="quiet" prefetch={false} href={`/patterns/designs/new?copy=${from}`}>
          and change it
        </Link>
        <Link className="quiet" prefetch={false} href="/patterns/designs/new">
          start a design from nothing
        </Link>
        <label className="quiet cursor-pointer">
          bring one in from a file
          <input
            type="file"
            accept="application/json,.json"
            className="sr-only"
            onChange={(e) => {
              const file = e.target.files?.[0];
              if (file) void bring(file);
              e.target.value = "";
            }}
          />
        </label>
      </p>
      {trouble && (
        <p role="alert" className="border-l-8 border-madder bg-white px-3 py-1.5 whitespace-pre-line">
          {trouble}
        </p>
      )}
    </section>
  );
}
