import Link from "next/link";
import type { ReactNode } from "react";

/** The way back to the Book, and what else leads on from a page of it. */
export const Back = ({ children }: { children: ReactNode }) => (
  <p className="no-print flex flex-wrap items-center gap-x-4">
    <Link prefetch={false} href="/book" className="quiet inline-flex min-h-[44px] items-center">
      the Book
    </Link>
    {children}
  </p>
);
