"use client";
import type { DesignRead } from "@/core/designs/problems";
import type { Recipe } from "@/core/recipes/recipe";
import { placeText } from "./sections";

/** What keeps a design from coming out, each leading to its field. */
export function ToPutRight({ read, recipe, go }: { read: DesignRead; recipe: Recipe; go(path: string): void }) {
  if (read.problems.length === 0) return null;
  return (
    <ul aria-label="To put right" className="mb-2 border-l-8 border-madder bg-white px-3 py-1.5">
      {read.problems.slice(0, 8).map((p) => (
        <li key={p.path + p.message}>
          <button className="quiet text-left" onClick={() => go(p.path)}>
            <span className="font-semibold">{placeText(p.path, recipe)}</span>: {p.message}
          </button>
        </li>
      ))}
      {read.problems.length > 8 && <li className="text-soft">and {read.problems.length - 8} more</li>}
    </ul>
  );
}
