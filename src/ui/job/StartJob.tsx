"use client";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import type { Units } from "@/core/length/length";
import { askServer, NoAnswer } from "@/ui/parts/askServer";

/** Starts an empty job, or opens a job file. */
export function StartJob({ first, units }: { first: boolean; units: Units }) {
  const router = useRouter();
  const file = useRef<HTMLInputElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const create = async (body: Blob | string, station: string) => {
    setWrong(null);
    try {
      const { id } = await askServer<{ id: number }>("/api/jobs", { method: "POST", body });
      router.push(`/jobs/${id}/${station}`);
    } catch (e) {
      setWrong(
        e instanceof NoAnswer
          ? "the file was not taken: it is too large, or the server does not answer"
          : (e as Error).message,
      );
    }
  };
  return (
    <>
      <span className="flex items-baseline gap-3">
        <button className="quiet" onClick={() => file.current?.click()}>
          open a job file
        </button>
        <button
          className={`act ${first ? "text-[1.2rem]" : ""}`}
          onClick={() =>
            void create(JSON.stringify({ format: "rundik-job", version: 1, name: "New job", units, lines: [] }), "ask")
          }
        >
          Start a job
        </button>
      </span>
      <input
        ref={file}
        type="file"
        accept=".json,application/json"
        aria-label="Job file"
        className="sr-only"
        tabIndex={-1}
        onChange={(e) => {
          const chosen = e.target.files?.[0];
          e.target.value = "";
          if (chosen) void create(chosen, "shape");
        }}
      />
      {wrong && (
        <p role="alert" className="mt-2 max-w-[36rem] border-l-8 border-madder bg-white px-3 py-2 whitespace-pre-wrap">
          <b className="block">This is not a job file that can be opened. Nothing was kept.</b>
          {wrong}
        </p>
      )}
    </>
  );
}
