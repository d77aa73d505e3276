import Link from "next/link";
import type { ReactNode } from "react";

/** The pages above the jobs. */
const PAGES = [
  { at: "/", name: "Today" },
  { at: "/plan", name: "Plan" },
  { at: "/orders", name: "Orders" },
  { at: "/yard", name: "Yard" },
  { at: "/catalogue", name: "Catalogue" },
  { at: "/patterns", name: "Patterns" },
  { at: "/weigh", name: "Weigh up" },
  { at: "/book", name: "Book" },
  { at: "/shop", name: "Shop" },
] as const;
export type ShopPageAt = (typeof PAGES)[number]["at"];

/** The line of words above the jobs; on its right what belongs to the page. */
export function ShopTop({ here, children }: { here: ShopPageAt; children?: ReactNode }) {
  return (
    <header className="no-print flex flex-wrap items-center gap-x-5 border-b-2 border-ink px-5">
      <Link
        prefetch={false}
        href="/"
        className="min-h-[44px] py-3 text-[1.33rem] font-bold tracking-tight no-underline"
      >
        Rundik
      </Link>
      <nav aria-label="The shop" className="flex flex-wrap">
        {PAGES.map(({ at, name }) => (
          <Link
            key={at}
            prefetch={false}
            href={at}
            aria-current={at === here ? "page" : undefined}
            className={`inline-flex min-h-[44px] items-center border-b-4 px-2.5 no-underline ${at === here ? "border-spruce font-semibold" : "border-transparent"}`}
          >
            {name}
          </Link>
        ))}
      </nav>
      <span className="ml-auto flex flex-wrap items-center gap-x-3.5">{children}</span>
    </header>
  );
}
