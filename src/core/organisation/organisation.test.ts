import { describe, expect, it } from "vitest";
import { bandwidthOf, brokenLimits, isWelcome, newlyBrokenLimits, pictures, rulesWithGrant, standardRules } from ".";

describe("house rules", () => {
  it("name every limit that a plan goes beyond, with what was wanted and what is allowed", () => {
    expect(brokenLimits(standardRules, { durationMinutes: 60, houseSize: 1000, onStage: 3 })).toEqual([]);
    expect(brokenLimits(standardRules, { durationMinutes: 600, houseSize: 1001, onStage: 3 })).toEqual([
      { limit: "length", wanted: 600, most: 480 },
      { limit: "house", wanted: 1001, most: 1000 },
    ]);
  });

  it("take what was granted an event as its own limit, and let stay what stood before", () => {
    const plan = { durationMinutes: 60, houseSize: 1500, onStage: 3 };
    expect(brokenLimits(rulesWithGrant(standardRules, 1500), plan)).toEqual([]);
    expect(brokenLimits(rulesWithGrant(standardRules, null), plan)).toHaveLength(1);
    const before = { durationMinutes: 600, houseSize: 1500, onStage: 3 };
    expect(newlyBrokenLimits(standardRules, { ...before, houseSize: 1400 }, before)).toEqual([]);
    expect(newlyBrokenLimits(standardRules, { ...before, durationMinutes: 601 }, before)).toEqual([
      { limit: "length", wanted: 601, most: 480 },
    ]);
  });

  it("keep guests from outside out by domain, subdomains within", () => {
    const closed = { guestsFromOutside: false, ownDomains: ["brinewold.example.org"] };
    expect(
      ["a@brinewold.example.org", "b@crew.brinewold.example.org", "c@notbrinewold.example.org", "d@example.com"].map(
        (one) => isWelcome(closed, one),
      ),
    ).toEqual([true, true, false, false]);
    expect(isWelcome({ ...closed, guestsFromOutside: true }, "d@example.com")).toBe(true);
  });
});

describe("bandwidth", () => {
  it("adds sound and overhead to the programme, and grows with the stage and the house", () => {
    // 540 lines: 900 + 48 kbit/s, 8 % on top
    expect(bandwidthOf({ picture: "one-speaker-540", houseSize: 250, onStage: 3 })).toEqual({
      attendeeKbps: 1024,
      stageSendKbps: 1184,
      houseKbps: 256_000,
      heavy: [],
    });
    expect(bandwidthOf({ picture: "one-speaker-720", houseSize: 1000, onStage: 5 }).heavy).toEqual([
      "attendee",
      "stage",
      "house",
    ]);
    expect(bandwidthOf({ picture: "cards", houseSize: 100, onStage: 1 })).toMatchObject({
      stageSendKbps: 0,
      heavy: [],
    });
  });

  it("never falls with a larger house or stage", () => {
    for (const picture of pictures) {
      const small = bandwidthOf({ picture, houseSize: 100, onStage: 2 });
      const large = bandwidthOf({ picture, houseSize: 200, onStage: 4 });
      expect(large.houseKbps).toBeGreaterThan(small.houseKbps);
      expect(large.stageSendKbps).toBeGreaterThanOrEqual(small.stageSendKbps);
    }
  });
});
