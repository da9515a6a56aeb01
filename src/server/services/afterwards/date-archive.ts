import { PassThrough, type Readable } from "node:stream";
import { parse } from "csv-parse/sync";
import ExcelJS from "exceljs";
import { ZipFile } from "yazl";
import type { TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { boardFile, boardsOfDate } from "./board-files";
import { dateFiles, type DateFile } from "./date-files";
import { allFiles } from "./exports";

/** What stands in each column, for whoever opens the archive years later. */
const columnWords: Readonly<Record<string, string>> = {
  "attendance.csv":
    "one line a person: whether registered, first in, last out, minutes and percent of the show, devices, entries, questions, votes, raised hands, credit points",
  "entries.csv": "one line a connection: who, on what device, in and out; can be imported again",
  "polls.csv": "one line an option: votes, percent, voters; mean and median of scales, points of rankings",
  "ballots.csv": "one line an answer; of anonymous polls without name and time, in no meaningful order",
  "questions.csv": "every question with votes, state, answer and who saw it",
  "chat.csv": "every line of the chat: when, by whom, to whom, and whether it was shown",
  "floor.csv": "everybody who had the floor: offered, accepted, ended, seconds open",
  "signals.csv": "signals in steps of ten seconds, as counts",
  "credit.csv": "address, points, out of how many",
  "results.csv": "the certificates that stand, in the columns of OneRoster 1.2",
  "side-rooms.csv": "who was in which side room, in and out",
  "viewers.csv": "who watched the recording: seconds, coverage in percent, whether complete, first, last, views",
  "survey.csv": "answers to the survey; of an anonymous one without name and time, in no meaningful order",
  "show.csv":
    "the spans that presence is measured against, what was struck out of them, and the segments as they were played",
  "registrants.csv": "everybody who registered for the event, with their answers",
  "statements.json": "attendance and certificates as xAPI 1.0.3 statements",
};

function readme(names: readonly string[]): string {
  const lines = names.map((name) => `${name}\n  ${columnWords[name] ?? "a board as it was drawn"}\n`);
  const head = [
    "Every file of one date. Times are ISO 8601 with Z (UTC); durations are minutes unless the column says seconds.",
    "CSV is UTF-8 with commas (RFC 4180). Cells that a spreadsheet would take for a formula begin with an apostrophe.",
    "",
  ];
  return [...head, ...lines].join("\n");
}

interface Part {
  readonly name: string;
  readonly make: () => Promise<Buffer>;
}

/** The files of a date, each made when its turn comes: the largest alone decides how much memory is taken. */
async function partsOf(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<readonly Part[]> {
  const csv = (name: string, make: () => Promise<string>): Part => ({
    name,
    make: async () => Buffer.from(await make()),
  });
  const { ofDate, registrants } = await allFiles(context, member, eventId, occurrenceId, "report.zip");
  const boards = await boardsOfDate(context, member, eventId, occurrenceId);
  return [
    ...dateFiles.map((name) => csv(`${name}.csv`, () => ofDate(name))),
    csv("registrants.csv", registrants),
    csv("statements.json", () => ofDate("statements")),
    ...boards.map(({ number }): Part => ({
      name: `board-${number}.svg`,
      make: async () => Buffer.from(await boardFile(context, member, eventId, occurrenceId, { number, kind: "svg" })),
    })),
  ];
}

/** `report.zip`: every file of a date and a readme of their columns, written while it is read. */
export async function dateArchive(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<Readable> {
  const parts = await partsOf(context, member, eventId, occurrenceId);
  const zip = new ZipFile();
  const out = zip.outputStream as unknown as Readable;
  zip.addBuffer(Buffer.from(readme(parts.map(({ name }) => name))), "readme.txt");
  const fill = async () => {
    for (const { name, make } of parts) zip.addBuffer(await make(), name);
    zip.end();
  };
  fill().catch((error: unknown) => out.destroy(error as Error));
  return out;
}

/** A cell as a spreadsheet should hold it: numbers as numbers, times as times, everything else as text. */
function typedCell(text: string): string | number | Date | null {
  if (text === "") return null;
  if (/^-?\d{1,15}(\.\d+)?$/.test(text)) return Number(text);
  if (/^\d{4}-\d\d-\d\dT[\d:.]+Z$/.test(text)) return new Date(text);
  // the guard of the text file is not needed in a cell that is text by its type: no formula is ever written
  return /^'[=+\-@\t\r]/.test(text) ? text.slice(1) : text;
}

const sheetName = (file: DateFile): string => file.replace("-", " ");

/** `report.xlsx`: a sheet a file, with typed cells; written row by row while it is read. */
export async function dateWorkbook(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<Readable> {
  const { ofDate } = await allFiles(context, member, eventId, occurrenceId, "report.xlsx");
  const out = new PassThrough();
  const book = new ExcelJS.stream.xlsx.WorkbookWriter({ stream: out, useStyles: true });
  const fill = async () => {
    for (const file of dateFiles) {
      const rows = parse(await ofDate(file), { bom: true }) as string[][];
      const sheet = book.addWorksheet(sheetName(file), { views: [{ state: "frozen", ySplit: 1 }] });
      const [header = [], ...body] = rows;
      sheet.columns = header.map((name) => ({ header: name, key: name, width: Math.max(12, name.length + 2) }));
      sheet.getRow(1).font = { bold: true };
      sheet.getRow(1).commit();
      for (const row of body) {
        const made = sheet.addRow(row.map(typedCell));
        made.eachCell((cell) => {
          if (cell.value instanceof Date) cell.numFmt = "yyyy-mm-dd hh:mm:ss";
        });
        made.commit();
      }
      sheet.commit();
    }
    await book.commit();
  };
  fill().catch((error: unknown) => out.destroy(error as Error));
  return out;
}
