import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { tallyOf, type Choice } from "@/core/polls";
import { noFigures, type RoomDirectory, type RoomFigures } from "@/core/room";
import { SeatCount } from "./seat-count";
import { withFigure } from "./with-figure";

const kind = "several-choices";
const ballot = (from: Choice | null, to: Choice) =>
  ({ of: "tally", pollId: "v1", changes: [{ questionId: "q1", kind, from, to }] }) as Parameters<typeof withFigure>[1];
const vote = (by: 1 | -1) => ({ of: "votes", questionId: "q1", by }) as const;

describe("figures with what one fact added", () => {
  it("are those of a count made anew, whatever people answered and changed (property)", () => {
    const choice = fc.subarray(["o1", "o2", "o3"], { minLength: 1 });
    const acts = fc.array(fc.tuple(fc.integer({ min: 0, max: 4 }), choice), { maxLength: 40 });
    fc.assert(
      fc.property(acts, (all) => {
        const stands = new Map<number, Choice>();
        let figures: RoomFigures = noFigures;
        for (const [person, to] of all) {
          figures = withFigure(figures, ballot(stands.get(person) ?? null, to));
          stands.set(person, to);
        }
        const anew = tallyOf(
          { kind },
          [...stands.values()].map((one) => ({ choice: one, people: 1 })),
        );
        const laidOn = figures.tallies.get("v1")?.["q1"];
        expect(laidOn ?? { voters: 0, counts: {} }).toEqual(anew);
      }),
    );
  });
  it("of questions go up and down by one, and never below nothing", () => {
    const twice = withFigure(withFigure(noFigures, vote(1)), vote(1));
    expect(twice.votes.get("q1")).toBe(2);
    expect(withFigure(twice, vote(-1)).votes.get("q1")).toBe(1);
    expect(withFigure(noFigures, vote(-1)).votes.get("q1")).toBe(0);
  });
  it("leave those before them as they were: screens compare the two", () => {
    const before = withFigure(noFigures, vote(1));
    withFigure(before, vote(1));
    withFigure(before, ballot(null, ["o1"]));
    expect(before.votes.get("q1")).toBe(1);
    expect(before.tallies.size).toBe(0);
  });
});

describe("seats taken", () => {
  const people = new Map([
    ["a1", { role: "attendee" }],
    ["a2", { role: "attendee" }],
    ["p", { role: "producer" }],
    ["t", { role: "test" }],
  ]) as unknown as RoomDirectory["people"];
  const present = (...pairs: [string, "foyer" | "house" | "stage"][]): RoomFigures => ({
    ...noFigures,
    present: new Map(pairs),
  });
  it("are attendees in the house: not the foyer, the stage, the team or anybody unknown", () => {
    const count = new SeatCount();
    const words = { people } as RoomDirectory;
    expect(
      count.of(present(["a1", "house"], ["a2", "foyer"], ["p", "house"], ["t", "house"], ["x", "house"]), words),
    ).toBe(1);
    expect(count.of(present(["a1", "house"], ["a2", "house"]), words)).toBe(2);
    const same = present(["a1", "stage"]);
    expect([count.of(same, words), count.of(same, words)]).toEqual([0, 0]);
  });
});
