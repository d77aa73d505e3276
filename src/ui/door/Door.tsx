"use client";
import Link from "next/link";
import { type FormEvent, useState } from "react";
import { askServer } from "@/ui/parts/askServer";
import { agoText } from "@/ui/parts/words";

/** Asks for the passphrase. */
export function Enter({ isSet }: { isSet: boolean }) {
  const [why, setWhy] = useState("");
  const enter = async (e: FormEvent<HTMLFormElement>) => {
    e.preventDefault();
    const passphrase = String(new FormData(e.currentTarget).get("passphrase"));
    try {
      await askServer("/api/door", { method: "POST", body: { passphrase } });
      window.location.assign("/");
    } catch (failed) {
      setWhy((failed as Error).message);
    }
  };
  return (
    <main className="mx-auto max-w-[34rem] px-5 py-16">
      <h1 className="mb-6 text-[1.9rem] font-bold tracking-tight">Rundik</h1>
      {isSet ? (
        <form onSubmit={(e) => void enter(e)} className="flex flex-wrap items-baseline gap-4">
          <label className="flex items-baseline gap-3 text-[1.13rem]">
            Passphrase
            <input className="field w-72" type="password" name="passphrase" autoComplete="current-password" required />
          </label>
          <button className="act">Go in</button>
        </form>
      ) : (
        <p>
          This shop is open to others, and no passphrase is set yet. Where the program runs:{" "}
          <code className="font-mono">npm run --silent rundik -- passphrase</code>
        </p>
      )}
      {why && (
        <p role="alert" className="mt-4 font-semibold text-madder">
          {why}
        </p>
      )}
    </main>
  );
}

/** Every session there is, each to be ended. */
export function Sessions({
  sessions,
  now,
}: {
  sessions: { id: number; what: string; entered: number; seen: number; here: boolean }[];
  now: number;
}) {
  const end = async (body: { id?: number }) => {
    await askServer("/api/door", { method: "DELETE", body });
    window.location.reload();
  };
  return (
    <main className="mx-auto max-w-[64rem] px-5 py-6">
      <header className="mb-6 flex flex-wrap items-baseline gap-4">
        <Link href="/" className="text-[1.33rem] font-bold tracking-tight no-underline">
          Rundik
        </Link>
        <h1 className="text-[1.33rem]">Who is in</h1>
        <button className="act ml-auto" onClick={() => void end({})}>
          Leave
        </button>
      </header>
      <table className="cutting-list">
        <thead>
          <tr>
            <th>came in</th>
            <th>last seen</th>
            <th>with</th>
            <th>
              <span className="sr-only">end</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {sessions.map((s) => (
            <tr key={s.id}>
              <td className="whitespace-nowrap">{agoText(now - s.entered)}</td>
              <td className="whitespace-nowrap">{s.here ? "here, now" : agoText(now - s.seen)}</td>
              <td className="text-[.87rem] text-soft">{s.what}</td>
              <td>
                {!s.here && (
                  <button className="quiet" onClick={() => void end({ id: s.id })}>
                    end it
                  </button>
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </main>
  );
}
