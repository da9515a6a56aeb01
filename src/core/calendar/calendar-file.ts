import { instantOf, type WallTime } from "../time";
import { escapeText, foldLine, quoteParameter } from "./content-line";
import { localStamp, timeZoneLines, utcStamp } from "./time-zone";

export type CalendarMethod = "PUBLISH" | "REQUEST" | "CANCEL";

export interface CalendarPerson {
  readonly name: string;
  readonly email: string;
}

/** One date in a calendar file. */
export interface CalendarEntry {
  readonly uid: string;
  /** grows with each change that matters to a guest */
  readonly sequence: number;
  readonly start: WallTime;
  readonly durationMinutes: number;
  readonly summary: string;
  /** plain text */
  readonly description: string;
  /** the holder's own join link, or the public page */
  readonly url: string;
  /** where people may come in person; "" where the link is the only way in */
  readonly place: string;
  readonly stampAt: number;
  readonly isCancelled: boolean;
  readonly organizer: CalendarPerson;
  /** the holder, in personal files only; who is asked may answer by a METHOD:REPLY file */
  readonly attendee: (CalendarPerson & { readonly standing: "accepted" | "asked" }) | null;
  /** the original start of an overridden date of a series (RECURRENCE-ID); null otherwise */
  readonly recurrenceId: WallTime | null;
}

export interface CalendarFile {
  readonly method: CalendarMethod;
  /** shown as the calendar's name in feeds */
  readonly name: string;
  readonly entries: readonly CalendarEntry[];
}

const productId = "-//Stage Call//Stage Call//EN";

const zoned = (name: string, wall: WallTime): string =>
  wall.zone === "UTC" ? `${name}:${localStamp(wall.local)}Z` : `${name};TZID=${wall.zone}:${localStamp(wall.local)}`;

const person = (name: string, parameters: string, who: CalendarPerson): string =>
  `${name};CN=${quoteParameter(who.name)}${parameters}:mailto:${who.email}`;

/** Duration as RFC 5545 §3.3.6 writes it. */
const durationValue = (minutes: number): string => `PT${minutes}M`;

function entryLines(entry: CalendarEntry, method: CalendarMethod): string[] {
  const cancelled = entry.isCancelled || method === "CANCEL";
  const lines = [
    "BEGIN:VEVENT",
    `UID:${entry.uid}`,
    `DTSTAMP:${utcStamp(entry.stampAt)}`,
    `SEQUENCE:${entry.sequence}`,
    zoned("DTSTART", entry.start),
    `DURATION:${durationValue(entry.durationMinutes)}`,
    `SUMMARY:${escapeText(entry.summary)}`,
    `DESCRIPTION:${escapeText(entry.description)}`,
    `LOCATION:${escapeText(entry.place || entry.url)}`,
    `URL:${entry.url}`,
    `STATUS:${cancelled ? "CANCELLED" : "CONFIRMED"}`,
    person("ORGANIZER", "", entry.organizer),
  ];
  if (entry.recurrenceId) lines.push(zoned("RECURRENCE-ID", entry.recurrenceId));
  if (entry.attendee)
    lines.push(
      person(
        "ATTENDEE",
        `;ROLE=REQ-PARTICIPANT;PARTSTAT=${entry.attendee.standing === "accepted" ? "ACCEPTED;RSVP=FALSE" : "NEEDS-ACTION;RSVP=TRUE"}`,
        entry.attendee,
      ),
    );
  lines.push("END:VEVENT");
  return lines;
}

function zoneLines(entries: readonly CalendarEntry[]): string[] {
  const spans = new Map<string, { from: number; until: number }>();
  for (const { start } of entries) {
    if (start.zone === "UTC") continue;
    const at = instantOf(start);
    const span = spans.get(start.zone) ?? { from: at, until: at };
    spans.set(start.zone, { from: Math.min(span.from, at), until: Math.max(span.until, at) });
  }
  return [...spans].flatMap(([zone, span]) => timeZoneLines(zone, span.from, span.until));
}

/** The unfolded content lines: links may still be put in before folding. */
export function calendarLines(file: CalendarFile): string[] {
  return [
    "BEGIN:VCALENDAR",
    "VERSION:2.0",
    `PRODID:${productId}`,
    "CALSCALE:GREGORIAN",
    `METHOD:${file.method}`,
    `X-WR-CALNAME:${escapeText(file.name)}`,
    ...zoneLines(file.entries),
    ...file.entries.flatMap((entry) => entryLines(entry, file.method)),
    "END:VCALENDAR",
  ];
}

/** The whole file as RFC 5545 has it: CRLF, folded, UTF-8. */
export const calendarText = (lines: readonly string[]): string => lines.map(foldLine).join("");
