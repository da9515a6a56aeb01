import { eq } from "drizzle-orm";
import { PDFDocument, PDFName, PDFString, rgb, StandardFonts, type PDFFont, type PDFPage } from "pdf-lib";
import { minuteMs } from "../../src/core/time";
import { decks, journal, rooms, segments } from "../../src/server/db/schema";
import { deckFile, writeBytes } from "../../src/server/services/hour/decks";
import type { DemoParts } from "./after-dates";

const ground = rgb(0.965, 0.957, 0.933);
const ink = rgb(0.106, 0.122, 0.137);
const quiet = rgb(0.35, 0.38, 0.37);
const sea = rgb(0.04, 0.36, 0.36);
const light = rgb(0.62, 0.76, 0.74);
const width = 960;
const height = 540;

interface Fonts {
  readonly plain: PDFFont;
  readonly bold: PDFFont;
}

function titled(file: PDFDocument, { plain, bold }: Fonts, title: string, under: string): PDFPage {
  const page = file.addPage([width, height]);
  page.drawRectangle({ x: 0, y: 0, width, height, color: ground });
  page.drawRectangle({ x: 0, y: 0, width: 14, height, color: sea });
  page.drawText(title, { x: 60, y: 440, size: 40, font: bold, color: ink });
  page.drawText(under, { x: 60, y: 402, size: 20, font: plain, color: quiet });
  return page;
}

/** Counts by winter as bars, each with its figure. */
function bars(page: PDFPage, { plain, bold }: Fonts, counts: readonly (readonly [string, number])[]): void {
  const most = Math.max(...counts.map(([, count]) => count));
  for (const [i, [name, count]] of counts.entries()) {
    const x = 70 + i * 140;
    const tall = (count / most) * 250;
    page.drawRectangle({ x, y: 80, width: 92, height: tall, color: i === counts.length - 1 ? sea : light });
    page.drawText(String(count), { x: x + 4, y: 90 + tall, size: 22, font: bold, color: ink });
    page.drawText(name, { x: x + 4, y: 52, size: 17, font: plain, color: quiet });
  }
}

function lines(page: PDFPage, { plain }: Fonts, texts: readonly string[]): void {
  for (const [i, text] of texts.entries()) {
    page.drawCircle({ x: 68, y: 331 - i * 52, size: 5, color: sea });
    page.drawText(text, { x: 90, y: 324 - i * 52, size: 24, font: plain, color: ink });
  }
}

function note(file: PDFDocument, page: PDFPage, text: string): void {
  const contents = { Type: "Annot", Subtype: "Text", Rect: [930, 510, 950, 530], Contents: PDFString.of(text) };
  page.node.set(PDFName.of("Annots"), file.context.obj([file.context.register(file.context.obj(contents))]));
}

/** The invented evening's slides: what the winter counts say. */
async function winterCounts(): Promise<Uint8Array> {
  const file = await PDFDocument.create();
  const fonts = {
    plain: await file.embedFont(StandardFonts.Helvetica),
    bold: await file.embedFont(StandardFonts.HelveticaBold),
  };
  const first = titled(file, fonts, "What the winter counts say", "Brinewold shore, five winters");
  lines(first, fonts, [
    "twelve sites, counted at every spring tide",
    "eighty-one people, most of them not paid",
    "one question: who stays, who leaves?",
  ]);
  note(file, first, "Thank the wardens first. Then straight to the chart.");
  const knots = titled(file, fonts, "Knots: a fourth winter of growth", "Largest flock of each winter, in hundreds");
  bars(knots, fonts, [
    ["2021/22", 31],
    ["2022/23", 34],
    ["2023/24", 39],
    ["2024/25", 45],
    ["2025/26", 52],
    ["so far", 58],
  ]);
  note(file, knots, "Pause here: ask who has seen a flock turn. The last bar is not the whole winter.");
  const curlews = titled(file, fonts, "Curlews: fewer each year", "Mean of all sites at high water");
  bars(curlews, fonts, [
    ["2021/22", 212],
    ["2022/23", 204],
    ["2023/24", 187],
    ["2024/25", 171],
    ["2025/26", 158],
  ]);
  note(file, curlews, "Do not soften it. What we know, what we do not know.");
  const why = titled(file, fonts, "What may be behind it", "In the order in which we can do something");
  lines(why, fonts, [
    "dogs on the north creek between October and March",
    "a later mowing of the sea wall",
    "warmer winters further up the coast",
  ]);
  const next = titled(file, fonts, "What you can do before the next tide", "Come along: no experience is needed");
  lines(next, fonts, [
    "count with us on the second Sunday",
    "keep two hundred steps from a roost",
    "tell us what you saw, with the hour",
  ]);
  note(file, next, "The link is in the mail afterwards.");
  return file.save();
}

/** Brings the slides to a date and ties them to its second segment; the worker makes their pages. */
export async function demoSlides(
  { context, chance, organisationId }: DemoParts,
  occurrenceId: string,
  segmentId: string,
  ticketId: string,
): Promise<string> {
  const id = chance.id();
  const bytes = await winterCounts();
  await writeBytes(context, deckFile(id), bytes);
  const about = { id, organisationId, occurrenceId, title: "What the winter counts say", language: "en", ticketId };
  await context.db
    .insert(decks)
    .values({ ...about, isHandOut: true, sizeBytes: bytes.byteLength, createdAt: context.clock.now() });
  await context.db.update(segments).set({ deckId: id, deckPage: 2 }).where(eq(segments.id, segmentId));
  return id;
}

/** The pages of a past evening's slides as they were turned, every few minutes. */
export async function turnedPages(
  { context, chance, organisationId }: DemoParts,
  { occurrenceId, deckId, fromAt, actorId }: { occurrenceId: string; deckId: string; fromAt: number; actorId: string },
): Promise<void> {
  const [room] = await context.db.select().from(rooms).where(eq(rooms.occurrenceId, occurrenceId));
  let at = fromAt;
  const entries = [1, 2, 3, 4, 5].map((page, i) => {
    at += chance.between(3, 9) * minuteMs;
    return {
      ...{ roomId: room!.id, organisationId, actorId, at, seq: room!.seq + i + 1 },
      body: { type: "slides.shown" as const, deckId, page, ...(i === 0 ? { opens: true as const } : {}) },
    };
  });
  await context.db.insert(journal).values(entries);
  await context.db
    .update(rooms)
    .set({ seq: room!.seq + entries.length })
    .where(eq(rooms.id, room!.id));
}
