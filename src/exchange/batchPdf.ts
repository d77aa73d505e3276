import PDFDocument from "pdfkit";
import { piecesOf } from "@/core/boards/laid";
import { exploded, explodedBox, PAPER_FILL, PAPER_RECESS } from "@/core/drawing/exploded";
import { partLetter } from "@/core/drawing/face";
import { caution } from "@/core/feature/hazard";
import { featureCuts, noNailZones, settingText } from "@/core/feature/say";
import type { Job } from "@/core/job/job";
import { AGAINST, cutsOf } from "@/core/layout/cuts";
import { allLayouts, type LayoutResult } from "@/core/layout/layout";
import { shortText } from "@/core/layout/missing";
import { lengthText } from "@/core/length/format";
import { type CutPart, cutList } from "@/core/line/cutlist";
import { partKey } from "@/core/line/line";
import type { WorkedLine } from "@/core/line/shapes";
import { type Batch, codeOf } from "@/core/papers/batch";
import { stepsOf } from "@/core/shape/steps";
import { code, type Doc, MM, onSheets } from "./labels";
import { finished, PAPER, type Paper, printable, PT } from "./paper";
import { drawStick } from "./stickPdf";

const MARGIN = 34;
const SMALL = 8.5;
/** A line of a list, points. */
const LINE = 14;

/** What the papers of a job are about. */
interface Of {
  jobId: number;
  job: Job;
  lines: WorkedLine[];
  result: LayoutResult;
}

/** All papers of a job as one document, in the order of their page: breaks stand between rows, and each pattern, item and stick has its own. */
export function batchPdf(batch: Batch, of: Of, paper: Paper): Promise<Buffer> {
  const doc = new PDFDocument({ size: [PAPER[paper][0] * PT, PAPER[paper][1] * PT], margin: MARGIN, autoFirstPage: false, info: { Title: printable(`The batch: ${of.job.name}`) } }); // prettier-ignore
  const done = finished(doc);
  const page = pagesOf(doc, of.job.name, shortText(of.result));
  if (batch.setUps.length > 0) setUpList(page, batch, of);
  cutListOn(page, batch, of);
  if (batch.days.length > 0) runSheet(page, batch, of);
  patterns(page, of);
  for (const line of of.lines) assembly(page, line, of);
  tickets(page, batch, of);
  for (const stick of batch.sticks) drawStick(doc, stick, of.job.units, paper, printable(of.job.name));
  labelSheets(doc, batch, of);
  doc.end();
  return done;
}

/** A column of a row: its text, how wide it is, and how it is set. */
interface Cell {
  text: string;
  /** A part of the width; what is left is shared. */
  wide?: number;
  size?: number;
  bold?: boolean;
  right?: boolean;
}

