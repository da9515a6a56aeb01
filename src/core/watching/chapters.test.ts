import { describe, expect, it } from "vitest";
import { chaptersFile, chaptersOf, clockedChapters, vttTime } from ".";

describe("chapters as WebVTT (W3C)", () => {
  it("writes time stamps with hours and milliseconds", () => {
    expect([vttTime(0), vttTime(65.25), vttTime(3661.0015)]).toEqual(["00:00:00.000", "00:01:05.250", "01:01:01.002"]);
  });

  it("maps segments to the recording's own clock and clips them", () => {
    const at = (minutes: number) => 1_000_000 + minutes * 60_000;
    const played = [
      { title: "Before", startAt: at(-5), endAt: at(0) },
      { title: "A", startAt: at(-1), endAt: at(2) },
      { title: "B", startAt: at(2), endAt: at(9) },
    ];
    expect(chaptersOf(played, at(0), 300)).toEqual([
      { title: "A", startSeconds: 0, endSeconds: 120 },
      { title: "B", startSeconds: 120, endSeconds: 300 },
    ]);
  });

  it("follows rule 25's clock where the room recorded itself: pauses are not in it, short ones go into the next", () => {
    const at = (clock: string) => Date.parse(`2026-11-26T${clock}:00Z`);
    const spans = [
      { from: at("18:02"), to: at("18:20") },
      { from: at("18:25"), to: at("19:00") },
    ];
    const played = [
      { title: "Welcome", startAt: at("18:00"), endAt: at("18:22") },
      { title: "In the pause", startAt: at("18:22"), endAt: at("18:24") },
      { title: "The count", startAt: at("18:24"), endAt: at("19:05") },
    ];
    expect(clockedChapters(played, spans, 3180)).toEqual([
      { title: "Welcome", startSeconds: 0, endSeconds: 1080 },
      { title: "The count", startSeconds: 1080, endSeconds: 3180 },
    ]);
  });

  it("keeps the syntax whatever the titles hold", () => {
    const text = chaptersFile([{ title: "a --> <b>\n\nc & d", startSeconds: 0, endSeconds: 1 }]);
    expect(text).toBe("WEBVTT\n\n1\n00:00:00.000 --> 00:00:01.000\na --&gt; &lt;b&gt; c &amp; d\n");
  });
});
