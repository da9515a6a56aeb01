import { describe, expect, it } from "vitest";
import { mayTell, noFigures, ownOf, project, type DeskView, type Standing } from "../index";
import { asAttendee, open, play, refusal, words } from "../test-room";

const ask = { type: "help.ask" } as const;
const take = { type: "help.take", ticketId: "a1" } as const;
const asked = play(open, [ask, asAttendee("a1")]);
const helped = play(asked, [take]);
const standing = (ticketId: string): Standing => ({
  ticketId,
  role: "attendee",
  duties: [],
  place: "house",
  isAtDesk: false,
});
const items = (room: typeof open) =>
  (project("help:desk", room, words, noFigures) as unknown as { helped: DeskView["helped"] }).helped;

describe("helping somebody", () => {
  it("begins by an act of theirs, and is taken by one of the team", () => {
    expect(items(asked)).toMatchObject({ a1: { name: "ASKER-NAME", helperId: null } });
    expect(ownOf(asked, "a1")["help"]).toEqual({ helperId: null });
    expect(items(helped)).toMatchObject({ a1: { helperId: "p", helperName: "PRODUCER-NAME" } });
    expect(ownOf(helped, "a1")["help"]).toEqual({ helperId: "p" });
    expect(ownOf(helped, "x1")["help"]).toBeUndefined();
    expect(refusal(asked, ask, asAttendee("a1"))).toBe("already-done");
    expect(refusal(helped, take, { by: "p2" })).toBe("already-done");
    expect(refusal(asked, take, asAttendee("x1"))).toBe("not-allowed");
  });
  it("is ended at once by either, and by nobody else", () => {
    expect(items(play(helped, [{ type: "help.end" }, asAttendee("a1")]))).toEqual({});
    expect(items(play(helped, [{ type: "help.close", ticketId: "a1" }]))).toEqual({});
    expect(refusal(helped, { type: "help.close", ticketId: "a1" }, { by: "p2" })).toBe("already-done");
    expect(refusal(helped, { type: "help.end" }, asAttendee("x1"))).toBe("already-done");
    expect(items(play(helped, [{ type: "hour.show-out", ticketId: "a1" }]))).toEqual({});
    expect(items(play(helped, [{ type: "hour.end" }]))).toEqual({});
  });
  it("speaks between the two alone, while it lasts", () => {
    const pairs = (room: typeof open) =>
      (["help.sight", "help.offer", "help.answer"] as const).map((type) =>
        (
          [
            ["a1", "p"],
            ["p", "a1"],
            ["x1", "p"],
            ["a1", "p2"],
          ] as const
        ).map(([from, to]) => mayTell(room, type, standing(from), standing(to))),
      );
    expect(pairs(helped)).toEqual([
      [true, false, false, false],
      [false, true, false, false],
      [true, false, false, false],
    ]);
    expect(pairs(asked).flat()).not.toContain(true);
    expect(mayTell(helped, "floor.level", standing("a1"), standing("p"))).toBe(false);
  });
  it("ends for whoever waits, too, and begins anew", () => {
    const again = play(asked, [{ type: "help.end" }, asAttendee("a1")], [ask, asAttendee("a1")]);
    expect(items(again)).toMatchObject({ a1: { helperId: null } });
  });
});
