import type { Metadata } from "next";
import { Patterns } from "@/ui/patterns/Patterns";

export const metadata: Metadata = { title: "Patterns" };

/** The standards, two side by side. */
export default function PatternsPage() {
  return <Patterns />;
}