/** Pages that break between rows and carry their heading on; the first says what they are short of. */
function pagesOf(doc: Doc, job: string, short: string) {
  let heading = "";
  let isFirst = true;
  const wide = () => doc.page.width - 2 * MARGIN;
  const bottom = () => doc.page.height - MARGIN;
  const head = (again: boolean) => {
    doc.font("Helvetica-Bold").fontSize(15).fillColor("black").text(printable(heading), MARGIN, doc.y, { continued: true }); // prettier-ignore
    doc.font("Helvetica").text(printable(` · ${job}${again ? ", goes on" : ""}`));
    rule(1);
    doc.y += 4;
  };
  const rule = (w = 0.4) => void doc.lineWidth(w).moveTo(MARGIN, doc.y).lineTo(MARGIN + wide(), doc.y).stroke(); // prettier-ignore
  const room = (points: number) => {
    if (doc.y + points <= bottom()) return;
    doc.addPage();
    head(true);
  };
  const face = (c: Cell) => doc.font(c.bold ? "Helvetica-Bold" : "Helvetica").fontSize(c.size ?? 10);
  return {
    doc,
    wide,
    rule,
    room,
    /** A paper begins: on a new page, or under the one before where so much of it fits there. */
    begin(what: string, under = 0) {
      heading = what;
      if (doc.page && under > 0 && doc.y + 24 + under <= bottom()) doc.y += 18;
      else doc.addPage();
      head(false);
      if (isFirst && short !== "") doc.font("Helvetica-Bold").fontSize(10).text(printable(short), MARGIN, doc.y, { width: wide() }).moveDown(0.5); // prettier-ignore
      isFirst = false;
    },
    /** A row that is not torn, with a box to tick at its end where it is wanted, and its caution under it. */
    row(cells: Cell[], { tick = false, under = "" } = {}) {
      const free = wide() - (tick ? 26 : 0);
      const said = cells.reduce((n, c) => n + (c.wide ?? 0), 0);
      const others = cells.filter((c) => c.wide === undefined).length;
      const widths = cells.map((c) => free * (c.wide ?? (1 - said) / others));
      const high = Math.max(...cells.map((c, i) => face(c).heightOfString(printable(c.text), { width: widths[i]! - 8 })));
      const last = widths.slice(0, -1).reduce((a, b) => a + b, MARGIN);
      const below = under === "" ? 0 : face({ text: "", size: SMALL }).heightOfString(printable(under), { width: widths.at(-1)! - 14 }) + 3;
      room(high + below + 8);
      const y = doc.y + 4;
      cells.reduce((x, c, i) => {
        face(c).text(printable(c.text), x, y, { width: widths[i]! - 8, align: c.right ? "right" : "left" });
        return x + widths[i]!;
      }, MARGIN);
      if (below > 0) {
        doc.lineWidth(2.5).moveTo(last + 1, y + high + 2).lineTo(last + 1, y + high + below).stroke();
        face({ text: "", size: SMALL }).text(printable(under), last + 6, y + high + 3, { width: widths.at(-1)! - 14 });
      }
      if (tick) doc.lineWidth(0.8).rect(MARGIN + wide() - 15, y, 13, 13).stroke();
      doc.y = y + high + below + 4;
      rule();
    },
    text(text: string, size = 10, bold = false) {
      room(face({ text, size, bold }).heightOfString(printable(text), { width: wide() }) + 2);
      face({ text, size, bold }).text(printable(text), MARGIN, doc.y, { width: wide() });
    },
  };
} // prettier-ignore
type Pages = ReturnType<typeof pagesOf>;

const sizes = ({ cut }: CutPart["part"], job: Job) => [cut.l, cut.w, cut.t].map((x) => lengthText(x, job.units)).join(" × "); // prettier-ignore
const clock = (minute: number) => new Date(minute * 60_000).toISOString().slice(11, 16);
const DAY = new Intl.DateTimeFormat("en-GB", { weekday: "long", day: "numeric", month: "long", timeZone: "UTC" });

function setUpList(page: Pages, { setUps }: Batch, { job }: Of): void {
  page.begin("Set-up list");
  for (const [i, { op, pieces }] of setUps.entries())
    page.row(
      [
        { text: String(i + 1), wide: 0.05, right: true },
        { text: op.settings.map((s) => settingText(s, job.units)).join("\n"), wide: 0.25, size: 13, bold: true },
        {
          text: `${op.name}, ${pieces} ${op.of}${[".", ...op.how].join(" ")}${op.check ? ` First piece: ${op.check}.` : ""}`,
        },
      ],
      { under: op.caution ?? "" },
    );
}

function cutListOn(page: Pages, { parts }: Batch, { job }: Of): void {
  page.begin("Cut list", 160);
  for (const { part, quantity, line } of parts) {
    const cuts = featureCuts(part.features, job.units, part.sides).map(({ what, how }) => `${what}, ${how}`);
    page.row([
      { text: String(quantity), wide: 0.08, size: 13, bold: true, right: true },
      { text: `${part.name}\n${line.shape.title}`, wide: 0.22 },
      { text: sizes(part, job), wide: 0.24, bold: true },
      { text: [...cuts, ...(part.outside ? [part.outside] : []), ...noNailZones(part.features).map(([a, b]) => `no nail from ${lengthText(a, job.units)} to ${lengthText(b, job.units)}`)].join("\n"), size: SMALL },
    ], { tick: true }); // prettier-ignore
  }
}

