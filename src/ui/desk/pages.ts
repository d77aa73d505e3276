/** The pages of an open job: its six stations from left to right, and what stands beside one of them. */
export const PAGE_IDS = ["ask", "shape", "lay-out", "buy", "run", "prove", "hive", "quote"] as const;
export type PageId = (typeof PAGE_IDS)[number];

export const pathOf = (job: number, page: PageId) => `/jobs/${job}/${page}`;
/** Turns to another page of the open job: nothing is loaded again, and what is being kept goes on. */
export const turnTo = (job: number, page: PageId) => window.history.pushState(null, "", pathOf(job, page));
