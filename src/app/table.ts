import { csvOf, xlsxOf } from "@/exchange/table";

const TYPE = {
  csv: "text/csv; charset=utf-8",
  xlsx: "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
};

/** A table to carry off under a file's name: CSV or a workbook, by its ending. */
export async function tableFile(name: `${string}.${keyof typeof TYPE}`, table: string[][]): Promise<Response> {
  const kind = name.endsWith(".csv") ? "csv" : "xlsx";
  const body = kind === "csv" ? csvOf(table) : new Uint8Array(await xlsxOf(table));
  return new Response(body, {
    headers: { "content-type": TYPE[kind], "content-disposition": `attachment; filename="${name}"` },
  });
}
