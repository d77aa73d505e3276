"use client";
import { type PageId, turnTo } from "@/ui/desk/pages";
import { useDesk } from "@/ui/desk/useDesk";

/** A station with nothing to show yet: says so, and what starts it. */
export function Empty({ text, next, act }: { text: string; next: PageId; act: string }) {
  const { id } = useDesk();
  return (
    <div className="pt-16 text-center">
      <p className="mb-4 text-[1.3rem]">{text}</p>
      <button className="act text-[1.13rem]" onClick={() => turnTo(id, next)}>
        {act}
      </button>
    </div>
  );
}
