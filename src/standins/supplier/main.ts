import { startSuppliers } from "./server";

/** Runs the made-up suppliers by themselves: SUPPLIER_PORT is where, SUPPLIER_FILE what they remember in. */
const { url } = await startSuppliers({
  port: Number(process.env.SUPPLIER_PORT ?? 4171),
  file: process.env.SUPPLIER_FILE,
});
console.log(`Made-up suppliers at ${url}`);
