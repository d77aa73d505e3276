import { createConnection } from "node:net";

/** The label printer did not take what was sent. */
export class PrinterError extends Error {
  override name = "PrinterError";
}

/** Nobody waits longer for a printer to take labels, ms. */
const PATIENCE = 4000;

/**
 * Sends a document to a printer that takes it raw over TCP, usually on port 9100, as `host:port`. It has been taken when the printer
 * closes the line in good order. @throws PrinterError
 */
export function sendToPrinter(address: string, document: Buffer, patience = PATIENCE): Promise<void> {
  const at = /^\[?([^\]]+?)\]?:(\d{1,5})$/.exec(address);
  if (!at) return Promise.reject(new PrinterError(`read ${address} as the label printer's address; wanted a host and a port, like 127.0.0.1:9100`)); // prettier-ignore
  return new Promise((resolve, reject) => {
    const line = createConnection({ host: at[1]!, port: Number(at[2]) });
    const fail = (why: string) => {
      line.destroy();
      reject(new PrinterError(`the label printer at ${address} ${why}`));
    };
    line.setTimeout(patience, () => fail("does not answer; is it on?"));
    line.once("error", (e: NodeJS.ErrnoException) => fail(e.code === "ECONNREFUSED" ? "does not answer; is it on?" : "broke off; is there a label in it?")); // prettier-ignore
    line.once("connect", () => line.end(document));
    line.once("close", () => resolve());
    line.resume();
  });
}
