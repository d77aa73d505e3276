import { startLabelPrinter } from "@/standins/label-printer/server";
import { PrinterError, sendToPrinter } from "./labelPrinter";

test("what is sent comes out of the printer whole; out of labels, off, or at an address that is none it says so", async () => {
  const printer = await startLabelPrinter();
  const document = Buffer.from(`%PDF ${"x".repeat(300_000)}`);
  await sendToPrinter(printer.address, document);
  await sendToPrinter(printer.address, Buffer.from("%PDF two"));
  expect(printer.printed.map((p) => p.length)).toEqual([document.length, 8]);
  expect(printer.printed[0]!.equals(document)).toBe(true);
  printer.outOfLabels(true);
  await expect(sendToPrinter(printer.address, document)).rejects.toThrow(/broke off; is there a label in it/);
  expect(printer.printed).toHaveLength(2);
  await printer.close();
  await expect(sendToPrinter(printer.address, document)).rejects.toThrow(/does not answer; is it on/);
  await expect(sendToPrinter("the shelf", document)).rejects.toThrow(PrinterError);
});
