"use client";
import Link from "next/link";

/** A page that failed: says so, and that nothing kept is touched. */
export default function Failed({ error, reset }: { error: Error; reset(): void }) {
  return (
    <main className="p-10" role="alert">
      <p className="mb-1 text-[1.3rem]">This page could not be shown. What you asked for is kept.</p>
      <p className="mb-4 text-soft">{error.message}</p>
      <p className="flex items-baseline gap-5">
        <button className="act" onClick={reset}>
          Try again
        </button>
        <Link className="quiet" href="/">
          all jobs
        </Link>
      </p>
    </main>
  );
}
