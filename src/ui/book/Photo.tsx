"use client";
import { useState } from "react";
import { DateField } from "@/ui/parts/DateField";

/** A file as the server takes it in: base64. */
const encoded = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader();
    reader.addEventListener("load", () => resolve((reader.result as string).replace(/^data:[^,]*,/, "")));
    reader.addEventListener("error", () => reject(reader.error ?? new Error("the file cannot be read")));
    reader.readAsDataURL(file);
  });

/** A picture of a piece: chosen, or taken where there is a camera. */
export function Photo({ today, take }: { today: string; take(photo: string, on: string, note: string): Promise<boolean> }) {
  const [on, setOn] = useState(today);
  const [note, setNote] = useState("");
  const [busy, setBusy] = useState(false);
  const add = async (file: File) => {
    setBusy(true);
    if (await take(await encoded(file).catch(() => ""), on, note.trim())) setNote("");
    setBusy(false);
  };
  return (
    <section aria-label="A picture" className="no-print mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
      <b className="font-semibold">A picture</b>
      <DateField label="taken on" value={on} onChange={(d) => d && setOn(d)} />
      <input className="field w-72" aria-label="what it shows" placeholder="what it shows" maxLength={500} value={note} onChange={(e) => setNote(e.target.value)} />
      <label className="quiet inline-flex min-h-[44px] cursor-pointer items-center">
        {busy ? "reading it …" : "choose or take one"}
        <input type="file" accept="image/jpeg,image/png,image/webp" className="sr-only" aria-label="Choose or take a picture" disabled={busy} onChange={(e) => { const file = e.target.files?.[0]; e.target.value = ""; if (file) void add(file); }} />
      </label>
      <span className="text-[.87rem] text-soft">kept without the place it was taken at</span>
    </section>
  );
} // prettier-ignore
