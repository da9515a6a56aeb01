import { describe, expect, it } from "vitest";
import { plainView } from "../changes";
import type { DeskView, HouseView } from "../views";
import { concernedOf, emptyRoom, foldAll, ownOf, project, type JournalEntry, type RoomState } from "..";
import { asAttendee, at, figures, open, play, refusal, words, type Acted } from "../test-room";
import { floorRecord, handCounts } from ".";

const second = 1000;
const minute = 60_000;
const raise = (by: string, seconds = 0): Acted => [
  { type: "floor.raise-hand" },
  { ...asAttendee(by), at: at + seconds * second },
];
const byGuest = (type: "floor.lower-hand" | "floor.accept" | "floor.give-back", by: string): Acted => [
  { type },
  asAttendee(by),
];
const offer = (ticketId: string): Acted => [{ type: "floor.offer", ticketId, parts: ["sound"] }];
const microphone = (by: string, isOpen: boolean): Acted => [{ type: "floor.set-microphone", isOpen }, asAttendee(by)];
const desk = (room: RoomState) => plainView(project("floor:team", room, words, figures)) as unknown as DeskView;
const house = (room: RoomState) => plainView(project("floor:house", room, words, figures)) as unknown as HouseView;
const handIds = (room: RoomState) => Object.keys(desk(room).hands);

describe("hands (rule 19)", () => {
  it("are ordered by when they were raised; lowered and raised again goes to the end", () => {
    const three = play(open, raise("a1", 1), raise("a2", 2), raise("a3", 3));
    expect(handIds(three)).toEqual(["a1", "a2", "a3"]);
    const again = play(three, byGuest("floor.lower-hand", "a1"), raise("a1", 9));
    expect(handIds(again)).toEqual(["a2", "a3", "a1"]);
  });
  it("go down by their owner, by the desk, with being shown out, and all of them with the end", () => {
    const two = play(open, raise("a1"), raise("a2", 1));
    expect(handIds(play(two, byGuest("floor.lower-hand", "a1")))).toEqual(["a2"]);
    expect(handIds(play(two, [{ type: "floor.lower-for", ticketId: "a2" }]))).toEqual(["a1"]);
    expect(handIds(play(two, [{ type: "hour.show-out", ticketId: "a1" }]))).toEqual(["a2"]);
    expect(handIds(play(two, [{ type: "hour.end" }]))).toEqual([]);
  });
  it("cannot be raised twice, nor by the stage, nor where the switch is off; the house never sees whose are up", () => {
    const one = play(open, raise("a1"));
    expect(refusal(one, { type: "floor.raise-hand" }, asAttendee("a1"))).toBe("already-done");
    expect(refusal(one, { type: "floor.raise-hand" })).toBe("not-allowed");
    const off = play(one, [
      { type: "hour.set-switch", set: { name: "hands", value: { on: false } }, seen: { on: true } },
    ]);
    expect(refusal(off, { type: "floor.raise-hand" }, asAttendee("a2"))).toBe("switched-off");
    const up = play(one, [{ type: "hour.raise-curtain" }]);
    expect(JSON.stringify(house(up))).not.toContain("a1");
  });
});

