import ICAL from "ical.js";
import fc from "fast-check";
import { convertIcsCalendar } from "ts-ics";
import { describe, expect, it } from "vitest";
import { instantOf } from "../time";
import { calendarLines, calendarText, escapeText, foldLine, type CalendarEntry } from ".";

const entry: CalendarEntry = {
  uid: "e1@stage-call.example.org",
  sequence: 2,
  start: { local: "2027-03-25T18:00", zone: "Europe/Madrid" },
  durationMinutes: 75,
  summary: "Tides, marsh; and \\ ünder stars 🐦",
  description: "Line one\nLine two",
  place: "",
  url: "https://shore.example.org/enter/abc",
  stampAt: Date.parse("2026-11-24T09:00:00Z"),
  isCancelled: false,
  organizer: { name: 'The "Trust"', email: "events@example.org" },
  attendee: { name: "Ines Marl", email: "ines@example.org", standing: "accepted" },
  recurrenceId: null,
};
const text = calendarText(calendarLines({ method: "REQUEST", name: "Shore", entries: [entry] }));
const octets = (line: string) => new TextEncoder().encode(line).length;

describe("rule 8: calendar files (RFC 5545)", () => {
  it("is read back by an independent parser with the same instant, words and method", () => {
    const calendar = new ICAL.Component(ICAL.parse(text));
    const zone = new ICAL.Timezone(calendar.getFirstSubcomponent("vtimezone")!);
    ICAL.TimezoneService.register(zone);
    const event = new ICAL.Event(calendar.getFirstSubcomponent("vevent")!);
    expect(calendar.getFirstPropertyValue("method")).toBe("REQUEST");
    expect(event.startDate.toJSDate().getTime()).toBe(instantOf(entry.start));
    expect(event.duration.toSeconds()).toBe(75 * 60);
    expect([event.summary, event.description, event.uid, event.sequence]).toEqual([
      entry.summary,
      entry.description,
      entry.uid,
      2,
    ]);
  });

  it.each(["2027-03-27T18:00", "2027-03-29T18:00", "2027-10-30T18:00", "2027-11-01T18:00"])(
    "carries a zone that puts %s right around the clock change",
    (local) => {
      const own = calendarText(
        calendarLines({
          method: "PUBLISH",
          name: "x",
          entries: [{ ...entry, start: { local, zone: "Europe/Madrid" } }],
        }),
      );
      const calendar = new ICAL.Component(ICAL.parse(own));
      const zone = new ICAL.Timezone(calendar.getFirstSubcomponent("vtimezone")!);
      const start = new ICAL.Event(calendar.getFirstSubcomponent("vevent")!).startDate;
      start.zone = zone;
      expect(start.toJSDate().getTime()).toBe(instantOf({ local, zone: "Europe/Madrid" }));
    },
  );

  it("ends lines with CRLF and folds them at 75 octets without splitting a character", () => {
    expect(text.replaceAll("\r\n", "")).not.toMatch(/[\r\n]/);
    fc.assert(
      fc.property(fc.string({ unit: "grapheme", maxLength: 300 }), (value) => {
        // the replacement character itself is no sign of a character that was split
        const clean = value.replace(/[\r\n\ufffd]/g, "");
        const folded = foldLine(clean);
        for (const line of folded.slice(0, -2).split("\r\n")) {
          expect(octets(line)).toBeLessThanOrEqual(75);
          expect(line).not.toContain("\ufffd");
        }
        expect(folded.slice(0, -2).replaceAll("\r\n ", "")).toBe(clean);
      }),
    );
  });

  it("is read back alike by two independent parsers, 400 generated files", () => {
    const words = fc
      .string({ unit: "grapheme", minLength: 1, maxLength: 60 })
      .map((value) => value.replace(/[\u0000-\u001f\u007f\u0085\u2028\u2029]/g, " ").trim())
      .filter(Boolean);
    const local = fc
      .date({ min: new Date("2026-01-01"), max: new Date("2032-01-01"), noInvalidDate: true })
      .map((date) => date.toISOString().slice(0, 16));
    let files = 0;
    fc.assert(
      fc.property(
        words,
        words,
        local,
        fc.constantFrom("Europe/Madrid", "America/New_York", "Australia/Adelaide", "UTC"),
        fc.integer({ min: 5, max: 600 }),
        (summary, description, startLocal, zone, durationMinutes) => {
          const own = calendarText(
            calendarLines({
              method: "REQUEST",
              name: "x",
              entries: [{ ...entry, summary, description, start: { local: startLocal, zone }, durationMinutes }],
            }),
          );
          const first = new ICAL.Component(ICAL.parse(own));
          const event = new ICAL.Event(first.getFirstSubcomponent("vevent")!);
          const second = convertIcsCalendar(undefined, own).events![0]!;
          expect([event.summary, event.description, event.uid]).toEqual([summary, description, entry.uid]);
          expect([second.summary, second.description, second.uid]).toEqual([summary, description, entry.uid]);
          expect([second.duration?.minutes, second.attendees?.[0]?.partstat, second.status]).toEqual([
            durationMinutes,
            "ACCEPTED",
            "CONFIRMED",
          ]);
          expect(event.duration.toSeconds()).toBe(durationMinutes * 60);
          files += 1;
        },
      ),
      { numRuns: 400, seed: 20261125 },
    );
    console.log(`calendar: ${files} files read back alike by two parsers`);
  });

  it("escapes TEXT by §3.3.11", () => {
    expect(escapeText("a\\b;c,d\ne")).toBe("a\\\\b\\;c\\,d\\ne");
    expect(escapeText("x\r\nBEGIN:VEVENT")).toBe("x\\nBEGIN:VEVENT");
  });
});
