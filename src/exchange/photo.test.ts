/** @jest-environment node */
import sharp from "sharp";
import { photoOf } from "./photo";

const plain = (width: number, height: number) =>
  sharp({ create: { width, height, channels: 3, background: "#884422" } });
/** Where it was taken, by what, and by whom, as telephones write it. */
const told = (width: number, height: number, orientation = 1) =>
  plain(width, height)
    .withExif({ IFD0: { Make: "SecretPhone", Artist: "Somebody" }, IFD3: { GPSLatitude: "51/1 30/1 0/1", GPSLatitudeRef: "N" } })
    .withMetadata({ orientation })
    .jpeg()
    .toBuffer(); // prettier-ignore

/** The kinds of segments a JPEG has before its picture (ISO/IEC 10918-1: FF, a kind, how long it is). */
function segments(jpeg: Buffer): number[] {
  const kinds: number[] = [];
  for (let at = 2; jpeg[at] === 0xff && jpeg[at + 1] !== 0xda; at += 2 + jpeg.readUInt16BE(at + 2))
    kinds.push(jpeg[at + 1]!);
  return kinds;
}
/** APP1 holds what a camera tells; APP0 only that it is a JPEG. */
const isTold = (jpeg: Buffer) => segments(jpeg).some((k) => (k >= 0xe1 && k <= 0xef) || k === 0xfe);

test("a picture is kept upright, no larger than needed, and without place, time, maker or anything that was put after it", async () => {
  const taken = await told(2400, 1200, 6);
  expect([isTold(taken), taken.includes("SecretPhone")]).toEqual([true, true]);
  const { name, data } = await photoOf(Buffer.concat([taken, Buffer.from("<script>alert(1)</script>")]));
  // Turned a quarter as it says, its longer side 1 600.
  expect(await sharp(data).metadata()).toMatchObject({ format: "jpeg", width: 800, height: 1600 });
  expect([isTold(data), data.includes("SecretPhone"), data.includes("GPS"), data.includes("script")]).toEqual([false, false, false, false]); // prettier-ignore
  expect(name).toMatch(/^[0-9a-f]{64}$/);
  expect((await photoOf(await plain(40, 30).png().toBuffer())).data.subarray(0, 3)).toEqual(Buffer.from([0xff, 0xd8, 0xff])); // prettier-ignore
});

test("what is no picture, breaks off, or says it is larger than anything is refused in words", async () => {
  const jpeg = await plain(900, 900).jpeg().toBuffer();
  const bomb = await plain(9000, 9000).png({ compressionLevel: 9 }).toBuffer();
  expect(bomb.length).toBeLessThan(400_000);
  const hostile: [Buffer, RegExp][] = [
    [Buffer.from("<html><script>alert(1)</script></html>"), /a file that is no picture; wanted a picture as JPEG, PNG or WebP/],
    [Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" width="9" height="9"><image href="file:///etc/passwd"/></svg>'), /of the kind svg|no picture/],
    [await plain(20, 20).gif().toBuffer(), /of the kind gif/],
    [Buffer.alloc(0), /no picture/],
    [jpeg.subarray(0, jpeg.length / 2), /breaks off or is damaged/],
    [bomb, /81|pixels|no picture/],
  ]; // prettier-ignore
  for (const [file, why] of hostile) await expect(photoOf(file)).rejects.toThrow(why);
});
