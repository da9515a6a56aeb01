import { describe, expect, it } from "vitest";
import { grown, inParts, markOf, placeIn, type At, type Hand } from "./hand";

const hand = (hold: Hand["hold"]): Hand => ({ hold, colour: "green", width: 45 });
const box = { left: 100, top: 50, width: 400, height: 200 } as DOMRect;

describe("what a hand leaves", () => {
  it("is placed in 1/10,000 of the surface, never outside it", () => {
    expect(placeIn(box, 300, 150)).toEqual({ x: 5000, y: 5000 });
    expect(placeIn(box, 0, 999)).toEqual({ x: 0, y: 10_000 });
  });
  it("grows by points that can be told apart", () => {
    const path: readonly At[] = [{ x: 100, y: 100 }];
    expect(grown(path, { x: 105, y: 105 })).toBe(path);
    expect(grown(path, { x: 130, y: 100 })).toHaveLength(2);
  });
  it("is a whole path of a pen, two points of a shape, words of a text; nothing of the eraser or the pointer", () => {
    const path = [
      { x: 1, y: 2 },
      { x: 300, y: 4 },
      { x: 500, y: 6 },
    ];
    expect(markOf(hand("pen"), path)?.points).toEqual([1, 2, 300, 4, 500, 6]);
    expect(markOf(hand("ellipse"), path)?.points).toEqual([1, 2, 500, 6]);
    expect(markOf(hand("text"), path, "tide")).toMatchObject({ points: [1, 2], text: "tide" });
    expect(markOf(hand("text"), path, "  ")).toBeNull();
    expect(markOf(hand("line"), path.slice(0, 1))).toBeNull();
    expect(markOf(hand("eraser"), path)).toBeNull();
    expect(markOf(hand("pointer"), path)).toBeNull();
    expect(markOf(hand("pen"), [])).toBeNull();
  });
  it("goes in parts that a command can carry: below 16 kB each, none of its points lost", () => {
    const path = Array.from({ length: 2600 }, (_, i) => ({ x: 9999 - (i % 5000), y: 9999 - (i % 7) }));
    const parts = inParts(markOf(hand("pen"), path)!);
    expect(parts).toHaveLength(3);
    for (const part of parts) expect(JSON.stringify(part).length).toBeLessThan(15_000);
    const points = parts.flatMap((part, i) => part.points.slice(i === 0 ? 0 : 2));
    expect(points).toEqual(path.flatMap(({ x, y }) => [x, y]));
  });
});
