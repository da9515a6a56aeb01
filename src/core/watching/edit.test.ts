import { describe, expect, it } from "vitest";
import type { Span } from "../programme";
import { editedChapters, editedSeconds, keptOf, leavesEnough, originalSeconds, placedChapters } from ".";

const minute = 60_000;
const hour = 60 * minute;

/** Every second of an original, told one by one whether it stays: the clock as one would count it by hand. */
function countedBySecond(durationSeconds: number, cuts: readonly Span[]) {
  const isCut = (second: number) => cuts.some(({ from, to }) => second * 1000 >= from && second * 1000 < to);
  const seconds = Array.from({ length: durationSeconds }, (_, i) => i);
  return {
    editedAt: (second: number) => seconds.filter((one) => one < second && !isCut(one)).length,
    originalAt: (second: number) => seconds.filter((one) => !isCut(one))[second],
  };
}

describe("rule 25: a recording that was cut keeps its own clock", () => {
  it("the rule's example: the first minute off, 23:00 is 22:00 and 18:00 is 17:00; what was before it is the beginning", () => {
    const kept = keptOf(53 * minute, [{ from: 0, to: minute }]);
    expect([23, 18, 0.5].map((at) => editedSeconds(kept, at * 60) / 60)).toEqual([22, 17, 0]);
    expect(editedSeconds(kept, 53 * 60) / 60).toBe(52);
  });

  it("spans cut out, overlapping or not in their order, are counted once; back again the same instant", () => {
    const cuts = [
      { from: 40 * minute, to: 45 * minute },
      { from: 10 * minute, to: 20 * minute },
      { from: 15 * minute, to: 25 * minute },
    ];
    const kept = keptOf(hour, cuts);
    expect(kept.map(({ from, to }) => [from / minute, to / minute])).toEqual([
      [0, 10],
      [25, 40],
      [45, 60],
    ]);
    expect([5, 12, 30, 50].map((at) => editedSeconds(kept, at * 60) / 60)).toEqual([5, 10, 15, 30]);
    expect([5, 10, 15, 30].map((at) => originalSeconds(kept, at * 60) / 60)).toEqual([5, 25, 30, 50]);
    expect(originalSeconds(kept, 9_999)).toBe(3600);
    expect(originalSeconds([], 5)).toBe(0);
  });

  it("is as counted second by second, for generated cuts", () => {
    // a small generator with a seed, so that every run looks at the same 60 recordings (mulberry32)
    let seed = 20261128;
    const random = () => {
      seed = (seed + 0x6d2b79f5) | 0;
      let t = Math.imul(seed ^ (seed >>> 15), 1 | seed);
      t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
      return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32;
    };
    for (let i = 0; i < 60; i += 1) {
      const duration = 60 + Math.floor(random() * 240);
      const cuts = Array.from({ length: Math.floor(random() * 6) }, () => {
        const from = Math.floor(random() * duration);
        return { from: from * 1000, to: (from + 1 + Math.floor(random() * 40)) * 1000 };
      });
      const kept = keptOf(duration * 1000, cuts);
      const counted = countedBySecond(duration, cuts);
      for (let second = 0; second < duration; second += 7) {
        expect(editedSeconds(kept, second)).toBe(counted.editedAt(second));
        const original = counted.originalAt(second);
        if (original !== undefined) expect(originalSeconds(kept, second)).toBe(original);
      }
    }
  });

  it("leaves something to be watched, or is no edit", () => {
    expect(leavesEnough(hour, [{ from: 0, to: hour - 1000 }])).toBe(true);
    expect(leavesEnough(hour, [{ from: 0, to: hour - 999 }])).toBe(false);
    expect(leavesEnough(hour, [{ from: -5, to: hour + 5 }])).toBe(false);
  });
});

describe("chapters of an edited recording", () => {
  const chapters = [
    { title: "Welcome", startSeconds: 0, endSeconds: 120 },
    { title: "The count", startSeconds: 120, endSeconds: 600 },
    { title: "Question time", startSeconds: 600, endSeconds: 900 },
  ];
  it("move with what was cut before them; one of which nothing stays is gone", () => {
    const kept = keptOf(900_000, [{ from: 0, to: 130_000 }]);
    expect(editedChapters(chapters, kept)).toEqual([
      { title: "The count", startSeconds: 0, endSeconds: 470 },
      { title: "Question time", startSeconds: 470, endSeconds: 770 },
    ]);
  });
  it("of less than 5 s join the next (rule 25)", () => {
    const kept = keptOf(900_000, [{ from: 4_000, to: 120_000 }]);
    expect(editedChapters(chapters, kept)[0]).toEqual({ title: "The count", startSeconds: 0, endSeconds: 484 });
  });
  it("placed by hand last until the next, in whatever order they were written", () => {
    const placed = [
      { title: "Second", startSeconds: 300 },
      { title: "First", startSeconds: 0 },
      { title: "Beyond the end", startSeconds: 901 },
    ];
    expect(placedChapters(placed, 900)).toEqual([
      { title: "First", startSeconds: 0, endSeconds: 300 },
      { title: "Second", startSeconds: 300, endSeconds: 900 },
    ]);
  });
});
