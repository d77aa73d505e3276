import type { Measurement } from "@/core/judge/reading";
import type { Db } from "./database";

export function measurementStore(db: Db) {
  const insert = db.prepare("INSERT INTO measurement (job_id, subject, target, value, at) VALUES (?, ?, ?, ?, ?)");
  const newest = db.prepare<[number], Measurement>(
    "SELECT subject, target, value, at FROM measurement WHERE job_id = ? ORDER BY id DESC LIMIT 500",
  );
  return {
    add: (jobId: number, m: Omit<Measurement, "at">) =>
      void insert.run(jobId, m.subject, m.target, m.value, new Date(Date.now()).toISOString()),
    /** Newest first. */
    list: (jobId: number) => newest.all(jobId),
  };
}
