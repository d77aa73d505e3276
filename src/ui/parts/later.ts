/** So long after a page is there, ms. */
const SOON = 1000;

/** Runs something when the page has been there for a moment; gives what keeps it from being run. */
export function later(run: () => void): () => void {
  const id = setTimeout(run, SOON);
  return () => clearTimeout(id);
}
