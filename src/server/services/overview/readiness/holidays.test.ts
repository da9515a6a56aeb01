import { describe, expect, it } from "vitest";
import { holidayOn } from "./holidays";

// days from the countries' own laws: Portugal's Código do Trabalho art. 234, Norway's law on 1 and 17 May of 1947;
// Easter Sunday 2027 is 28 March (Meeus, Astronomical Algorithms, ch. 8), from memory
describe("the public holiday of a zone's country on a local day", () => {
  it.each([
    ["Europe/Lisbon", "2026-04-25T10:00", true],
    ["Europe/Lisbon", "2026-12-01T10:00", true],
    ["Europe/Lisbon", "2026-05-17T10:00", false],
    ["Europe/Oslo", "2026-05-17T09:00", true],
    ["Europe/Oslo", "2026-04-25T09:00", false],
    ["Europe/Oslo", "2027-03-29T09:00", true],
    ["Europe/Lisbon", "2027-03-29T09:00", false],
  ])("%s, %s: %s", (zone, local, isOne) => {
    expect(holidayOn(zone, local) !== null).toBe(isOne);
  });
  it("is the same however often, and in whatever order, it is asked", () => {
    const first = holidayOn("Europe/Lisbon", "2026-12-25T10:00");
    holidayOn("Europe/Oslo", "2026-12-25T10:00");
    holidayOn("Europe/Lisbon", "2027-12-25T10:00");
    expect(first).not.toBeNull();
    expect(holidayOn("Europe/Lisbon", "2026-12-25T23:30")).toBe(first);
  });
  it("is none for a zone that is no country's", () => {
    expect(holidayOn("Etc/UTC", "2026-12-25T10:00")).toBeNull();
  });
});
