/** As the program starts: the database is looked over, and copied each day. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== "nodejs") return;
  const { watchDatabase } = await import("@/store/watch");
  void watchDatabase();
}
