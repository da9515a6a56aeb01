import { describe, expect, it } from "vitest";
import { defaultSwitches } from "../../people";
import { boardSurface, isSideSurfaceOf, mayDraw, sideBoardId, sideBoardOf, sideSurface } from "../index";
import { at, open, play } from "../test-room";

const opensAt = at + 10_000;
const opened = play(
  open,
  [{ type: "sideRooms.make", count: 2 }],
  [
    {
      type: "sideRooms.place",
      places: [
        ["a", 1],
        ["b", 2],
      ],
    },
  ],
  [{ type: "sideRooms.open", inSeconds: 10 }],
);
const draws = (room: typeof open, ticketId: string, number: number, when = opensAt) =>
  mayDraw(
    room,
    defaultSwitches,
    { ticketId, role: ticketId === "p" ? "producer" : "attendee" },
    boardSurface(sideBoardId({ opensAt, room: number })),
    when,
  );

describe("the board of a side room", () => {
  it("is named by a UUID of version 8 and the variant of RFC 9562, from which room and opening are read again", () => {
    for (const room of [1, 9, 10, 31, 40]) {
      const id = sideBoardId({ opensAt, room });
      // RFC 9562, 4.1 and 4.2: the first digit of the third group is the version, of the fourth the variant (8, 9, a, b)
      expect(id).toMatch(/^[0-9a-f]{8}-[0-9a-f]{4}-8[0-9a-f]{3}-[89ab][0-9a-f]{3}-[0-9a-f]{12}$/);
      expect(sideBoardOf(boardSurface(id))).toEqual({ opensAt, room });
    }
    expect(sideBoardOf(boardSurface("7f1d4c0e-5a31-4d57-9c33-0f4f0b6d8a11"))).toBeNull();
    expect(sideBoardOf({ id: sideBoardId({ opensAt, room: 1 }), page: 1 })).toBeNull();
  });
  it("is there from the opening on, another one at each", () => {
    expect(sideSurface({ opensAt: null }, 1)).toBeNull();
    const first = sideSurface(opened.sideRooms, 1)!;
    const back = play(opened, [{ type: "sideRooms.call-back", inSeconds: 0 }, { at: opensAt }]);
    const again = play(back, [{ type: "sideRooms.open", inSeconds: 0 }, { at: opensAt + 60_000 }]);
    expect(sideSurface(again.sideRooms, 1)).not.toEqual(first);
    expect(isSideSurfaceOf(opened.sideRooms, 1, first)).toBe(true);
    expect(isSideSurfaceOf(opened.sideRooms, 2, first)).toBe(false);
    expect(isSideSurfaceOf(again.sideRooms, 1, first)).toBe(false);
  });
  it("is drawn on by whoever is in the room or looks in on it, while the rooms are open", () => {
    expect([draws(opened, "a", 1), draws(opened, "a", 2), draws(opened, "c", 1)]).toEqual([true, false, false]);
    expect(draws(opened, "p", 1)).toBe(false);
    const visited = play(opened, [{ type: "sideRooms.visit", room: 2 }, { at: opensAt }]);
    expect([draws(visited, "p", 1), draws(visited, "p", 2)]).toEqual([false, true]);
    expect(draws(opened, "a", 1, opensAt - 1)).toBe(false);
    const called = play(opened, [{ type: "sideRooms.call-back", inSeconds: 60 }, { at: opensAt }]);
    expect([draws(called, "a", 1, opensAt + 59_999), draws(called, "a", 1, opensAt + 60_000)]).toEqual([true, false]);
  });
});