function runSheet(page: Pages, { days }: Batch, { job }: Of): void {
  page.begin("Run sheet", 200);
  for (const { at, rows } of days) {
    page.room(60);
    page.doc.y += 6;
    page.text(DAY.format(new Date(at * 60_000)), 11.5, true);
    page.rule(0.8);
    for (const { op, pieces, minutes, startsAt, endsAt } of rows)
      page.row(
        [
          { text: `${clock(startsAt)}–${clock(endsAt)}`, wide: 0.14 },
          { text: op.settings.map((s) => settingText(s, job.units)).join("\n") || op.station, wide: 0.2, bold: op.settings.length > 0 }, // prettier-ignore
          {
            text: `${op.name}, ${pieces} ${op.of}, ${minutes} min${op.wait > 0 ? `; then leave it ${op.wait} min` : ""}`,
          },
        ],
        { tick: true, under: op.caution ?? "" },
      );
  }
}

/** A page for each pattern: the board as it is cut, its cuts in order, what it gives, and the caution. */
function patterns(page: Pages, { job, result }: Of): void {
  const { doc } = page;
  const letters = new Map(result.request.blanks.map((b, i) => [partKey(b.of), { letter: partLetter(i), name: b.name }]));
  const all = allLayouts(result);
  for (const [n, { layout }] of all.entries()) {
    const board = result.request.stock[layout.stock]!;
    const gives = [...letters].map(([key, of]) => ({ ...of, pieces: piecesOf(layout).filter((p) => partKey(p.of) === key).length })).filter((g) => g.pieces > 0);
    const cuts = cutsOf(layout, board, result.request.saw);
    const ticks = Math.ceil(layout.repeat / (layout.repeat > 100 ? 10 : 1));
    const across = Math.floor(page.wide() / 18);
    const k = Math.min(page.wide() / board.length, 300 / board.width);
    // A small one stands under the one before.
    page.begin(`${layout.repeat} ${board.form}${layout.repeat === 1 ? "" : "s"} like this`, 140 + board.width * k + Math.max(cuts.length, gives.length) * LINE + Math.ceil(ticks / across) * 18);
    page.text(`${board.material}, ${[board.thickness, board.width, board.length].map((x) => lengthText(x, job.units)).join(" × ")}${board.lot === undefined ? "" : `, no. ${board.lot} of the yard`}; pattern ${n + 1} of ${all.length}`);
    const top = doc.y + 8;
    const box = (o: { x: number; y: number; length: number; width: number }, fill: string) => doc.lineWidth(0.7).rect(MARGIN + o.x * k, top + o.y * k, o.length * k, o.width * k).fillAndStroke(fill, "black");
    box({ x: 0, y: 0, length: board.length, width: board.width }, "#e6e6e0");
    for (const p of piecesOf(layout)) {
      box(p, "white");
      doc.fillColor("black").font("Helvetica-Bold").fontSize(10).text(letters.get(partKey(p.of))?.letter ?? "", MARGIN + p.x * k, top + (p.y + p.width / 2) * k - 5, { width: p.length * k, align: "center", lineBreak: false });
    }
    doc.fillColor("black").y = top + board.width * k + 12;
    const right = MARGIN + page.wide() * 0.66;
    const column = (x: number, from: number, heading: string, lines: [number: string, text: string][]): number => {
      doc.font("Helvetica-Bold").fontSize(11).text(heading, x, from, { lineBreak: false });
      return lines.reduce((y, [mark, text]) => {
        const width = page.wide() * (x === MARGIN ? 0.66 : 0.34) - 30;
        doc.font("Helvetica-Bold").fontSize(10).text(mark, x, y, { width: 16, align: "right", lineBreak: false });
        doc.font("Helvetica").text(printable(text), x + 22, y, { width });
        return y + Math.max(LINE, doc.heightOfString(printable(text), { width }) + 2);
      }, from + 17);
    };
    const listed = doc.y;
    const left = column(MARGIN, listed, "Cuts, in order", cuts.map((c, i) => [String(i + 1), `${c.level === 3 ? "trim to size: " : ""}${AGAINST[c.kind]} ${lengthText(c.setting, job.units)}${c.count > 1 ? `, ${c.count} times` : ""}`]));
    const other = column(right, listed, `A board gives, and all ${layout.repeat}`, gives.map(({ letter, name, pieces }) => [letter, `${pieces}, ${pieces * layout.repeat}: ${name}`]));
    doc.y = Math.max(left, other);
    doc.y += 8;
    page.text(`Tick ${layout.repeat > 100 ? "a box for every ten boards" : "each board"} when it is cut`, SMALL, true);
    const boxes = doc.y + 3;
    for (let i = 0; i < ticks; i++) doc.lineWidth(0.7).rect(MARGIN + (i % across) * 18, boxes + Math.floor(i / across) * 18, 13, 13).stroke();
    doc.y = boxes + Math.ceil(ticks / across) * 18 + 2;
    page.text(caution("rip"), SMALL);
  }
} // prettier-ignore

