import { describe, expect, it } from "vitest";
import { chaptersFile, chaptersOf, vttTime } from ".";

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

  it("keeps the syntax whatever the titles hold", () => {
    const text = chaptersFile([{ title: "a --> <b>\n\nc & d", startSeconds: 0, endSeconds: 1 }]);
    expect(text).toBe("WEBVTT\n\n1\n00:00:00.000 --> 00:00:01.000\na --&gt; &lt;b&gt; c &amp; d\n");
  });
});
