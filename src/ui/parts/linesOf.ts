/** The lines of a text as they come. */
export async function* linesOf(body: ReadableStream<Uint8Array>): AsyncGenerator<string> {
  const reader = body.pipeThrough(new TextDecoderStream() as ReadableWritablePair<string, Uint8Array>).getReader();
  let held = "";
  for (;;) {
    const { done, value } = await reader.read();
    held += value ?? "";
    const lines = held.split("\n");
    held = lines.pop()!;
    for (const l of lines) if (l) yield l;
    if (done) return;
  }
}
