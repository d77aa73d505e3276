import ical, { ICalCalendarMethod } from "ical-generator";
import { clockText } from "@/core/plan/calendar";
import type { Run } from "@/core/plan/runs";
import { settingText } from "@/core/feature/say";
import type { Units } from "@/core/length/length";

/** A run with the names it has in the shop. */
export type NamedRun = Run & { jobName: string; units: Units; people: string[] };

/** Runs as an iCalendar file (RFC 5545): local times without a zone, as the shop's clock has them. */
export function calendarFile(runs: NamedRun[], name: string): string {
  const calendar = ical({ name, method: ICalCalendarMethod.PUBLISH, prodId: { company: "Rundik", product: "plan", language: "EN" } }); // prettier-ignore
  for (const r of runs) {
    const set = r.settings.map((s) => settingText(s, r.units)).join(", ");
    calendar.createEvent({
      id: `${r.job}-${r.op.replaceAll("/", "-")}-${r.startsAt}@rundik`,
      start: `${clockText(r.startsAt)}:00`,
      end: `${clockText(r.endsAt)}:00`,
      floating: true,
      summary: `${r.title}${set ? `, ${set}` : ""}: ${r.pieces} ${r.of}`,
      location: r.station,
      description: [r.jobName, r.people.join(" and "), r.caution ?? ""].filter(Boolean).join("\n"),
    });
  }
  return calendar.toString();
}