/** The assembly sheet of a line: pulled apart, its parts by letter, its steps with what goes wrong, its cautions. */
function assembly(page: Pages, line: WorkedLine, { job, lines }: Of): void {
  const { doc } = page;
  const parts = cutList(lines).filter((c) => c.line === line);
  const letters = new Map(parts.map(({ part }, i) => [part.id, partLetter(i)]));
  page.begin(`${line.shape.title}, ${line.line.quantity} to make`);
  const drawn = exploded(line.shape);
  const { x, y } = explodedBox(drawn);
  const k = Math.min(page.wide() / (x[1] - x[0]), 250 / (y[1] - y[0]));
  const top = doc.y + 6;
  const at = ([a, b]: [number, number]): [number, number] => [MARGIN + (a - x[0]) * k, top + (b - y[0]) * k];
  for (const { facets } of drawn)
    for (const { rings: face, recess, looks } of facets)
      for (const [rings, fill] of [[face, PAPER_FILL[looks]], [recess, PAPER_RECESS]] as const) {
        for (const ring of rings) {
          ring.forEach((p, i) => (i === 0 ? doc.moveTo(...at(p)) : doc.lineTo(...at(p))));
          doc.closePath();
        }
        if (rings.length > 0) doc.lineWidth(0.5).fillAndStroke(fill, "black", "even-odd");
      }
  for (const { label, letter } of drawn) {
    const [cx, cy] = at(label);
    doc.circle(cx, cy, 7).fillAndStroke("white", "black");
    doc.fillColor("black").font("Helvetica-Bold").fontSize(9).text(letter, cx - 7, cy - 3.5, { width: 14, align: "center", lineBreak: false });
  }
  doc.fillColor("black").y = top + (y[1] - y[0]) * k + 14;
  for (const { part, quantity } of parts)
    page.row([
      { text: letters.get(part.id)!, wide: 0.05, bold: true },
      { text: `${part.places.length} of one, ${quantity} of all`, wide: 0.2 },
      { text: part.name, wide: 0.25 },
      { text: sizes(part, job), wide: 0.26, bold: true },
      { text: [part.outside ?? "", ...noNailZones(part.features).map(([a, b]) => `no nail from ${lengthText(a, job.units)} to ${lengthText(b, job.units)}`)].filter(Boolean).join("; "), size: SMALL },
    ]);
  doc.y += 10;
  for (const [i, step] of stepsOf(line.shape, job.units).entries())
    page.row([
      { text: String(i + 1), wide: 0.05, bold: true, right: true },
      { text: (step.joins.length > 0 ? step.joins : step.on).map((p) => letters.get(p.id)).join(" + "), wide: 0.12, bold: true },
      { text: [`${step.name}. ${step.text}`, ...step.uses.flatMap((u) => (u.where && u.quantity > 0 ? [`${u.quantity} ${u.what}, ${u.where}.`] : [])), ...(step.people > 1 ? [`Wants ${step.people} people.`] : []), ...(step.check ? [`Check: ${step.check}.`] : []), ...step.mistakes.map((m) => `Goes wrong: ${m}.`)].join("\n") },
    ], { tick: true, under: step.hazard ? caution(step.hazard) : "" });
  for (const hazard of new Set(line.shape.parts.flatMap((p) => p.features.flatMap((f) => f.hazard ?? [])))) page.text(caution(hazard), SMALL);
} // prettier-ignore

