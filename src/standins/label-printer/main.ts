import { startLabelPrinter } from "./server";

/** Runs the made-up label printer by itself: LABEL_PORT takes documents, the port after it shows what came out. */
const port = Number(process.env.LABEL_PORT ?? 4173);
const { address, page } = await startLabelPrinter({ port, pagePort: port + 1 });
console.log(`Made-up label printer at ${address}, what came out at ${page}`);
