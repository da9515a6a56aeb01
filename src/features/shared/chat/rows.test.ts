import { describe, expect, it } from "vitest";
import { change, earlier, follow, lines, noFeeds, snapshot } from "../room-link/feeds";
import { earlierOf, linesOf, pieces, withOwn } from "./rows";

const row = (id: string, seq: number, rev: number, text: string | null, at = seq) => ({
  id,
  seq,
  rev,
  row:
    text === null
      ? null
      : {
          authorId: "a",
          name: "Ines",
          role: "attendee",
          text,
          at,
          to: "all",
          withId: null,
          withName: null,
          isQuestion: false,
        },
});
const topic = "chat:house";
const shown = (feeds: typeof noFeeds) => linesOf(feeds.logs.get(topic)).map((line) => line.text);

describe("a log feed on a screen", () => {
  const begun = lines(noFeeds, { topic, head: 2, rows: [row("x", 1, 1, "one"), row("y", 2, 2, "two")] });
  it("takes a page of earlier rows in front, keeps it when more come, and knows when there is nothing before", () => {
    const late = Array.from({ length: 500 }, (_, i) => row(`n${i}`, 1000 + i, 1000 + i, `late ${i}`));
    const full = lines(noFeeds, { topic, head: 1499, rows: late });
    const asked: string[] = [];
    const room = { logs: full.logs, readEarlier: async (which: string) => void asked.push(which) };
    void earlierOf(room, topic)?.();
    expect(asked).toEqual([topic]);
    const page = Array.from({ length: 100 }, (_, i) => row(`e${i}`, 900 + i, 900 + i, `early ${i}`));
    const read = earlier(full, topic, { rows: [...page, late[0]!], isWhole: false });
    expect(shown(read).slice(0, 1).concat(shown(read).slice(99, 101))).toEqual(["early 0", "early 99", "late 0"]);
    const grown = lines(read, { topic, head: 1500, rows: [row("z", 1500, 1500, "newest")] });
    expect([shown(grown).length, shown(grown)[0], shown(grown).at(-1)]).toEqual([600, "early 1", "newest"]);
    const whole = earlier(grown, topic, { rows: [], isWhole: true });
    expect(earlierOf({ ...room, logs: whole.logs }, topic)).toBeUndefined();
    // a short talk was given whole on joining
    expect(earlierOf({ ...room, logs: begun.logs }, topic)).toBeUndefined();
  });
  it("keeps the order of arrival, whatever the order of changes; a row twice is one row", () => {
    const next = lines(begun, {
      topic,
      head: 4,
      rows: [row("z", 3, 3, "three"), row("x", 1, 4, "one, as a question")],
    });
    expect(shown(next)).toEqual(["one, as a question", "two", "three"]);
    expect(shown(lines(next, { topic, head: 4, rows: [row("z", 3, 3, "three")] }))).toHaveLength(3);
  });
  it("lets a taken away line go without a trace", () => {
    expect(shown(lines(begun, { topic, head: 3, rows: [row("x", 1, 3, null)] }))).toEqual(["two"]);
  });
  it("is forgotten with the place that showed it", () => {
    const away = follow(begun, { topics: ["hour:foyer"], now: 0, connectionId: "c" });
    expect(away.logs.size).toBe(0);
  });
});

describe("view feeds on a screen", () => {
  it("make one picture once each has come, and none of what is no longer followed", () => {
    const start = follow(noFeeds, { topics: ["hour:house", "cues:house", topic], now: 0, connectionId: "c" });
    const half = snapshot(start, {
      topic: "hour:house",
      epoch: "e",
      n: 3,
      view: { status: { it: { phase: "open" } } },
    });
    expect(half.view).toBeNull();
    const whole = snapshot(half, { topic: "cues:house", epoch: "e", n: 0, view: { cue: {} } });
    expect(whole.view).toEqual({ status: { it: { phase: "open" } }, cue: {} });
    const stale = change(whole, { topic: "hour:house", n: 3, changes: [["status", "it", null]] });
    expect(stale).toBe(whole);
    const next = change(whole, { topic: "hour:house", n: 4, changes: [["status", "it", { phase: "ended" }]] });
    expect(next.view).toMatchObject({ status: { it: { phase: "ended" } } });
    expect(follow(next, { topics: ["hour:foyer"], now: 0, connectionId: "c" }).view).toBeNull();
  });
});

describe("lines as a person sees them", () => {
  const log = { head: 2, isWhole: false, rows: [row("x", 1, 1, "one", 10), row("y", 2, 2, "two", 30)] };
  it("has their own held lines and notes among those of the house, by time", () => {
    const own = [
      { id: "h", text: "mine, held", at: 20, isMine: true, state: "held" as const },
      { id: "n", text: "from the team", at: 40, isMine: false, state: "note" as const },
      { id: "x", text: "one", at: 10, isMine: true, state: "held" as const },
    ];
    const all = withOwn(linesOf(log), own, { ticketId: "me", name: "Me" });
    expect(all.map((line) => [line.text, line.isHeld, line.to])).toEqual([
      ["one", false, "all"],
      ["mine, held", true, "all"],
      ["two", false, "all"],
      ["from the team", false, "note"],
    ]);
  });
  it("opens addresses of stage people, and leaves those of the audience words", () => {
    const text = "See https://tides.example.org/table?x=1. And javascript:alert(1)";
    expect(pieces(text, true)).toEqual([
      { text: "See ", href: null },
      { text: "https://tides.example.org/table?x=1", href: "https://tides.example.org/table?x=1" },
      { text: ". And javascript:alert(1)", href: null },
    ]);
    expect(pieces(text, false)).toEqual([{ text, href: null }]);
  });
});
