import { closeSync, createReadStream, existsSync, openSync, readFileSync, statSync, writeSync } from "node:fs";
import { bookText, readBookFile } from "@/core/book/file";
import { bookStore } from "@/store/book";
import { CopyError, copyTo, restore } from "@/store/copies";
import { database, databaseFile } from "@/store/database";
import { doorStore, NotLetIn } from "@/store/door";
import { storageFault } from "@/store/fault";
import { createInterface } from "node:readline";
import { Writable } from "node:stream";
import { cutListDocument } from "@/core/line/cutlist";
import { readJobFile } from "@/core/job/file";
import { admit } from "@/core/trial/trial";
import { JobFileError } from "@/core/problem/problem";
import { LIMITS } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import { findingsDocument } from "@/core/fit/document";
import { layOut, layoutDocument, type LayoutResult } from "@/core/layout/layout";
import { layoutRequest } from "@/core/job/ask";
import { missingText } from "@/core/layout/missing";
import { costOf } from "@/core/order/cost";
import { orderDocument } from "@/core/order/document";
import { orderOf } from "@/core/order/order";
import { PlanError, planDocument, planOf } from "@/core/plan/plan";

import {
  boardsFileSchema,
  orderFileSchema,
  readSolverFile,
  sheetsFileSchema,
  SolverFileError,
  solveBoards,
  solveOrder,
  solveSheets,
} from "@/core/solve/files";
import { readWeighFile } from "@/core/weigh/file";
import { weighDocument } from "@/core/weigh/rows";
import { scheduleFileSchema, solveSchedule } from "@/core/solve/schedule";

/**
 * `rundik <verb> <file>`: one JSON document on stdout and exit 0; on bad input a message on stderr and exit 2.
 */
const VERBS: Record<string, (worked: WorkedJob) => unknown | Promise<unknown>> = {
  cutlist: (w) => cutListDocument(w.lines, w.job.units),
  check: (w) => findingsDocument(w.findings, w.job.units),
  layout: async (w) => layoutDocument(await laidOut(w)),
  order: async (w) => {
    const layout = await laidOut(w);
    const order = orderOf(w, layout);
    return orderDocument(order, costOf(w, layout, order));
  },
  plan: async (w) => planDocument(planOf(w, await laidOut(w))),
};

/** What `solve` can answer, each from a file of plain numbers. */
const SOLVERS: Record<string, (text: string) => Promise<unknown>> = {
  boards: async (text) => solveBoards(readSolverFile(boardsFileSchema, text), await solver(), () => performance.now()),
  sheets: async (text) => solveSheets(readSolverFile(sheetsFileSchema, text), await solver(), () => performance.now()),
  schedule: async (text) => solveSchedule(readSolverFile(scheduleFileSchema, text), () => performance.now()),
  order: async (text) => solveOrder(readSolverFile(orderFileSchema, text), await solver(), () => performance.now()),
};
const solver = async () => (await import("@/workers/highs")).highsSolver();

/** What is set side by side, from a weigh file. */
const weighUp = (text: string): unknown => {
  const { things, assume } = readWeighFile(text);
  return weighDocument(things, assume);
};

/** What looks after the shop's database, at RUNDIK_DB or data/rundik.db. */
const KEEPING: Record<string, (file: string) => Promise<unknown>> = {
  backup: async (file) => {
    if (!existsSync(databaseFile()))
      throw new Refused(`${databaseFile()}: there is no database yet, so nothing to copy`);
    await copyTo(database(), file);
    return { copy: file, of: databaseFile() };
  },
  restore: async (file) => ({
    restored: file,
    to: databaseFile(),
    ...(await restore(file, databaseFile(), new Date().toISOString())),
  }),
  // A Book of any size: the page takes no more than others can wait for.
  "book-out": async (file) => {
    const to = openSync(file, "wx");
    for (const part of bookText(bookStore(database()).out())) writeSync(to, part);
    closeSync(to);
    return { book: file, of: databaseFile() };
  },
  "book-in": async (file) => ({
    to: databaseFile(),
    ...bookStore(database()).take(readBookFile(readFileSync(file, "utf8"))),
  }),
};

