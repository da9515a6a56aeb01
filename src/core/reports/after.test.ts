import { describe, expect, it } from "vitest";
import { funnelBy, funnelOf, heatLane, laneOf, registrationsByDay, stretchOf, type FunnelPeople } from ".";

const minute = 60_000;
const at = (minutes: number) => Date.UTC(2027, 2, 4, 18) + minutes * minute;
const span = (from: number, to: number) => ({ start: at(from), end: at(to) });
const show = [span(0, 60)];

describe("a stretch of the hour", () => {
  // by hand: ada stays all along, bo leaves at 25, cy comes at 22 and leaves at 28, di drops out 21–24, ed comes late
  const presence = new Map([
    ["ada", [span(0, 60)]],
    ["bo", [span(0, 25)]],
    ["cy", [span(22, 28)]],
    ["di", [span(0, 21), span(24, 60)]],
    ["ed", [span(40, 60)]],
    ["nobody", []],
  ]);
  it("says who was there, who came and who left in it, in the order in which they went", () => {
    const one = stretchOf(presence, show, at(20), at(30));
    expect(one).toMatchObject({ atStart: 3, atEnd: 2, people: 4, came: ["cy"], left: ["bo", "cy"] });
    // ada 10 + bo 5 + cy 6 + di 1 + 6 = 28 person-minutes of 10
    expect(one.averageHouse).toBeCloseTo(2.8, 10);
  });
  it("counts nobody as gone who stayed until the show ended", () => {
    expect(stretchOf(presence, show, at(50), at(61)).left).toEqual([]);
  });
  it("has no average where nothing was shown", () => {
    expect(stretchOf(presence, show, at(70), at(80)).averageHouse).toBeNull();
  });
});

describe("lanes under the curve", () => {
  it("count what happened in equal steps, and leave out what was not in the time shown", () => {
    const lane = laneOf("questions", [at(-1), at(0), at(9), at(10), at(59), at(60)], at(0), at(60), 6);
    expect(lane).toEqual({ kind: "questions", counts: [2, 1, 0, 0, 0, 1], total: 4, highest: 2 });
  });
  it("lay a recording's heat where it was live", () => {
    const lane = heatLane([1, 5], { startAt: at(10), durationSeconds: 1200 }, at(0), at(60), 6);
    expect(lane.counts).toEqual([0, 1, 5, 0, 0, 0]);
  });
});

describe("rule 29: the funnel", () => {
  const people: FunnelPeople = {
    invited: new Set(["a", "b", "c", "d"]),
    registered: new Set(["a", "b", "e", "f"]),
    came: new Set(["a", "e", "f", "walk-in"]),
    stayed: new Set(["a", "e"]),
    "took-part": new Set(["e", "f"]),
    watched: new Set(["e", "x"]),
  };
  it("has each step as a part of the one before, with its base", () => {
    expect(funnelOf(people).map(({ step, count, all, base }) => [step, count, all, base?.count ?? null])).toEqual([
      ["invited", 4, 4, null],
      ["registered", 2, 4, 4],
      ["came", 3, 4, 4],
      ["stayed", 2, 2, 3],
      ["took-part", 1, 2, 2],
      ["watched", 1, 2, 1],
    ]);
    expect(funnelOf(people)[1]!.rate).toBe(0.5);
  });
  it("has no rate without a base", () => {
    const none = new Set<string>();
    const empty = { invited: none, registered: none, came: none, stayed: none, "took-part": none, watched: none };
    expect(funnelOf(empty).every(({ rate }) => rate === null)).toBe(true);
  });
  it("is cut by where people came from", () => {
    expect(funnelBy(people, (person) => (person === "a" ? "mail" : "poster"))).toEqual([
      { group: "poster", registered: 3, came: 2, stayed: 1, tookPart: 1 },
      { group: "mail", registered: 1, came: 1, stayed: 1, tookPart: 0 },
    ]);
  });
});

describe("registrations by days before the start", () => {
  it("put the last day last, and what is earlier than shown into the first", () => {
    const day = 24 * 60;
    const moments = [at(-10), at(-day + 1), at(-day - 1), at(-2 * day - 5), at(-40 * day), at(5)];
    expect(registrationsByDay(moments, at(0), 3)).toEqual([2, 1, 3]);
  });
});