/** A ticket for each stack of parts, to go with it through the shop. */
function tickets(page: Pages, { tickets: all }: Batch, { job, jobId }: Of): void {
  const { doc } = page;
  page.begin("Cut tickets");
  for (const { part, letter, patterns: from, passes } of all) {
    page.room(74 + passes.length * 15);
    const top = doc.y + 8;
    code(doc, codeOf(jobId, part), MARGIN, top, 60);
    doc.font("Helvetica-Bold").fontSize(15).text(printable(`${letter}  ${part.part.name} × ${part.quantity}`), MARGIN + 72, top);
    doc.fontSize(13).text(printable(sizes(part.part, job)), MARGIN + 72);
    doc.font("Helvetica").fontSize(10).text(printable(`${part.line.shape.title}${from.length > 0 ? `; from pattern ${from.join(", ")}` : ""}${part.part.outside ? `. ${part.part.outside}` : ""}`), MARGIN + 72);
    doc.y = Math.max(doc.y, top + 62);
    for (const op of passes)
      page.row([{ text: op.name, wide: 0.5, size: 9.5 }, { text: op.settings.map((s) => settingText(s, job.units)).join(", "), size: 9.5, bold: true }], { tick: true });
  }
} // prettier-ignore

/** One label: its code, what it is, how many, for what. */
function label(doc: Doc, ticket: Batch["tickets"][number], { job, jobId }: Of, x: number, y: number, wide: number, high: number): void {
  const { part, letter } = ticket;
  const square = Math.min(high, 26 * MM);
  code(doc, codeOf(jobId, part), x, y, square);
  const left = x + square + 3;
  const lines: [string, string, number][] = [["Helvetica-Bold", `${letter} ${part.part.name} × ${part.quantity}`, 9.5], ["Helvetica", part.line.shape.title, 7.5], ["Helvetica-Bold", sizes(part.part, job), 8.5], ["Helvetica", part.part.outside ?? "", 7.5], ["Helvetica", job.name, 7.5]];
  let at = y + 4;
  for (const [font, text, size] of lines) {
    if (text === "" || at + size > y + high) continue;
    doc.font(font).fontSize(size).text(printable(text), left, at, { width: x + wide - left - 3, height: size * 1.2, ellipsis: true, lineBreak: true });
    at += size * 1.3;
  }
} // prettier-ignore

/** Sheets of labels, one for each ticket. */
const labelSheets = (doc: Doc, { tickets: all }: Batch, of: Of): void =>
  onSheets(doc, all.length, (i, x, y, wide, high) => label(doc, all[i]!, of, x, y, wide, high));

/** Labels one to a page, 89 × 36 mm, as a label printer takes them. */
export function labelsPdf(batch: Batch, of: Of): Promise<Buffer> {
  const size: [number, number] = [89 * MM, 36 * MM];
  const doc = new PDFDocument({ size, margin: 0, autoFirstPage: false, info: { Title: printable(`Labels: ${of.job.name}`) } }); // prettier-ignore
  const done = finished(doc);
  for (const ticket of batch.tickets) {
    doc.addPage({ size, margin: 0 });
    label(doc, ticket, of, 3, 3, size[0] - 6, size[1] - 6);
  }
  doc.end();
  return done;
}
