"use client";
import { useState } from "react";
import { askServer } from "@/ui/parts/askServer";
import { count } from "@/ui/parts/words";

/** Labels are many, and a printer is slow to answer, ms. */
const PATIENCE = 30_000;

/** Sends a job's labels to the label printer, and says how many went. */
export function PrintLabels({ jobId }: { jobId: number }) {
  const [said, setSaid] = useState<{ text: string; failed?: true } | null>(null);
  const send = async () => {
    setSaid({ text: "sending …" });
    try {
      const { sent } = await askServer<{ sent: number }>(`/api/jobs/${jobId}/labels`, { method: "POST", body: {}, patience: PATIENCE }); // prettier-ignore
      setSaid({ text: `${count(sent, "label")} went to the printer` });
    } catch (e) {
      setSaid({ text: (e as Error).message, failed: true });
    }
  };
  return (
    <>
      <button className="quiet min-h-[44px]" onClick={() => void send()}>
        labels to the label printer
      </button>
      {said && (
        <span role={said.failed ? "alert" : "status"} className={said.failed ? "font-semibold text-madder" : ""}>
          {said.text}
        </span>
      )}
    </>
  );
}
