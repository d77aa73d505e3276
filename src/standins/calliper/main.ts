import { startCalliper } from "./server";

/** Runs the made-up calliper by itself: CALLIPER_PORT is where. */
const { url } = await startCalliper({ port: Number(process.env.CALLIPER_PORT ?? 4172) });
console.log(`Made-up calliper at ${url}/stand-in`);
