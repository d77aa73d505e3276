import { inch, mm } from "@/core/length/length";
import { type CalliperStandIn, startCalliper } from "@/standins/calliper/server";
import { type Heard, readingOf, readings } from "./calliper";

let calliper: CalliperStandIn;
let stop: AbortController;
let heard: AsyncGenerator<Heard>;
const next = async () => (await heard.next()).value as Heard;
const opened = async (chance = () => 0.5) => {
  calliper = await startCalliper({ chance });
  stop = new AbortController();
  heard = readings(`${calliper.url}/readings`, stop.signal, 20);
  expect(await next()).toEqual({ line: "open" });
};
afterEach(async () => {
  stop.abort();
  await calliper.close();
});

test("what a calliper shows comes in as a length, in the units it reads in; what is no reading does not", async () => {
  await opened();
  calliper.set({ piece: 244.476, units: "in" });
  calliper.press();
  // 9 5/8 is 244.475 mm, and the display shows steps of 0.0005 (an inch is 25.4 mm, international yard and pound agreement 1959).
  expect(await next()).toEqual({ value: inch(9, 5, 8) });
  calliper.set({ units: "mm" });
  calliper.press();
  expect(await next()).toEqual({ value: mm(244.48) });
  expect(["", "E 04", "+", "9.6250 furlong", "x".repeat(500)].map(readingOf)).toEqual(Array.from({ length: 5 }, () => undefined)); // prettier-ignore
  expect([readingOf("-0.02 mm"), readingOf("12.7")]).toEqual([-20_000, mm(12.7)]);
});

test("noise, drift and a slipped zero are in what it reads; a lost line is told, and readings come again when it is back", async () => {
  const chances = [0.9, 0.1, 0.3, 0.6, 0.2, 0.8];
  await opened(() => chances.shift() ?? 0.5);
  calliper.set({ piece: 100, drift: 0.1, zero: 0.3 });
  const read = async () => {
    calliper.press();
    const told = await next();
    return "value" in told ? told.value / 1e6 : told;
  };
  expect([await read(), await read(), await read()]).toEqual([100.3, 100.4, 100.5]);
  calliper.set({ piece: 100, drift: 0, zero: 0, noise: 0.05 });
  const noisy = [await read(), await read()] as number[];
  expect(noisy[0] !== noisy[1] && noisy.every((v) => Math.abs(v - 100) < 0.3)).toBe(true);
  calliper.set({ lost: true });
  expect(await next()).toEqual({ line: "lost" });
  calliper.set({ lost: false, noise: 0 });
  let told = await next();
  while ("line" in told && told.line === "lost") told = await next();
  expect(told).toEqual({ line: "open" });
  expect(await read()).toBe(100);
});
