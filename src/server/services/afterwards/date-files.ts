import { segmentTitles } from "../../db/queries/segment-titles";
import type { events, occurrences } from "../../db/schema";
import type { Context } from "../ground/context";
import { dateReport, type DateReport } from "../ground/date-report";
import { csvText, minutesCell, type Cell } from "../ground/delimited";
import { chatFile } from "./chat-file";
import { creditsOf } from "./credit";
import { aboutOf, resultsFile, statementsOf } from "./credit-files";
import { floorFile } from "./floor-file";
import { iso, isoMs } from "./moments";
import { ballotsFile, pollsFile } from "./poll-files";
import { questionsFile } from "./question-file";
import { entriesHeader } from "./read-entries";
import { sideRoomsFile } from "./side-rooms-file";
import { signalsFile } from "./signals-file";
import { surveyFile } from "./survey";
import { viewersFile } from "./viewers-file";

export const dateFiles = [
  "attendance",
  "entries",
  "polls",
  "ballots",
  "questions",
  "chat",
  "floor",
  "signals",
  "credit",
  "side-rooms",
  "viewers",
  "survey",
  "results",
  "show",
] as const;
export type DateFile = (typeof dateFiles)[number];

type Make = (file: DateFile | "statements") => Promise<string>;

/** Makes a date's files, exactly as surface.md has them; the report that several are read from is computed once. */
export function filesOfDate(
  context: Context,
  event: typeof events.$inferSelect,
  occurrence: typeof occurrences.$inferSelect,
): Make {
  const { db } = context;
  const { id } = occurrence;
  let report: Promise<DateReport> | null = null;
  const data = () => (report ??= dateReport(context, event, occurrence));
  const about = aboutOf(context, event, occurrence);
  const files: Record<DateFile | "statements", () => Promise<string>> = {
    attendance: async () => attendanceFile(await data()),
    entries: async () => entriesFile(await data()),
    credit: async () => creditFile(await data(), event.creditPoints),
    polls: () => pollsFile(db, id),
    ballots: () => ballotsFile(db, id),
    questions: () => questionsFile(db, id),
    chat: () => chatFile(db, id),
    signals: () => signalsFile(db, id),
    floor: () => floorFile(db, id),
    "side-rooms": () => sideRoomsFile(db, id),
    viewers: () => viewersFile(db, id),
    survey: () => surveyFile(db, event.id, id),
    results: async () => resultsFile(about, await creditsOf(db, id), await data()),
    show: async () => showFile(await data(), await segmentTitles(db, [id])),
    statements: async () => JSON.stringify(statementsOf(about, await creditsOf(db, id), await data()), null, 1),
  };
  return (file) => files[file]();
}

/** `show.csv`: the spans that presence is measured against, what was struck out of them, and the segments as played. */
function showFile({ report, room, away }: DateReport, titles: ReadonlyMap<string, string>): string {
  const row = (what: string, title: string, from: number, to: number): Cell[] => [what, title, isoMs(from), isoMs(to)];
  return csvText(
    ["what", "title", "from", "to"],
    [
      ...report.show.map(({ start, end }) => row("show", "", start, end)),
      ...room.hour.curtainSpans
        .filter((span) => span.isStruck)
        .map(({ raisedAt, droppedAt }) => row("struck out", "", raisedAt, droppedAt ?? raisedAt)),
      ...away.map(({ start, end }) => row("server away", "", start, end)),
      ...report.retention.map(({ segmentId, startAt, endAt }) =>
        row("segment", titles.get(segmentId) ?? "", startAt, endAt),
      ),
    ],
  );
}

const attendanceHeader = [
  "person",
  "name",
  "email",
  "role",
  "registered",
  "first_in",
  "last_out",
  "minutes_present",
  "percent_present",
  "devices",
  "entries",
  "questions",
  "votes",
  "hands",
  "credit_points",
];

export function attendanceFile({ report }: DateReport): string {
  const rows = report.lines.map((line): Cell[] => [
    line.personKey,
    line.name,
    line.email,
    line.role,
    line.isRegistered ? "yes" : "no",
    iso(line.firstInAt),
    iso(line.lastOutAt),
    minutesCell(line.minutesPresent),
    minutesCell(line.percentPresent),
    line.devices,
    line.entries,
    line.questions,
    line.votes,
    line.hands,
    line.creditPoints,
  ]);
  return csvText(attendanceHeader, rows);
}

function entriesFile({ entries, people: folk }: DateReport): string {
  const rows = entries.map((entry): Cell[] => {
    const person = folk.get(entry.personKey);
    const out = Math.max(entry.inAt, entry.outAt ?? entry.lastSignAt);
    return [
      entry.personKey,
      person?.name ?? "",
      person?.email ?? "",
      entry.role,
      entry.device,
      isoMs(entry.inAt),
      isoMs(out),
    ];
  });
  return csvText(entriesHeader, rows);
}

function creditFile({ report }: DateReport, outOf: number | null): string {
  const lines = report.lines.filter((line) => line.creditPoints !== null);
  return csvText(
    ["email", "points", "out_of"],
    lines.map((line) => [line.email || line.personKey, line.creditPoints, outOf]),
  );
}
