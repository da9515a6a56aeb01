import { describe, expect, it } from "vitest";
import { findLength, findMoment } from ".";

describe("a length in a text", () => {
  it.each([
    ["75 min", 75],
    ["it lasts 90 minutes", 90],
    ["1 h 30", 90],
    ["1h15min", 75],
    ["2 hours", 120],
    ["1.5 hours", 90],
    ["1,5 h", 90],
    ["hour and a half", 90],
    ["an hour and a half", 90],
    ["two and a half hours", 150],
    ["half an hour", 30],
    ["three quarters of an hour", 45],
    ["an hour", 60],
  ])("%s is %i minutes", (text, minutes) => expect(findLength(text)?.minutes).toBe(minutes));

  it.each(["", "an evening", "room 12", "at 18:30"])("%s names none", (text) => expect(findLength(text)).toBeNull());
});

describe("a moment in a text", () => {
  it.each([
    ["when: thursday, 14 january 2027 at 18:30 (london time), an hour and a half", "2027-01-14", "18:30"],
    ["we meet on 14 January from 7.30 pm", "2027-01-14", "19:30"],
    ["the evening of 14.1.2027, 19.30", "2027-01-14", "19:30"],
    ["14 January 2027", "2027-01-14", null],
  ])("%s", (text, day, clock) => expect(findMoment(text, "2026-11-25")).toMatchObject({ day, clock }));

  it("leaves the rest of the text, in which a zone may stand", () =>
    expect(findMoment("14 January 2027 at 18:30 (London time)", "2026-11-25")?.rest).toContain("(london time)"));
});
