/** As the program starts: the database is looked over, and copied each day; then a page of a job is made once and the workers are begun, so that nobody waits for their code. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { newestJob, watchDatabase } = await import("@/store/watch");
  const { openPool } = await import("@/workers/pool");
  void watchDatabase().then((isSound) => {
    if (!isSound) return;
    // Asked of itself, as each page has its code to itself; also where there is no job yet. Where it does not answer here, the first visitor waits.
    const own = `http://127.0.0.1:${process.env.PORT}`;
    void fetch(`${own}/jobs/${newestJob() ?? 1}/shape`)
      // Then where the soonest jobs stand is worked out, before anybody asks.
      .then(() => fetch(own))
      .catch(() => undefined)
      .finally(openPool);
  });
}
