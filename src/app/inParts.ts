/** A file to carry off, sent part by part as it is made: others are answered in between, and a slow reader is waited for. */
export function inParts(name: string, type: string, parts: Iterable<string>): Response {
  const text = new TextEncoder();
  const all = parts[Symbol.iterator]();
  const stream = new ReadableStream({
    async pull(controller) {
      await new Promise((turn) => setImmediate(turn));
      const { done, value } = all.next();
      if (done) controller.close();
      else controller.enqueue(text.encode(value));
    },
  });
  return new Response(stream, {
    headers: { "content-type": type, "content-disposition": `attachment; filename="${name}"` },
  });
}

/** Small parts put together to such as are worth sending, so many letters at least. */
export function* larger(parts: Iterable<string>, least = 64 * 1024): Generator<string> {
  let waiting = "";
  for (const part of parts) {
    waiting += part;
    if (waiting.length < least) continue;
    yield waiting;
    waiting = "";
  }
  yield waiting;
}
