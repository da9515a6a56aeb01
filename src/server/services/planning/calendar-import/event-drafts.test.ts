import { describe, expect, it } from "vitest";
import { withNames } from "@/core/time";
import { draftFromCalendar } from "./event-file";
import { draftFromText } from "./event-text";

const cities = [
  withNames({ zone: "Europe/Lisbon", city: "Lisbon", country: "Portugal" }, ["GMT Standard Time"]),
  withNames({ zone: "Europe/London", city: "London", country: "United Kingdom" }, []),
  withNames({ zone: "Europe/Madrid", city: "Madrid", country: "Spain" }, ["Romance Standard Time"]),
];
const fromText = (...lines: string[]) => draftFromText(lines.join("\n"), "2026-11-01T09:00", "Europe/Lisbon", cities);
const fromFile = (...lines: string[]) =>
  draftFromCalendar(
    new TextEncoder().encode(
      [
        "BEGIN:VCALENDAR",
        "VERSION:2.0",
        "PRODID:-//tides//",
        "BEGIN:VEVENT",
        "UID:1",
        ...lines,
        "END:VEVENT",
        "END:VCALENDAR",
        "",
      ].join("\r\n"),
    ),
    "Europe/Lisbon",
  );

describe("a plan's beginning from pasted text", () => {
  it("takes title, start, length, place and people, and leaves the rest as its words", () => {
    expect(
      fromText(
        "Listening to the tide",
        "",
        "26 Nov 2026 18:00 – 19:30",
        "Place: Harbour hall",
        "Ines Marl <ines@example.org>",
        "",
        "Two wardens & a bell.",
        "Come early.",
      ),
    ).toEqual({
      title: "Listening to the tide",
      startLocal: "2026-11-26T18:00",
      zone: "Europe/Lisbon",
      durationMinutes: 90,
      place: "Harbour hall",
      people: [{ name: "Ines Marl", email: "ines@example.org" }],
      descriptionHtml: "<p>Two wardens &amp; a bell.<br>Come early.</p>",
      rule: null,
      unread: [],
    });
  });
  it("knows the zone that stands beside the hour, by a city or by its name", () => {
    expect(fromText("Tides", "26 Nov 2026 18:00 (London time)")).toMatchObject({ zone: "Europe/London" });
    expect(fromText("Tides", "26 Nov 2026 18:00, Romance Standard Time")).toMatchObject({ zone: "Europe/Madrid" });
    expect(fromText("Tides", "26 Nov 2026 18:00 (Saltby time)")).toMatchObject({
      zone: "Europe/Lisbon",
      unread: [{ part: "zone", detail: "saltby time" }, { part: "length" }],
    });
  });
  it("takes a length in words, and an end after midnight", () => {
    expect(fromText("Tides", "26 Nov 2026 18:00", "An hour and a half")).toMatchObject({ durationMinutes: 90 });
    expect(fromText("Tides", "26 Nov 2026 23:00 to 00:30")).toMatchObject({ durationMinutes: 90 });
  });
  it("says what it did not find, and guesses nothing", () => {
    expect(fromText("Tides", "Some words.")).toMatchObject({
      startLocal: null,
      durationMinutes: null,
      unread: [{ part: "start" }, { part: "length" }],
    });
    expect(fromText("Tides", "26 Nov 2026")).toMatchObject({
      startLocal: null,
      unread: [{ part: "hour", detail: "26 Nov 2026" }, { part: "length" }],
    });
    expect(fromText("")).toMatchObject({ title: "", people: [] });
  });
});

/** Entries as RFC 5545 has them. */
describe("a plan's beginning from a calendar's entry", () => {
  it("takes what a plan has", () => {
    expect(
      fromFile(
        "SUMMARY:Listening\\, together",
        "DTSTART;TZID=Europe/Lisbon:20261126T180000",
        "DURATION:PT1H30M",
        "LOCATION:Harbour hall",
        "DESCRIPTION:One.\\n\\nTwo <b>.",
        'ORGANIZER;CN="Ines Marl":mailto:INES@example.org',
        "ATTENDEE:mailto:jorn@example.org",
        "ATTENDEE;CN=Again:mailto:ines@example.org",
        "RRULE:FREQ=WEEKLY;COUNT=4",
      ),
    ).toMatchObject({
      title: "Listening, together",
      startLocal: "2026-11-26T18:00",
      zone: "Europe/Lisbon",
      durationMinutes: 90,
      place: "Harbour hall",
      descriptionHtml: "<p>One.</p><p>Two &lt;b&gt;.</p>",
      people: [
        { name: "Again", email: "ines@example.org" },
        { name: "jorn", email: "jorn@example.org" },
      ],
      rule: { freq: "WEEKLY", count: 4 },
      unread: [],
    });
  });
  it("reckons a length that begins by one zone's clock and ends by another's (§3.8.2.2)", () => {
    const start = "DTSTART;TZID=Europe/Lisbon:20261126T180000";
    expect(fromFile(start, "DTEND;TZID=Europe/Madrid:20261126T200000").durationMinutes).toBe(60);
    expect(fromFile(start, "DTEND:20261126T193000Z").durationMinutes).toBe(90);
    // over the hour that is left out in spring: 00:30 to 03:30 by the clock are two hours
    const night = "DTSTART;TZID=Europe/Lisbon:20270328T003000";
    expect(fromFile(night, "DTEND;TZID=Europe/Lisbon:20270328T033000").durationMinutes).toBe(120);
  });
  it("asks for the hour of a whole day, and says what it could not take over", () => {
    expect(fromFile("SUMMARY:Open day", "DTSTART;VALUE=DATE:20270328")).toMatchObject({
      durationMinutes: 1440,
      unread: [{ part: "hour-of-whole-day" }],
    });
    const parts = (draft: ReturnType<typeof fromFile>) => draft.unread.map(({ part }) => part);
    expect(parts(fromFile("DTSTART;TZID=Nowhere/None:20261126T180000"))).toEqual(["zone"]);
    expect(
      parts(
        fromFile(
          "DTSTART:20261126T180000Z",
          "RRULE:FREQ=DAILY;COUNT=3",
          "EXDATE:20261127T180000Z",
          "ATTACH:https://example.org/a.pdf",
        ),
      ),
    ).toEqual(["single-dates", "attachments"]);
    expect(parts(fromFile("DTSTART:20261126T180000Z", "RRULE:FREQ=SECONDLY"))).toEqual(["repetition"]);
  });
  it("leaves an old way in out: a link is no place", () => {
    expect(fromFile("DTSTART:20261126T180000Z", "LOCATION:https://elsewhere.example.org/j/1").place).toBe("");
  });
  it("refuses what is no calendar, or holds no event", () => {
    const code = (text: string) => {
      try {
        draftFromCalendar(new TextEncoder().encode(text), "Europe/Lisbon");
        return null;
      } catch (error) {
        return (error as { failure: { reason: string } }).failure.reason;
      }
    };
    expect(code("name,email\r\n")).toBe("unreadable");
    expect(code("BEGIN:VCARD\r\nVERSION:3.0\r\nEND:VCARD\r\n")).toBe("unreadable");
    expect(code("BEGIN:VCALENDAR\r\nVERSION:2.0\r\nEND:VCALENDAR\r\n")).toBe("nothing-in-it");
  });
});