describe("the floor (rule 19)", () => {
  const offered = play(open, [{ type: "hour.raise-curtain" }], raise("a1"), offer("a1"));

  it("is offered, not on: the microphone opens by its holder's own act alone, after accepting", () => {
    expect(refusal(offered, { type: "floor.set-microphone", isOpen: true }, asAttendee("a1"))).toBe("not-found");
    expect(refusal(offered, { type: "floor.accept" }, asAttendee("a2"))).toBe("not-found");
    const accepted = play(offered, byGuest("floor.accept", "a1"));
    expect(house(accepted).heard).toEqual({});
    expect(house(play(accepted, microphone("a1", true))).heard).toEqual({ a1: { name: "ASKER-NAME" } });
  });
  it("is no longer heard once the curtain falls", () => {
    const heard = play(offered, byGuest("floor.accept", "a1"), microphone("a1", true), [{ type: "hour.drop-curtain" }]);
    expect(house(heard).heard).toEqual({});
  });
  it("takes the hand down when it is given back; an offer taken back before that leaves the hand in its place", () => {
    const back = play(offered, byGuest("floor.accept", "a1"), byGuest("floor.give-back", "a1"));
    expect([handIds(back), desk(back).floor]).toEqual([[], {}]);
    const withdrawn = play(offered, [{ type: "floor.withdraw", ticketId: "a1" }]);
    expect(handIds(withdrawn)).toEqual(["a1"]);
    const declined = play(offered, byGuest("floor.give-back", "a1"));
    expect(handIds(declined)).toEqual([]);
  });
  it("is held by at most three at once, and by nobody of the stage or shown out", () => {
    const three = play(open, offer("a1"), offer("a2"), offer("a3"));
    expect(refusal(three, offer("a4")[0])).toBe("floor-full");
    expect(refusal(open, offer("t1")[0])).toBe("not-found");
    expect(refusal(play(open, [{ type: "hour.show-out", ticketId: "a1" }]), offer("a1")[0])).toBe("not-found");
  });
  it("may be everyone's: whoever wants opens their own microphone, and one act takes it all back", () => {
    const all = play(open, [{ type: "hour.raise-curtain" }], offer("a1"), [{ type: "floor.let-everyone-speak" }]);
    const speaking = play(all, microphone("a2", true), microphone("a3", true));
    expect(Object.keys(house(speaking).heard)).toEqual(["a2", "a3"]);
    const over = play(speaking, [{ type: "floor.end-everyone" }]);
    expect(Object.keys(desk(over).floor)).toEqual(["a1"]);
    expect(refusal(over, { type: "floor.set-microphone", isOpen: true }, asAttendee("a2"))).toBe("not-found");
  });
  it("is given for themselves to somebody who speaks as everyone may: they go on speaking, and keep it", () => {
    const speaking = play(open, [{ type: "floor.let-everyone-speak" }], microphone("a2", true));
    const given = play(speaking, offer("a2"));
    expect(desk(given).floor["a2"]).toMatchObject({ hasAccepted: true, isMicrophoneOpen: true, isOfEveryone: false });
    expect(Object.keys(desk(play(given, [{ type: "floor.end-everyone" }])).floor)).toEqual(["a2"]);
    expect(refusal(given, offer("a2")[0])).toBe("already-done");
  });
  it("may become a place on stage: among the cast once they took it up, beyond the three, and back to the house", () => {
    const three = play(open, [{ type: "hour.raise-curtain" }], offer("a1"), offer("a2"), offer("a3"));
    const brought = play(three, [{ type: "floor.bring-on-stage", ticketId: "a4" }]);
    expect(house(brought).guests).toEqual({});
    expect(ownOf(brought, "a4")["floor"]).toMatchObject({ isOnStage: true, parts: ["sound", "picture"] });
    const there = play(brought, byGuest("floor.accept", "a4"));
    expect(Object.keys(house(there).guests)).toEqual(["a4"]);
    expect(house(play(there, [{ type: "hour.drop-curtain" }])).guests).toEqual({});
    expect(house(play(there, [{ type: "floor.withdraw", ticketId: "a4" }])).guests).toEqual({});
    // one of the three went on stage: another may have the floor
    const freed = play(three, [{ type: "floor.bring-on-stage", ticketId: "a1" }], offer("a5"));
    expect(Object.keys(desk(freed).floor).sort()).toEqual(["a1", "a2", "a3", "a5"]);
    expect(refusal(open, { type: "floor.bring-on-stage", ticketId: "t1" })).toBe("not-found");
  });
  it("is each one's own matter: only those whose part changed hear of it", () => {
    const next = play(offered, byGuest("floor.accept", "a1"));
    expect(concernedOf(offered, next)).toEqual(["a1"]);
    expect(ownOf(next, "a1")["floor"]).toMatchObject({ parts: ["sound"], hasAccepted: true, isMicrophoneOpen: false });
    expect(ownOf(next, "a2")["floor"]).toEqual({
      handAt: null,
      parts: null,
      hasAccepted: false,
      isMicrophoneOpen: false,
      isOnStage: false,
    });
  });
});

