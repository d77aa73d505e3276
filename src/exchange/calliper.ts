import type { Length } from "@/core/length/length";
import { LengthError, parseLength } from "@/core/length/parse";

/** What is heard of a calliper: a reading, or that its line is open or lost. */
export type Heard = { value: Length } | { line: "open" | "lost" };

/** After a lost line it is tried again so much later, ms. */
const AGAIN = 1000;
/** No reading is longer. */
const LONGEST = 40;

/** A line of a calliper as a length: `+9.6250 in`, `-0.02 mm`, or without a unit in mm. Undefined for what is no reading. */
export function readingOf(line: string): Length | undefined {
  const text = line.trim();
  if (text === "" || text.length > LONGEST || !/^[+-]?\d/.test(text)) return undefined;
  try {
    const negative = text.startsWith("-");
    const value = parseLength(text.replace(/^[+-]/, ""), "mm");
    return (negative ? -value : value) as Length;
  } catch (e) {
    if (e instanceof LengthError) return undefined;
    throw e;
  }
}

/**
 * Readings of a calliper that sends a line of text each time its button is pressed, as those on a serial line do; `url` is where its line
 * comes in. A lost line is told, and tried again until `signal` ends it.
 */
export async function* readings(url: string, signal: AbortSignal, again = AGAIN): AsyncGenerator<Heard> {
  while (!signal.aborted) {
    try {
      const reply = await fetch(url, { signal });
      if (!reply.ok || !reply.body) throw new Error(`it answered ${reply.status}`);
      yield { line: "open" };
      let held = "";
      for await (const part of reply.body.pipeThrough(new TextDecoderStream()) as unknown as AsyncIterable<string>) {
        held = `${held}${part}`.slice(-LONGEST * 4);
        const lines = held.split(/\r?\n/);
        held = lines.pop()!;
        for (const line of lines) {
          const value = readingOf(line);
          if (value !== undefined) yield { value };
        }
      }
    } catch {
      if (signal.aborted) return;
    }
    yield { line: "lost" };
    await new Promise((r) => setTimeout(r, again));
  }
}
