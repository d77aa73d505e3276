"use client";
import { useRouter } from "next/navigation";
import { useEffect } from "react";

const seen = new Set<string>();

/**
 * Asks the server again for a page that Back or Forward has brought up from the browser's memory: it may have changed
 * since. `visit` is new each time the server makes the page, and the key of what is to begin anew with it.
 */
export function Fresh({ visit }: { visit: string }) {
  const router = useRouter();
  useEffect(() => {
    if (seen.has(visit)) router.refresh();
    seen.add(visit);
  }, [visit, router]);
  return null;
}
