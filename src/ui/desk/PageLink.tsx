"use client";
import type { ComponentProps } from "react";
import { type PageId, pathOf, turnTo } from "./pages";

/** A link to another page of the open job. */
export function PageLink({ job, to, children, ...rest }: { job: number; to: PageId } & ComponentProps<"a">) {
  return (
    <a
      {...rest}
      href={pathOf(job, to)}
      onClick={(e) => {
        if (e.metaKey || e.ctrlKey) return;
        e.preventDefault();
        turnTo(job, to);
      }}
    >
      {children}
    </a>
  );
}
