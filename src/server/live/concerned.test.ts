import { describe, expect, it } from "vitest";
import { asAttendee, open, play, type Acted } from "@/core/room/test-room";
import { emptyRoom, foldAll, type EntryBody } from "@/core/room";
import { actingCapabilities, concerned, isDoorOther } from "./concerned";

const after = (...acts: Acted[]) => play(open, ...acts);
const set = (on: boolean): Acted => [
  { type: "hour.set-switch", set: { name: "door", value: { on } }, seen: { on: !on } },
];
const rows = (...bodies: EntryBody[]) => bodies.map((body, i) => ({ seq: i + 1, at: 0, actorId: "p", body }));

describe("whose own part is told anew", () => {
  it("who was let in, whose place on stage changed, whose question it is, whose hand", () => {
    expect([...concerned(open, after([{ type: "hour.let-in", ticketIds: ["a1", "a2"] }]))].sort()).toEqual([
      "a1",
      "a2",
    ]);
    const asked = after([{ type: "questions.ask", questionId: "q1", segmentId: null }, asAttendee("a1")]);
    expect([...concerned(open, asked)]).toEqual(["a1"]);
    expect([...concerned(open, after([{ type: "floor.raise-hand" }, asAttendee("a3")]))]).toEqual(["a3"]);
    expect([...concerned(open, after([{ type: "stage.move", ticketId: "t1", place: "stage" }]))]).toEqual(["t1"]);
    expect([...concerned(open, open)]).toEqual([]);
  });
  it("everybody in the foyer, when the door is another one", () => {
    const called = play(emptyRoom, [{ type: "stage.enter" }]);
    expect(isDoorOther(called, play(called, [{ type: "hour.open-doors" }]))).toBe(true);
    expect(isDoorOther(open, after([{ type: "hour.hold-doors" }]))).toBe(true);
    expect(isDoorOther(open, after(set(true)))).toBe(true);
    expect(isDoorOther(after(set(true)), after(set(true), set(false)))).toBe(true);
    expect(isDoorOther(open, after([{ type: "hour.raise-curtain" }]))).toBe(false);
    expect(isDoorOther(open, after([{ type: "floor.let-everyone-speak" }]))).toBe(false);
  });
});

describe("whose feeds an act shows at once", () => {
  it("its own capability's, and with what it causes elsewhere that one's; the hour's are everybody's", () => {
    const hand = rows({ type: "floor.hand-raised", ticketId: "a1" });
    expect([...actingCapabilities(hand)!]).toEqual(["floor"]);
    const cued = rows(
      { type: "cues.given", segmentId: "s1" },
      { type: "floor.hand-lowered", ticketId: "a1", why: "segment" },
    );
    expect([...actingCapabilities(cued)!]).toEqual(["cues", "floor"]);
    expect(actingCapabilities(rows({ type: "hour.curtain-raised" }))).toBeUndefined();
    expect(foldAll(emptyRoom, cued).seq).toBe(2);
  });
});
