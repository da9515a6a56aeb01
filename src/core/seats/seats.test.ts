import { describe, expect, it } from "vitest";
import { admit, movesUp, placeFor } from ".";

const waits = (ticketId: string, arrivedAt: number, part = {}) => ({
  ticketId,
  arrivedAt,
  wasInside: false,
  takesSeat: true,
  mayEnter: true,
  ...part,
});
const house = { houseSize: 10, seatsTaken: 8, doorsOpen: true, doorsHeld: false };

describe("rule 3: two limits", () => {
  it("lets dropped-out people in before newcomers, then by arrival, as far as seats go", () => {
    expect(admit([waits("new", 1), waits("old", 5, { wasInside: true }), waits("late", 9)], house)).toEqual([
      "old",
      "new",
    ]);
  });
  it("gives test guests no seat and keeps held doors for those who were inside", () => {
    expect(admit([waits("t", 3, { takesSeat: false }), waits("a", 1)], { ...house, seatsTaken: 10 })).toEqual(["t"]);
    expect(admit([waits("a", 1), waits("b", 2, { wasInside: true })], { ...house, doorsHeld: true })).toEqual(["b"]);
    expect(admit([waits("a", 1)], { ...house, doorsOpen: false })).toEqual([]);
  });
  it("keeps whoever must be let in by hand at the door; those who were inside still come back", () => {
    const door = [
      waits("a", 1, { mayEnter: false }),
      waits("b", 2, { mayEnter: false, wasInside: true }),
      waits("c", 3),
    ];
    expect(admit(door, house)).toEqual(["b", "c"]);
  });
  it("counts the registration limit apart", () => {
    expect([placeFor(4, 5), placeFor(5, 5), placeFor(500, null)]).toEqual(["registered", "waiting", "registered"]);
    expect([movesUp(4, 3, 5), movesUp(5, 3, 5), movesUp(5, 3, 4), movesUp(5, 3, null)]).toEqual([1, 0, 0, 3]);
  });
});
