/** As much as a yard's stock: more would keep everybody else waiting while it is read. A larger Book comes in by the command `book-in`. */
export const MOST_BYTES = 16 * 1024 * 1024;
