import { describe, expect, it } from "vitest";
import { checkNames, isMendable, mendableChecks } from "@/core/readiness";
import { findingWords, hasMend, mendable, mendedWords, severityWords } from "./readiness-words";

const facts = {
  count: 3,
  minutes: 12,
  title: "Welcome",
  question: "Have you been here before?",
  hours: 24,
  shortest: 6,
  local: "2027-03-28T02:30",
  name: "Leira Quill",
  houseSize: 250,
  size: 100,
  percent: 40,
  peak: 260,
  enough: 100,
  zone: "Europe/Lisbon",
  holiday: "Restoration of Independence",
  languages: "es",
  clock: "03:00",
  from: "08:00",
  until: "21:00",
  limit: 900,
  attendeeKbps: 1024,
  stageSendKbps: 1184,
  wanted: 600,
  most: 480,
};
const finding = (check: (typeof checkNames)[number], given: Record<string, string | number> = facts) =>
  ({ check, severity: "worth-a-look", byAt: 0, place: "plan", field: "title", facts: given }) as const;

describe("what readiness says", () => {
  it.each(checkNames)("of %s is a sentence and an act, with no hole and no code in it", (check) => {
    const { missing, mend } = findingWords(finding(check));
    expect(missing).toMatch(/^[“A-Z0-9].*\.$/);
    expect(mend).toMatch(/^[A-Z].*[a-z]$/);
    for (const words of [missing, mend]) expect(words).not.toMatch(/undefined|NaN|null|\$\{|\d{4}-\d\d|Invalid/);
  });

  it("of an hour and a place reads as people say them, not as they are kept", () => {
    const missing = (check: (typeof checkNames)[number]) => findingWords(finding(check)).missing;
    expect(missing("start-in-skipped-hour")).toContain("Sun 28 Mar 2027, 02:30");
    expect(missing("start-in-repeated-hour")).toContain("Sun 28 Mar 2027, 02:30");
    expect(missing("series-crosses-clock-change")).toMatch(/^The clocks of Lisbon change/);
  });

  it("of one and of several reads right", () => {
    const missing = (check: (typeof checkNames)[number], count: number) =>
      findingWords(finding(check, { ...facts, count })).missing;
    expect(missing("panelist-not-invited", 1)).toBe("1 person of the stage never got the invitation.");
    expect(missing("panelist-not-invited", 2)).toBe("2 people of the stage never got the invitation.");
    expect(missing("segment-without-leader", 1)).toBe("1 segment has nobody to lead, “Welcome” first.");
    expect(missing("nobody-confirmed", 1)).toBe("The one invited panelist has not said yes.");
    expect(findingWords(finding("licence-missing", { houseSize: 250, size: 0 })).missing).toBe(
      "The date has no seat licence for its 250 seats.",
    );
    expect(findingWords(finding("heavy-picture", { attendeeKbps: 1024, stageSendKbps: 0 })).missing).toBe(
      "The picture needs 1.0 Mbit/s of each attendee.",
    );
  });

  it("of an act that mends: what it will do, and what it did", () => {
    for (const check of mendableChecks) {
      expect(isMendable(check)).toBe(true);
      expect(mendable[check]).toMatch(/^[A-Z]/);
      expect(mendedWords({ check, facts })).toMatch(/^[“A-Z].*\.$/);
    }
    expect(isMendable("run-sheet-empty")).toBe(false);
    expect(mendedWords({ check: "panelist-not-invited", facts: { count: 2 } })).toBe("Sent to 2.");
    // nobody is left to be given the duty
    expect([hasMend(finding("doors-held-by-one", { crewToAsk: 0 })), hasMend(finding("not-published"))]).toEqual([
      false,
      true,
    ]);
    expect(Object.values(severityWords)).toHaveLength(3);
  });
});
