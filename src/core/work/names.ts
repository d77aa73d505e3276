import { settingsKey } from "@/core/feature/machine";
import type { Operation } from "./operation";

type Named = Pick<Operation, "id" | "name" | "settings" | "line" | "lot"> & { step?: string | undefined };

/** Operations that are lots of one, in the order they come in, by what they have in common. */
export function lotsOf<W extends Named>(work: W[]): Map<string, W[]> {
  const of = new Map<string, W[]>();
  for (const w of work) {
    const key = w.lot === "all" || w.step === undefined ? w.id : `${w.line}/${w.step}`;
    of.set(key, [...(of.get(key) ?? []), w]);
  }
  return of;
}

/** What each operation is known by from one layout and one plan to the next, though its number changes; its lots share it. */
export function namesOf(work: Named[]): Map<string, string> {
  const names = new Map<string, string>();
  const called = new Map<string, number>();
  for (const lots of lotsOf(work).values()) {
    const [first] = lots as [Named];
    const said = `${first.name} ${settingsKey(first.settings)} ${first.line ?? ""} ${first.step ?? ""}`;
    const times = (called.get(said) ?? 0) + 1;
    called.set(said, times);
    for (const w of lots) names.set(w.id, times > 1 ? `${said} ${times}` : said);
  }
  return names;
}
