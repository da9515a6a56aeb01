import { describe, expect, it } from "vitest";
import { plainView } from "../changes";
import type { DeskView, HouseView } from "../views";
import { project, type RoomCommand, type RoomState } from "..";
import { asAttendee, figures, open, play, refusal, words, type Act, type Acted } from "../test-room";

const panelist: Act = { by: "t1", scene: { actor: { role: "panelist", duties: [] } } };
const attendee = asAttendee("a1");
const everybody = {
  ...figures,
  present: new Map([
    ["p", "stage"],
    ["t1", "stage"],
    ["a1", "house"],
  ] as const),
};
const both = play(
  open,
  [{ type: "stage.enter" }, panelist],
  [{ type: "stage.move", ticketId: "t1", place: "stage" }],
  [{ type: "stage.move", ticketId: "p", place: "stage" }],
  [{ type: "hour.raise-curtain" }],
);
const share = (overId: string | null): RoomCommand => ({ type: "stage.share-screen", overId });
const withFloor = (parts: ("sound" | "screen")[]): Acted[] => [
  [{ type: "floor.offer", ticketId: "a1", parts }],
  [{ type: "floor.accept" }, attendee],
];
const fromFloor: Acted = [{ type: "floor.share-screen", overId: null }, attendee];
const shared = (room: RoomState) =>
  Object.keys((plainView(project("stage:team", room, words, everybody)) as unknown as DeskView).screens);
const house = (room: RoomState) => plainView(project("stage:house", room, words, everybody)) as unknown as HouseView;
const kindOf = (room: RoomState) =>
  (plainView(project("scenes:house", room, words, everybody)) as unknown as HouseView).scene["it"]!.kind;

describe("a shared screen (room.md: stage, scenes; rule 19)", () => {
  it("is shared by whoever is on stage, and by nobody behind it", () => {
    expect(shared(play(both, [share(null), panelist]))).toEqual(["t1"]);
    const behind = play(open, [{ type: "stage.enter" }, panelist]);
    expect(refusal(behind, share(null), panelist)).toBe("not-allowed");
    expect(refusal(both, share(null), attendee)).toBe("not-allowed");
  });
  it("stands beside one other, a third takes a place; of two who take the same the second is told", () => {
    const two = play(both, [share(null), panelist], [share(null)]);
    expect(shared(two)).toEqual(["t1", "p"]);
    expect(refusal(two, share(null))).toBe("already-done");
    const third = play(two, ...withFloor(["sound", "screen"]));
    expect(refusal(third, fromFloor[0], attendee)).toBe("screens-full");
    const over = play(third, [{ type: "floor.share-screen", overId: "t1" }, attendee]);
    expect(shared(over)).toEqual(["p", "a1"]);
    expect(refusal(over, share("p"), panelist)).toBe("done");
    expect(refusal(play(over, [{ type: "stage.end-screen" }]), share("p"), panelist)).toBe("already-done");
  });
  it("of the audience needs the floor with it, accepted; it goes with the floor", () => {
    expect(refusal(both, fromFloor[0], attendee)).toBe("not-found");
    const offered = play(both, [{ type: "floor.offer", ticketId: "a1", parts: ["sound", "screen"] }]);
    expect(refusal(offered, fromFloor[0], attendee)).toBe("not-found");
    expect(refusal(play(both, ...withFloor(["sound"])), fromFloor[0], attendee)).toBe("not-found");
    const sharing = play(both, ...withFloor(["sound", "screen"]), fromFloor);
    expect(shared(sharing)).toEqual(["a1"]);
    expect(shared(play(sharing, [{ type: "floor.withdraw", ticketId: "a1" }]))).toEqual([]);
    expect(shared(play(sharing, [{ type: "floor.give-back" }, attendee]))).toEqual([]);
    expect(shared(play(sharing, [{ type: "hour.show-out", ticketId: "a1" }]))).toEqual([]);
  });
  it("goes with the floor alone: brought on stage one keeps it, and whoever shares nothing loses nothing", () => {
    const brought = play(both, ...withFloor(["sound", "screen"]), [{ type: "floor.bring-on-stage", ticketId: "a1" }]);
    expect(shared(play(brought, fromFloor))).toEqual(["a1"]);
    expect(refusal(play(both, ...withFloor(["sound"])), { type: "floor.withdraw", ticketId: "a1" })).toBe("done");
  });
  it("ends by its owner, by the desk, with the way off the stage, and with the hour", () => {
    const one = play(both, [share(null), panelist]);
    expect(shared(play(one, [{ type: "stage.end-screen" }, panelist]))).toEqual([]);
    expect(shared(play(one, [{ type: "stage.close-screen", ticketId: "t1" }]))).toEqual([]);
    expect(refusal(one, { type: "stage.close-screen", ticketId: "t1" }, panelist)).toBe("not-allowed");
    expect(refusal(one, { type: "stage.end-screen" })).toBe("already-done");
    expect(shared(play(one, [{ type: "stage.move", ticketId: "t1", place: "backstage" }]))).toEqual([]);
    expect(shared(play(one, [{ type: "hour.end" }]))).toEqual([]);
  });
  it("is seen where the scene would hide it, and leaves no empty picture behind", () => {
    const chosen = play(both, [{ type: "scenes.set", kind: "one", personIds: [], seen: 0 }]);
    const begun = play(chosen, [share(null), panelist]);
    expect(kindOf(begun)).toBeNull();
    const set = play(begun, [share(null)], [{ type: "scenes.set", kind: "screen", personIds: [], seen: 2 }]);
    expect(kindOf(play(set, [{ type: "stage.end-screen" }]))).toBe("screen");
    expect(kindOf(play(set, [{ type: "stage.end-screen" }], [{ type: "stage.end-screen" }, panelist]))).toBeNull();
  });
  it("is told as not there while its owner’s line is lost; behind the curtain nobody is named to the audience", () => {
    const one = play(both, [share(null), panelist]);
    const lost = { ...everybody, present: new Map([["p", "stage"]] as const) };
    const { screens } = plainView(project("stage:team", one, words, lost)) as unknown as DeskView;
    expect(screens).toEqual({ t1: { name: "STAGE-NAME", order: 0, isHere: false } });
    expect(house(one).screens).toEqual({ t1: { name: "STAGE-NAME", order: 0, isHere: true } });
    const dropped = play(one, [{ type: "hour.drop-curtain", moves: 1 } as never]);
    expect(house(dropped).screens).toEqual({ t1: { name: "", order: 0, isHere: true } });
  });
});
