const two = (n: number) => String(n).padStart(2, "0");

/** The day it is where the program runs, `YYYY-MM-DD`. */
export function today(now = new Date(Date.now())): string {
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
