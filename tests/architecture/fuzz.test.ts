import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { isAddress, Refusal } from "@/core/shared";
import { readAddresses } from "@/core/mailings";
import { dayMs, isZone, readMoment } from "@/core/time";
import { readEntriesFile } from "@/server/services/afterwards/read-entries";
import { busyFile } from "@/server/services/planning/calendar-import/busy-file";
import { previewOf } from "@/server/services/people/contacts/read-file";

/** None of these may take longer than so much, whatever is in it. */
const mostMs = 50;
const now = Date.parse("2026-11-26T18:00:00Z");

/** Pieces that files are made of, in any order, with noise between them. */
const pieces = (some: readonly string[]) =>
  fc
    .array(
      fc.oneof(
        { weight: 6, arbitrary: fc.constantFrom(...some) },
        fc.string({ maxLength: 12 }),
        fc.string({ unit: "binary", maxLength: 6 }),
      ),
      {
        maxLength: 24,
      },
    )
    .map((list) => list.join(""));
const calendarPieces = [
  "BEGIN:VCALENDAR\r\nVERSION:2.0\r\n",
  "BEGIN:VEVENT\r\n",
  "END:VEVENT\r\n",
  "END:VCALENDAR\r\n",
  "UID:a@example.org\r\n",
  "DTSTART:20261126T180000Z\r\n",
  "DTSTART;TZID=Europe/Lisbon:20261126T180000\r\n",
  "DTEND:20261126T190000Z\r\n",
  "DURATION:PT1H\r\n",
  "RRULE:FREQ=DAILY;BYMONTH=2;BYMONTHDAY=30\r\n",
  "RRULE:FREQ=YEARLY;BYDAY=20MO\r\n",
  "RRULE:FREQ=SECONDLY;INTERVAL=0\r\n",
  "EXDATE:20261127T180000Z\r\n",
  "SUMMARY:Tide\\, high\r\n",
  " folded\r\n",
];
const cardPieces = [
  "BEGIN:VCARD\r\n",
  "END:VCARD\r\n",
  "VERSION:2.1\r\n",
  "VERSION:3.0\r\n",
  "VERSION:4.0\r\n",
  "FN:Ann\r\n",
  "N;CHARSET=UTF-8;ENCODING=QUOTED-PRINTABLE:=C3=\r\n",
  "EMAIL;PREF;INTERNET:ann@example.org\r\n",
  "NOTE:a\\;b\r\n",
];
const tablePieces = [
  "name,email\r\n",
  "person,name,email,role,device,in,out\r\n",
  '"',
  ",",
  ";",
  "\t",
  "\r\n",
  "ann@example.org",
  "2026-11-26T18:00:00Z",
  "'=1+1",
];
const addressPieces = [
  "Ann ",
  "<",
  ">",
  "ann@example.org",
  "[mailto:",
  "]",
  ",",
  ";",
  "/",
  '"',
  "To: ",
  "@@",
  "..",
  "\n",
  "größe@größe.example",
];
const momentPieces = [
  "31/12 ",
  "at ",
  "noon",
  "tomorrow ",
  "9",
  "19.30 ",
  "on ",
  "12 May",
  "in two weeks",
  "tuesday week",
  "2026-13-40",
  ":",
  "pm",
  "24:61",
];
const zonePieces = ["Europe/", "Lisbon", "Etc/GMT+99", "UTC", "CET", "../", "%00", "América"];

const bytes = (text: string) => new TextEncoder().encode(text);

/** Runs a reader on many inputs: it answers or refuses, and never throws anything else nor takes long. */
function survives(input: fc.Arbitrary<string>, read: (text: string) => unknown, runs: number): number {
  let slowest = 0;
  let slow = "";
  fc.assert(
    fc.property(input, (text) => {
      const at = performance.now();
      try {
        read(text);
      } catch (error) {
        if (!(error instanceof Refusal)) throw error;
      }
      const took = performance.now() - at;
      if (took > slowest) [slowest, slow] = [took, text];
    }),
    { numRuns: runs, seed: 20261126 },
  );
  // the machine may have paused: the slowest is run some more times, and its best counts
  for (let again = 0; again < 5 && slowest > mostMs; again += 1) {
    const at = performance.now();
    try {
      read(slow);
    } catch {
      // refused or not: its time counts
    }
    slowest = Math.min(slowest, performance.now() - at);
  }
  return slowest;
}

describe("100,000 inputs that nobody meant: typed failures only, none slow", () => {
  it.each([
    [
      "calendar files",
      pieces(calendarPieces),
      (text: string) => busyFile(bytes(text), { start: now, end: now + 60 * dayMs }),
      15_000,
    ],
    ["cards", pieces(cardPieces), (text: string) => previewOf(bytes(text), null), 15_000],
    ["tables of contacts", pieces(tablePieces), (text: string) => previewOf(bytes(text), null), 15_000],
    ["tables of entries", pieces(tablePieces), (text: string) => readEntriesFile(bytes(text)), 10_000],
    ["pasted addresses", pieces(addressPieces), (text: string) => readAddresses(text), 20_000],
    ["dates as typed", pieces(momentPieces), (text: string) => readMoment(text, "2026-11-26T18:00"), 15_000],
    ["zones", pieces(zonePieces), (text: string) => isZone(text), 10_000],
  ] as const)("%s", (_name, input, read, runs) => {
    expect(survives(input, read as (text: string) => unknown, runs)).toBeLessThan(mostMs);
  });

  it("never finds an address where there is none", () => {
    fc.assert(
      fc.property(pieces(addressPieces), (text) => {
        for (const { email } of readAddresses(text).addresses) expect(isAddress(email)).toBe(true);
      }),
      { numRuns: 5000, seed: 20261126 },
    );
  });
});
