import type { Elsewhere } from "@/core/book/book";
import { stateOf } from "@/core/purchase/purchase";
import { database } from "@/store/database";
import { designStore } from "@/store/designs";
import { jobStore } from "@/store/jobs";
import { purchaseStore } from "@/store/purchases";

/** So many of each kind; orders that have ended are looked through so far back. */
const [EACH, ENDED] = [5, 500];

/** Jobs, designs of the maker's own with what was noticed of them, and orders in which all words are found. */
export function elsewhere(asked: string): Elsewhere[] {
  const words = asked.toLowerCase().match(/[\p{L}\p{N}]+/gu) ?? [];
  if (words.length === 0) return [];
  const has = (text: string) => words.every((w) => text.toLowerCase().includes(w));
  const db = database();
  const jobs = [false, true].flatMap((archived) => jobStore(db).list({ words, archived, most: EACH }).map((j): Elsewhere => ({ kind: "job", name: j.name, said: [j.what, j.customer, archived ? "put by" : null].filter(Boolean).join(" · "), href: `/jobs/${j.id}/shape` }))); // prettier-ignore
  const marks = designStore(db).list();
  const designs = designStore(db).newest().filter((d) => has(`${d.recipe.name} ${d.recipe.about} ${d.why}`)).map((d): Elsewhere => ({ kind: "design", name: d.recipe.name, said: d.why, href: `/patterns/designs/${d.recipe.id}` })); // prettier-ignore
  const notes = marks.flatMap((m) => m.notes.filter((n) => has(n.text)).map((n): Elsewhere => ({ kind: "note", name: m.recipe.name, said: n.text, href: `/book/record/${m.recipe.id}` }))); // prettier-ignore
  const orders = [...purchaseStore(db).open(), ...purchaseStore(db).ended(ENDED)].filter(({ purchase: p }) => has(`${p.name} ${p.answer?.reference ?? ""} ${p.lines.map((l) => l.thing.material).join(" ")}`)).map(({ purchase: p }): Elsewhere => ({ kind: "order", name: p.name, said: `${stateOf(p)}, drawn up ${p.drawnUp.slice(0, 10)}: ${p.lines.map((l) => l.thing.material).slice(0, 3).join(", ")}`, href: "/orders" })); // prettier-ignore
  return [jobs, designs, notes, orders].flatMap((list) => list.slice(0, EACH));
}
