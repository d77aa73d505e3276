import { build, install, run, say, serve, calliperOn, labelPrinterOn, suppliersAt } from "./steps.mjs";

/** Installs, builds, loads the demo and serves it. PORT and HOST choose where; RUNDIK_DB which database. */
await install(build);
const db = process.env.RUNDIK_DB ?? "data/rundik.db";
// The made-up suppliers run beside it, and remember in a file beside the database.
const supplies = {
  SUPPLIER_PORT: process.env.SUPPLIER_PORT ?? "4171",
  SUPPLIER_FILE: process.env.SUPPLIER_FILE ?? `${db}.suppliers.json`,
};
const { url: suppliers, server: traders } = await suppliersAt(supplies);
const calliper = calliperOn(process.env.CALLIPER_PORT ?? "4172");
const labels = labelPrinterOn(process.env.LABEL_PORT ?? "4173");
await run("Loading the demo", "node_modules/.bin/tsx", ["scripts/load-demo.ts"], {
  RUNDIK_DB: db,
  SUPPLIER_RUNS: "1",
  ...supplies,
});
const { url, server } = await serve({ port: process.env.PORT ?? 4170, host: process.env.HOST ?? "127.0.0.1", db });
await fetch(`${url}/jobs/1/shape`).catch(() => undefined); // so that the first person to look does not wait
say(
  `Rundik is at ${url}, its made-up suppliers at ${suppliers}, its made-up calliper at ${calliper.url}, its made-up label printer at ${labels.url} — stop all with Ctrl+C`,
);
if (!["127.0.0.1", "localhost", "::1"].includes(process.env.HOST ?? "127.0.0.1"))
  say(
    `It is open to everybody who can reach ${process.env.HOST} and knows the passphrase: they can read and change all of it, and what they send can be read on the way unless something in front of it speaks https. Set the passphrase with: npm run --silent rundik -- passphrase`,
  );
for (const signal of ["SIGINT", "SIGTERM"]) process.on(signal, () => server.kill("SIGTERM"));
server.once("exit", (code) => {
  traders.kill("SIGTERM");
  calliper.server.kill("SIGTERM");
  labels.server.kill("SIGTERM");
  process.exit(code ?? 0);
});
