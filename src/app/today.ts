const two = (n: number) => String(n).padStart(2, "0");

/** The minute it is where the program runs: counted from 1970 as a plan counts, without zones. */
export function clockNow(now = new Date(Date.now())): number {
  return Date.parse(`${today(now)}T00:00:00Z`) / 60_000 + now.getHours() * 60 + now.getMinutes();
}

/** The day it is where the program runs, `YYYY-MM-DD`. */
export function today(now = new Date(Date.now())): string {
  return `${now.getFullYear()}-${two(now.getMonth() + 1)}-${two(now.getDate())}`;
}
