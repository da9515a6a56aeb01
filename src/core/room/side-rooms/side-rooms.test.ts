import { describe, expect, it } from "vitest";
import {
  areSidesOpen,
  noFigures,
  ownOf,
  project,
  sideRoomNameNote,
  sideRoomOf,
  sideRoomsMessageNote,
  sideStays,
  standingOf,
  topicsOf,
  type RoomDirectory,
} from "../index";
import { asAttendee, at, open, play, refusal, words, type Act } from "../test-room";

const later = (ms: number, act: Act = {}): Act => ({ at: at + ms, ...act });
const of = (by: string, ms = 0): Act => ({ ...asAttendee(by), at: at + ms });
const place = (...places: [string, number | null][]) => ({ type: "sideRooms.place", places }) as const;
const made = play(open, [{ type: "sideRooms.make", count: 3 }], [place(["a", 1], ["b", 2], ["c", 2])]);
const opened = play(made, [{ type: "sideRooms.open", inSeconds: 10 }]);
const isOpen = (room: typeof open, ms: number) => areSidesOpen(room.sideRooms, at + ms);
const roomOf = (room: typeof open, id: string) => room.sideRooms.members.get(id) ?? null;

describe("side rooms, made and filled", () => {
  it("are as many as wished; whoever was in one beyond them is in none", () => {
    const fewer = play(made, [{ type: "sideRooms.make", count: 1 }]);
    expect([roomOf(fewer, "a"), roomOf(fewer, "b")]).toEqual([1, null]);
    expect(refusal(made, place(["a", 4]))).toBe("not-found");
    expect(refusal(open, { type: "sideRooms.open", inSeconds: 0 })).toBe("not-found");
  });
  it("are filled by chance with whom the server found there; who is gone is in none", () => {
    const mixed = play(made, [
      { type: "sideRooms.shuffle", seed: 3, together: [["a", "d"]], apart: [["b", "d"]] },
      { scene: { about: ["a", "b", "d", "e", "f"] } },
    ]);
    expect(roomOf(mixed, "c")).toBeNull();
    expect(roomOf(mixed, "a")).not.toBeNull();
    expect(
      refusal(
        made,
        { type: "sideRooms.shuffle", seed: 1, together: [["a", "b"]], apart: [["a", "b"]] },
        { scene: { about: ["a", "b", "c", "d"] } },
      ),
    ).toBe("no-allotment");
  });
});

describe("side rooms, opened and called back", () => {
  it("open after their countdown and close with a minute's notice, or sooner", () => {
    expect([isOpen(opened, 9_999), isOpen(opened, 10_000)]).toEqual([false, true]);
    const called = play(opened, [{ type: "sideRooms.call-back", inSeconds: 60 }, later(20_000)]);
    expect([isOpen(called, 79_999), isOpen(called, 80_000)]).toEqual([true, false]);
    expect(refusal(called, { type: "sideRooms.call-back", inSeconds: 60 }, later(30_000))).toBe("already-done");
    const sooner = play(called, [{ type: "sideRooms.call-back", inSeconds: 0 }, later(30_000)]);
    expect(isOpen(sooner, 30_000)).toBe(false);
    expect(refusal(made, { type: "sideRooms.call-back", inSeconds: 60 })).toBe("sides-not-open");
    expect(isOpen(play(opened, [{ type: "hour.end" }, later(30_000)]), 30_000)).toBe(false);
  });
  it("are not remade while people are in them", () => {
    expect(refusal(opened, { type: "sideRooms.make", count: 2 }, later(20_000))).toBe("sides-open");
    expect(refusal(opened, { type: "sideRooms.open", inSeconds: 0 }, later(20_000))).toBe("already-done");
  });
  it("take late comers into the smallest, and others back into their own", () => {
    const late = play(opened, [{ type: "sideRooms.go", room: null }, of("late", 20_000)]);
    expect(roomOf(late, "late")).toBe(3);
    const out = play(opened, [{ type: "sideRooms.step-out" }, of("a", 20_000)]);
    expect(ownOf(out, "a")["sideRooms"]).toEqual({ room: 1, isOut: true, asksForHelp: false });
    const back = play(out, [{ type: "sideRooms.go", room: 1 }, of("a", 30_000)]);
    expect(ownOf(back, "a")["sideRooms"]).toMatchObject({ room: 1, isOut: false });
    expect(refusal(made, { type: "sideRooms.go", room: null }, of("late"))).toBe("sides-not-open");
  });
  it("are chosen by people themselves only where that is let", () => {
    const other = play(opened, [{ type: "sideRooms.go", room: 3 }, of("late", 20_000)]);
    expect(roomOf(other, "late")).toBe(3);
    expect(refusal(opened, { type: "sideRooms.go", room: 3 }, of("a", 20_000))).toBe("already-done");
    const free = play(
      opened,
      [{ type: "sideRooms.let-choose", isChoice: true }],
      [{ type: "sideRooms.go", room: 3 }, of("a", 20_000)],
    );
    expect(roomOf(free, "a")).toBe(3);
  });
});

