import { readFile, readdir, writeFile } from "node:fs/promises";
import { join } from "node:path";
import { promisify } from "node:util";
import { brotliCompress, gzip } from "node:zlib";

/** Beside each script and style of the build, the same packed as small as it gets: done once, and not at every asking. */
const WAYS = { br: promisify(brotliCompress), gz: (text) => promisify(gzip)(text, { level: 9 }) };
const files = (await readdir(".next/static", { recursive: true })).filter((f) => /\.(js|css)$/.test(f));
await Promise.all(
  files.map(async (file) => {
    const at = join(".next/static", file);
    const text = await readFile(at);
    await Promise.all(Object.entries(WAYS).map(async ([end, pack]) => writeFile(`${at}.${end}`, await pack(text))));
  }),
);
console.log(`  ${files.length} files packed`);