describe("the record of the floor", () => {
  const entry = (minutes: number, body: JournalEntry["body"]): JournalEntry => ({
    seq: 0,
    at: at + minutes * minute,
    actorId: "p",
    body,
  });
  const rows = [
    entry(0, { type: "floor.hand-raised", ticketId: "a1" }),
    entry(1, { type: "floor.offered", ticketId: "a1", parts: ["sound"] }),
    entry(2, { type: "floor.accepted", ticketId: "a1" }),
    entry(2, { type: "floor.microphone-set", ticketId: "a1", isOpen: true }),
    entry(5, { type: "floor.microphone-set", ticketId: "a1", isOpen: false }),
    entry(6, { type: "floor.microphone-set", ticketId: "a1", isOpen: true }),
    entry(7, { type: "floor.ended", ticketId: "a1", why: "holder" }),
    entry(8, { type: "floor.hand-raised", ticketId: "a1" }),
    entry(8, { type: "floor.offered", ticketId: "a2", parts: ["sound", "screen"] }),
    entry(9, { type: "floor.ended", ticketId: "a2", why: "desk" }),
    entry(10, { type: "floor.everyone-let-speak" }),
    entry(10, { type: "floor.microphone-set", ticketId: "a3", isOpen: true }),
    entry(13, { type: "floor.everyone-ended" }),
    entry(14, { type: "floor.offered", ticketId: "a1", parts: ["sound"] }),
    entry(14, { type: "floor.accepted", ticketId: "a1" }),
    entry(14, { type: "floor.microphone-set", ticketId: "a1", isOpen: true }),
    entry(16, { type: "hour.ended", curtainFellAt: null }),
  ];

  it("has each turn with its open time, computed by hand from the rows", () => {
    const turn = (ticketId: string, offered: number, accepted: number | null, ended: number, open: number) => ({
      ticketId,
      offeredAt: at + offered * minute,
      acceptedAt: accepted === null ? null : at + accepted * minute,
      endedAt: at + ended * minute,
      openMs: open * minute,
    });
    expect(floorRecord(rows)).toEqual([
      // open 2–5 and 6–7
      turn("a1", 1, 2, 7, 4),
      turn("a2", 8, null, 9, 0),
      turn("a3", 10, 10, 13, 3),
      // the end of the date ends it
      turn("a1", 14, 14, 16, 2),
    ]);
  });
  it("is one turn of somebody who spoke as everyone might and was given it for themselves", () => {
    const given = [
      entry(10, { type: "floor.everyone-let-speak" }),
      entry(10, { type: "floor.microphone-set", ticketId: "a3", isOpen: true }),
      entry(12, { type: "floor.offered", ticketId: "a3", parts: ["sound"] }),
      entry(13, { type: "floor.everyone-ended" }),
      entry(15, { type: "floor.ended", ticketId: "a3", why: "desk" }),
    ];
    expect(floorRecord(given).map(({ openMs, endedAt }) => [openMs, endedAt])).toEqual([
      [5 * minute, at + 15 * minute],
    ]);
  });
  it("counts how often each raised a hand", () => {
    expect([...handCounts(rows)]).toEqual([["a1", 2]]);
  });
  it("says of a room that is still on who has the floor now", () => {
    const [running] = floorRecord(rows.slice(0, 4));
    expect(running).toMatchObject({ ticketId: "a1", endedAt: null });
    expect(foldAll(emptyRoom, rows).floor.holders.size).toBe(0);
  });
});
