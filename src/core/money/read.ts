/**
 * A price as it is typed or stands in a list: `14.20`, `14,20`, `£ 1,250.00`, `1.250,00 EUR`. Of two kinds of marks the last parts the
 * decimals; a single one followed by three figures parts thousands, unless it begins with 0. Null where it is left open: nothing, `-`, `?`, `on request`.
 */
export function readPrice(cell: string): { price: number | null } | { problem: string } {
  const text = cell.trim();
  if (/^(|[-–—?]+|unknown|tba|tbc|poa|on request)$/i.test(text)) return { price: null };
  const found = /^\D*?(\d[\d.,'’\s]*)\D*$/.exec(text);
  const refused = { problem: `price: read “${text.slice(0, 40)}”, wanted an amount like 14.20, or nothing where it is unknown` }; // prettier-ignore
  if (!found || /^\s*-/.test(text)) return refused;
  const figures = found[1]!.replace(/['’\s]/g, "").replace(/[.,]+$/, "");
  const marks = [...figures.matchAll(/[.,]/g)];
  const last = marks.at(-1);
  const isDecimal = last !== undefined && (marks.some((m) => m[0] !== last[0]) || (marks.length === 1 && (figures.length - last.index !== 4 || /^0[.,]/.test(figures)))); // prettier-ignore
  const plain = isDecimal
    ? `${figures.slice(0, last.index).replace(/[.,]/g, "")}.${figures.slice(last.index + 1)}`
    : figures.replace(/[.,]/g, "");
  const price = Number(plain);
  if (!Number.isFinite(price)) return refused;
  return price > 0 ? { price } : { problem: "price: 0 is no price; leave it empty where it is unknown" };
}