describe("help and visits", () => {
  it("a room asks once, whoever of the team looks in has come", () => {
    const asks = play(opened, [{ type: "sideRooms.ask-help" }, of("b", 20_000)]);
    expect(ownOf(asks, "c")["sideRooms"]).toMatchObject({ asksForHelp: true });
    expect(refusal(asks, { type: "sideRooms.ask-help" }, of("c", 21_000))).toBe("already-done");
    const visited = play(asks, [{ type: "sideRooms.visit", room: 2 }, later(22_000)]);
    expect(visited.sideRooms.help.has("2")).toBe(false);
    expect(sideRoomOf(visited.sideRooms, "p")).toBe(2);
    expect(
      sideRoomOf(play(visited, [{ type: "sideRooms.visit", room: null }, later(23_000)]).sideRooms, "p"),
    ).toBeNull();
    expect(refusal(opened, { type: "sideRooms.visit", room: 1 }, later(0))).toBe("sides-not-open");
    // a second round begins without those who looked in on the first
    const again = play(
      visited,
      [{ type: "sideRooms.call-back", inSeconds: 0 }, later(23_000)],
      [{ type: "sideRooms.open", inSeconds: 0 }, later(24_000)],
    );
    expect(sideRoomOf(again.sideRooms, "p")).toBeNull();
  });
});

describe("what is seen of side rooms", () => {
  const directory: RoomDirectory = {
    ...words,
    notes: new Map([
      [sideRoomNameNote(1), "Knots"],
      [sideRoomsMessageNote, "Five minutes"],
    ]),
  };
  it("the house has names and sizes, the team who is there and who asks", () => {
    const told = play(
      opened,
      [{ type: "sideRooms.ask-help" }, of("b", 20_000)],
      [{ type: "sideRooms.tell", isTold: true }],
    );
    const figures = {
      ...noFigures,
      present: new Map([
        ["a", "house"],
        ["b", "house"],
      ] as const),
    };
    const house = project("sideRooms:house", told, directory, figures) as unknown as Record<string, unknown>;
    expect(house["sideRooms"]).toEqual({
      1: { name: "Knots", size: 1 },
      2: { name: "2", size: 2 },
      3: { name: "3", size: 0 },
    });
    expect(house["sides"]).toMatchObject({ it: { message: "Five minutes", isChoice: false } });
    const team = project("sideRooms:team", told, directory, figures) as unknown as {
      sideRooms: Record<string, unknown>;
    };
    expect(team.sideRooms["2"]).toMatchObject({ size: 2, here: 1, help: { at: at + 20_000 } });
  });
  it("each room's words go to its members and visitors alone", () => {
    const feeds = (sideRoom: number | null, role: "attendee" | "panelist" = "attendee") => {
      const standing = { ...standingOf(open.stage, { ticketId: "z", role, duties: [] }, true), sideRoom };
      return topicsOf(standing, words.event.switches).logs.filter((topic) => topic.startsWith("chat:side-"));
    };
    expect(feeds(2)).toEqual(["chat:side-2", "chat:side-2-asks"]);
    expect(feeds(null)).toEqual([]);
    expect(feeds(1, "panelist")).toEqual(["chat:side-1", "chat:side-1-asks"]);
  });
});

describe("the record of side rooms", () => {
  const row = (ms: number, body: { type: string } & Record<string, unknown>) => ({ at: ms, body });
  it("counts from the opening to the end of the notice, and each move for itself", () => {
    const stays = sideStays([
      row(0, {
        type: "sideRooms.placed",
        places: [
          ["a", 1],
          ["b", 1],
          ["c", 2],
        ],
      }),
      row(1000, { type: "sideRooms.opened", opensAt: 11_000 }),
      row(20_000, { type: "sideRooms.placed", places: [["b", 2]] }),
      row(25_000, { type: "sideRooms.stepped-out", ticketId: "c" }),
      row(30_000, { type: "sideRooms.called-back", closesAt: 90_000 }),
      row(95_000, { type: "hour.ended" }),
    ]);
    expect(stays).toEqual([
      { ticketId: "a", room: 1, from: 11_000, until: 90_000 },
      { ticketId: "b", room: 1, from: 11_000, until: 20_000 },
      { ticketId: "c", room: 2, from: 11_000, until: 25_000 },
      { ticketId: "b", room: 2, from: 20_000, until: 90_000 },
    ]);
  });
  it("ends with the room itself: whoever was in one that is no more is in none", () => {
    const stays = sideStays([
      row(0, {
        type: "sideRooms.placed",
        places: [
          ["a", 1],
          ["b", 2],
        ],
      }),
      row(0, { type: "sideRooms.made", count: 1 }),
      row(1000, { type: "sideRooms.opened", opensAt: 1000 }),
      row(5000, { type: "hour.ended" }),
    ]);
    expect(stays).toEqual([{ ticketId: "a", room: 1, from: 1000, until: 5000 }]);
  });
  it("has whoever was put into a room that never opened, without times", () => {
    expect(sideStays([row(0, { type: "sideRooms.placed", places: [["a", 3]] })])).toEqual([
      { ticketId: "a", room: 3, from: null, until: null },
    ]);
  });
});
