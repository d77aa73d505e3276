import { closeSync, createReadStream, existsSync, openSync, readFileSync, statSync, writeSync } from "node:fs";
import { createInterface } from "node:readline";
import { Writable } from "node:stream";
import { readJobFile } from "@/core/job/file";
import { type Job, LIMITS } from "@/core/job/job";
import { type WorkedJob, workJob } from "@/core/job/worked";
import type { LayoutResult } from "@/core/layout/layout";

// What only some verbs need is read when they are asked for: a cut list is then there in a third of a second.

/**
 * `rundik <verb> <file>`: one JSON document on stdout and exit 0; on bad input a message on stderr and exit 2.
 */
const VERBS: Record<string, (worked: WorkedJob) => Promise<unknown>> = {
  cutlist: async (w) => (await import("@/core/line/cutlist")).cutListDocument(w.lines, w.job.units),
  check: async (w) => (await import("@/core/fit/document")).findingsDocument(w.findings, w.job.units),
  layout: async (w) => (await import("@/core/layout/layout")).layoutDocument(await laidOut(w)),
  order: async (w) => {
    const layout = await laidOut(w);
    const [{ orderOf }, { costOf }, { orderDocument }] = await Promise.all([import("@/core/order/order"), import("@/core/order/cost"), import("@/core/order/document")]); // prettier-ignore
    const order = orderOf(w, layout);
    return orderDocument(order, costOf(w, layout, order));
  },
  plan: async (w) => {
    const { planDocument, planOf } = await import("@/core/plan/plan");
    return planDocument(planOf(w, await laidOut(w)));
  },
};

/** What `solve` can answer, each from a file of plain numbers. */
const SOLVERS: Record<string, (text: string) => Promise<unknown>> = {
  boards: async (text) => {
    const f = await import("@/core/solve/files");
    return f.solveBoards(f.readSolverFile(f.boardsFileSchema, text), await solver(), () => performance.now());
  },
  sheets: async (text) => {
    const f = await import("@/core/solve/files");
    return f.solveSheets(f.readSolverFile(f.sheetsFileSchema, text), await solver(), () => performance.now());
  },
  schedule: async (text) => {
    const { readSolverFile } = await import("@/core/solve/files");
    const { scheduleFileSchema, solveSchedule } = await import("@/core/solve/schedule");
    return solveSchedule(readSolverFile(scheduleFileSchema, text), () => performance.now());
  },
  order: async (text) => {
    const f = await import("@/core/solve/files");
    return f.solveOrder(f.readSolverFile(f.orderFileSchema, text), await solver(), () => performance.now());
  },
};
const solver = async () => (await import("@/workers/highs")).highsSolver();

/** What is set side by side, from a weigh file. */
async function weighUp(text: string): Promise<unknown> {
  const [{ readWeighFile }, { weighDocument }] = await Promise.all([import("@/core/weigh/file"), import("@/core/weigh/rows")]); // prettier-ignore
  const { things, assume } = readWeighFile(text);
  return weighDocument(things, assume);
}

/** The shop's database, at RUNDIK_DB or data/rundik.db. */
const keptIn = () => import("@/store/database");
const theBook = async () => {
  const [{ bookStore }, { database }, file] = await Promise.all([import("@/store/book"), keptIn(), import("@/core/book/file")]); // prettier-ignore
  return { book: bookStore(database()), file };
};

/** What looks after the shop's database. */
const KEEPING: Record<string, (file: string) => Promise<unknown>> = {
  backup: async (file) => {
    const [{ database, databaseFile }, { copyTo }] = await Promise.all([keptIn(), import("@/store/copies")]);
    if (!existsSync(databaseFile()))
      throw new Refused(`${databaseFile()}: there is no database yet, so nothing to copy`);
    await copyTo(database(), file);
    return { copy: file, of: databaseFile() };
  },
  restore: async (file) => {
    const [{ databaseFile }, { restore }] = await Promise.all([keptIn(), import("@/store/copies")]);
    const done = await restore(file, databaseFile(), new Date().toISOString());
    return { restored: file, to: databaseFile(), ...done };
  },
  // A Book too large for the page, which takes no more than others can wait for.
  "book-out": async (file) => {
    const { book, file: { bookText } } = await theBook(); // prettier-ignore
    const to = openSync(file, "wx");
    for (const part of bookText(book.out())) writeSync(to, part);
    closeSync(to);
    return { book: file, of: (await keptIn()).databaseFile() };
  },
  "book-in": async (file) => {
    const { book, file: { readBookFile } } = await theBook(); // prettier-ignore
    return { to: (await keptIn()).databaseFile(), ...book.take(readBookFile(readFileSync(file, "utf8"))) };
  },
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
  const [{ database, databaseFile }, { doorStore }] = await Promise.all([keptIn(), import("@/store/door")]);
  await doorStore(database()).set(passphrase.trim());
  return { passphrase: "set", of: databaseFile(), sessions: "all ended" };
}

class Refused extends Error {
  override name = "Refused";
}

/** A job with something of the maker's own is tried before it is worked with. */
const admitted = async (job: Job): Promise<Job> =>
  job.designs.length + job.standards.length > 0 ? (await import("@/core/trial/trial")).admit(job) : job;

async function laidOut(worked: WorkedJob): Promise<LayoutResult> {
  const [{ layOut }, { layoutRequest }] = await Promise.all([import("@/core/layout/layout"), import("@/core/job/ask")]);
  const result = layOut(layoutRequest(worked), () => performance.now(), {}, await solver());
  if (result.missing.length === 0) return result;
  const { missingText } = await import("@/core/layout/missing");
  throw new Refused(result.missing.map((m) => missingText(m, worked.job.units)).join("\n"));
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
    print(await weighUp(await read(file)));
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
  const job = await admitted(readJobFile(await read(file)));
  print(await VERBS[verb]!(workJob(job)));
}

/** What a person can put right, by the name of its fault: each is said in its own words. */
const EXPECTED = ["Refused", "JobFileError", "PlanError", "SolverFileError", "CopyError", "NotLetIn", "NewerError"];

main(process.argv.slice(2)).catch(async (e: Error & { code?: string }) => {
  const isExpected = EXPECTED.includes(e.name) || e.code !== undefined;
  const fault = e.code === undefined ? undefined : (await import("@/store/fault")).storageFault(e)?.said;
  process.stderr.write(`${isExpected ? (fault ?? e.message) : `rundik failed: ${e.stack}`}\n`);
  process.exitCode = 2;
});