/** Sets what others have to know to get in: asked for where there is a terminal, otherwise the first line of standard input. */
async function setPassphrase(): Promise<unknown> {
  const terminal = process.stdin.isTTY;
  if (terminal) process.stderr.write("Passphrase for this shop (it is not shown): ");
  // What is typed is not echoed.
  const unseen = new Writable({ write: (_typed, _encoding, done) => done() });
  const asked = createInterface({ input: process.stdin, output: unseen, terminal });
  const passphrase = await new Promise<string>((resolve) => {
    asked.once("line", resolve);
    asked.once("close", () => resolve(""));
  });
  asked.close();
  await doorStore(database()).set(passphrase.trim());
  return { passphrase: "set", of: databaseFile(), sessions: "all ended" };
}

class Refused extends Error {}

async function laidOut(worked: WorkedJob): Promise<LayoutResult> {
  const result = layOut(layoutRequest(worked), () => performance.now(), {}, await solver());
  if (result.missing.length > 0)
    throw new Refused(result.missing.map((m) => missingText(m, worked.job.units)).join("\n"));
  return result;
}

async function read(file: string): Promise<string> {
  if (file !== "-" && statSync(file).size > LIMITS.bytes)
    throw new Refused(
      `${file}: ${(statSync(file).size / 1e6).toFixed(1)} MB; a job file is at most ${LIMITS.bytes / 1024 / 1024} MB`,
    );
  const chunks: Buffer[] = [];
  let size = 0;
  for await (const chunk of file === "-" ? process.stdin : createReadStream(file)) {
    chunks.push(Buffer.from(chunk as Uint8Array));
    size += (chunk as Uint8Array).length;
    if (size > LIMITS.bytes) throw new Refused(`more than ${LIMITS.bytes / 1024 / 1024} MB; that is no job file`);
  }
  return Buffer.concat(chunks).toString("utf8");
}

async function main(words: string[]): Promise<void> {
  const known = [
    ...Object.keys(VERBS),
    ...Object.keys(KEEPING),
    "passphrase",
    "weigh",
    ...Object.keys(SOLVERS).map((s) => `solve ${s}`),
  ].join(", ");
  const print = (document: unknown) => process.stdout.write(`${JSON.stringify(document, null, 2)}\n`);
  if (words[0] === "solve") {
    const [, what, file, ...rest] = words;
    if (!what || !Object.hasOwn(SOLVERS, what)) throw new Refused(`read "solve ${what ?? ""}"; the verbs are ${known}`);
    if (!file || rest.length > 0) throw new Refused(`wanted: rundik solve ${what} <file, or - for standard input>`);
    print(await SOLVERS[what]!(await read(file)));
    return;
  }
  if (words[0] === "weigh") {
    const [, file, ...rest] = words;
    if (!file || rest.length > 0) throw new Refused("wanted: rundik weigh <weigh file, or - for standard input>");
    print(weighUp(await read(file)));
    return;
  }
  if (words[0] === "passphrase" && words.length === 1) {
    print(await setPassphrase());
    return;
  }
  const [verb, file, ...rest] = words;
  if (verb && Object.hasOwn(KEEPING, verb)) {
    if (!file || rest.length > 0) throw new Refused(`wanted: rundik ${verb} <file of the copy>`);
    print(await KEEPING[verb]!(file));
    return;
  }
  if (!verb || !Object.hasOwn(VERBS, verb)) throw new Refused(`read "${verb ?? ""}"; the verbs are ${known}`);
  if (!file || rest.length > 0) throw new Refused(`wanted: rundik ${verb} <job file, or - for standard input>`);
  const job = admit(readJobFile(await read(file)));
  print(await VERBS[verb]!(workJob(job)));
}

main(process.argv.slice(2)).catch((e: unknown) => {
  const expected =
    e instanceof Refused ||
    e instanceof JobFileError ||
    e instanceof PlanError ||
    e instanceof SolverFileError ||
    e instanceof CopyError ||
    e instanceof NotLetIn ||
    (e as NodeJS.ErrnoException).code !== undefined;
  const fault = storageFault(e)?.said;
  process.stderr.write(`${expected ? (fault ?? (e as Error).message) : `rundik failed: ${(e as Error).stack}`}\n`);
  process.exitCode = 2;
});
