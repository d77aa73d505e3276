import type { z } from "zod";
import {
  type OrderAnswer,
  orderAnswerSchema,
  type OrderSent,
  type PriceList,
  priceListSchema,
  refusalSchema,
} from "@/core/purchase/pricelist";

/**
 * What asking a supplier brought: an answer; a refusal, which is one too; that the supplier does not know the order; or nothing one
 * can go by, after which the same may be asked again.
 */
export type Told<T> = { said: T } | { refused: string } | { unknown: true } | { silent: string };

/** Nobody waits longer than this for a supplier, ms. */
const PATIENCE = 8000;
const MOST_BYTES = 4 * 1024 * 1024;

interface Asking {
  patience?: number;
}

/** The price list at an address. */
export const askPrices = (address: string, how: Asking = {}): Promise<Told<PriceList>> =>
  ask(`${address}/prices`, { method: "GET" }, priceListSchema, how);

/** Sends an order. Sent again, it is the same order: its key says so. */
export const placeOrder = (address: string, order: OrderSent, how: Asking = {}): Promise<Told<OrderAnswer>> =>
  ask(
    `${address}/orders`,
    { method: "POST", body: JSON.stringify(order), headers: { "content-type": "application/json", "idempotency-key": order.key } },
    answerTo(order.key, order.lines.length),
    how,
  ); // prettier-ignore

/** How an order stands with the supplier. */
export const askOrder = (address: string, key: string, lines: number, how: Asking = {}): Promise<Told<OrderAnswer>> =>
  ask(`${address}/orders/${key}`, { method: "GET" }, answerTo(key, lines), how);

/** Cancels an order; one that has not reached the supplier yet is not taken when it does. */
export const cancelOrder = (
  address: string,
  key: string,
  lines: number,
  how: Asking = {},
): Promise<Told<OrderAnswer>> =>
  // prettier-ignore
  ask(`${address}/orders/${key}`, { method: "DELETE" }, answerTo(key, lines), how);

/** An answer about another order, or one of other lines, is none. */
const answerTo = (key: string, lines: number) =>
  orderAnswerSchema
    .refine((a) => a.key === key, { error: "it is about another order", path: ["key"] })
    .refine((a) => a.state === "cancelled" || a.lines.length === lines, { error: `wanted ${lines} lines, as ordered`, path: ["lines"] })
    .refine((a) => a.deliveries.every((d) => d.lines.every((l) => l.line < lines)), { error: "a delivery has a line that was not ordered", path: ["deliveries"] }); // prettier-ignore

async function ask<T extends z.ZodType>(
  url: string,
  init: RequestInit,
  schema: T,
  { patience = PATIENCE }: Asking,
): Promise<Told<z.output<T>>> {
  try {
    const response = await fetch(url, { ...init, redirect: "error", signal: AbortSignal.timeout(patience) });
    const text = await textOf(response);
    if (response.status === 404) return { unknown: true };
    if (response.status >= 500) return { silent: `it answered with an error (${response.status})` };
    let raw: unknown;
    try {
      raw = JSON.parse(text);
    } catch {
      return { silent: "its answer broke off, or is not one this program can read" };
    }
    if (!response.ok) {
      const why = refusalSchema.safeParse(raw);
      return why.success && [400, 409, 422].includes(response.status) ? { refused: why.data.error } : { silent: `it answered ${response.status}` }; // prettier-ignore
    }
    const read = schema.safeParse(raw);
    if (read.success) return { said: read.data };
    const [issue] = read.error.issues;
    return { silent: `its answer cannot be read: ${issue!.path.join(".")}: ${issue!.message}` };
  } catch (e) {
    return { silent: (e as Error).name === "TimeoutError" ? `no answer in ${patience / 1000} s` : "it cannot be reached, or hung up" }; // prettier-ignore
  }
}

async function textOf(response: Response): Promise<string> {
  const chunks: Uint8Array[] = [];
  let size = 0;
  for await (const chunk of (response.body ?? []) as AsyncIterable<Uint8Array>) {
    size += chunk.length;
    if (size > MOST_BYTES) throw new Error("too long");
    chunks.push(chunk);
  }
  return Buffer.concat(chunks).toString("utf8");
}
