import { comesOf, dueOf, missingOf, notesOf, type Purchase, stateOf } from "@/core/purchase/purchase";
import { count, dayText } from "@/ui/parts/words";

/** How an order stands, in a sentence, and whether somebody has to see to it. */
export function standsSo(p: Purchase, today: string): { text: string; wrong: boolean } {
  const wrong = (text: string) => ({ text, wrong: true });
  const right = (text: string) => ({ text, wrong: false });
  const comes = comesOf(p);
  const due = dueOf(p).reduce((s, n) => s + n, 0);
  const missing = missingOf(p).filter((n) => n > 0).length;
  const short = missing > 0 ? `; ${count(missing, "line")} short` : "";
  switch (stateOf(p)) {
    case "drafted":
      return p.refused ? wrong(`not taken: ${p.refused.why}`) : right("drafted, not sent");
    case "put off":
      return p.putOff! > today
        ? right(`put off until ${dayText(p.putOff!)}`)
        : wrong("put off until now: send it, or put it off again");
    case "sent":
      if (p.sent!.by === "hand") return right(`sent by hand ${dayText(p.sent!.at.slice(0, 10))}`);
      return wrong(p.sent!.silent ? `sent, but not acknowledged: ${p.sent!.silent}` : "on its way to the supplier");
    case "acknowledged":
      if (notesOf(p).length > 0) return wrong("on its way here; book it in when it is");
      return { text: `acknowledged${comes ? `, here ${dayText(comes)}` : ""}${short}`, wrong: missing > 0 };
    case "part received":
      if (notesOf(p).length > 0) return wrong("the next part is on its way; book it in when it is here");
      return right(`${count(due, "pack")} still to come${comes ? `, ${dayText(comes)}` : ""}${short}`);
    case "received":
      return right(p.cancelled ? "received in part; the rest is cancelled" : `all here${short}`);
    case "cancelled":
      return right("cancelled");
  }
}
