import { describe, expect, it } from "vitest";
import { durationWords, instantOf, isLocalDateTime, isZone, kindOfWallTime, twoZoneTime, wallTimeAt } from ".";

const iso = (local: string, zone: string) => new Date(instantOf({ local, zone })).toISOString().slice(0, 16) + "Z";

describe("rule 1: wall times", () => {
  it.each([
    // rules.md
    ["2027-03-28T02:30", "Europe/Madrid", "2027-03-28T01:30Z", "gap"],
    ["2027-10-31T02:30", "Europe/Madrid", "2027-10-31T00:30Z", "fold"],
    // IANA zone database, read by hand: rules of US, EU, Adelaide, Lord Howe (half an hour), Chile, and zones without a change
    ["2027-03-14T02:30", "America/New_York", "2027-03-14T07:30Z", "gap"],
    ["2027-11-07T01:30", "America/New_York", "2027-11-07T05:30Z", "fold"],
    ["2027-10-03T02:15", "Australia/Lord_Howe", "2027-10-02T15:45Z", "gap"],
    ["2027-04-04T01:45", "Australia/Lord_Howe", "2027-04-03T14:45Z", "fold"],
    ["2027-10-03T02:30", "Australia/Adelaide", "2027-10-02T17:00Z", "gap"],
    ["2027-07-01T12:00", "Africa/Accra", "2027-07-01T12:00Z", "plain"],
    ["2027-07-01T12:00", "Asia/Kathmandu", "2027-07-01T06:15Z", "plain"],
  ])("%s in %s is %s (%s)", (local, zone, expected, kind) => {
    expect(iso(local, zone)).toBe(expected);
    expect(kindOfWallTime({ local, zone })).toBe(kind);
  });

  it("shows a skipped hour shifted", () => {
    const at = instantOf({ local: "2027-03-28T02:30", zone: "Europe/Madrid" });
    expect(wallTimeAt(at, "Europe/Madrid").local).toBe("2027-03-28T03:30");
  });

  it("shows the reader's hour first, the event's beside it, days only where they differ", () => {
    const at = instantOf({ local: "2026-11-26T19:00", zone: "America/New_York" });
    expect(twoZoneTime(at, "Europe/Madrid", "America/New_York")).toEqual({
      reader: "Fri 01:00",
      event: "Thu 19:00 in New York",
    });
    expect(twoZoneTime(at, "America/Chicago", "America/New_York")).toEqual({
      reader: "18:00",
      event: "19:00 in New York",
    });
    expect(twoZoneTime(at, "America/New_York", "America/New_York")).toEqual({ reader: "19:00", event: null });
  });

  it("refuses what is no zone and no date", () => {
    expect([isZone("Europe/Lisbon"), isZone("Mars/Base"), isZone("+02:00")]).toEqual([true, false, false]);
    expect([
      isLocalDateTime("2027-02-29T10:00"),
      isLocalDateTime("2028-02-29T10:00"),
      isLocalDateTime("tomorrow"),
    ]).toEqual([false, true, false]);
    expect([durationWords(45), durationWords(65), durationWords(120)]).toEqual(["45 min", "1 h 05 min", "2 h"]);
  });
});
