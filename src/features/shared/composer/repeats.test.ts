import { describe, expect, it } from "vitest";
import type { Painted } from "./draw";
import { framesPerSecond } from "./encode";
import { isDue, signOf } from "./repeats";

const ann = { name: "Ann", initials: "A", portrait: null, videoWidth: 640, videoHeight: 360, isSpeaking: false };
const painted = (part: Partial<Painted> = {}, frame = 1, own: object = {}): Painted =>
  ({
    picture: { kind: "one", personIds: ["ann"] },
    shares: {},
    person: () => ({ ...ann, frame, ...own }),
    screen: () => ({ name: "Ann", frame }),
    document: null,
    ink: [],
    holding: { title: "Tides", words: "Shortly", clock: null },
    question: null,
    result: null,
    ...part,
  }) as unknown as Painted;

describe("whether a picture looks as the last one did", () => {
  it("does with the same people, words and frames; every part of it that changes is told", () => {
    const same = signOf(painted());
    expect(signOf(painted())).toBe(same);
    const others = [
      painted({}, 2),
      painted({}, 1, { isSpeaking: true }),
      painted({}, 1, { name: "Anna" }),
      painted({}, 1, { portrait: { src: "/pictures/1" } }),
      painted({ question: { text: "When?", name: "Rui" } }),
      painted({ result: { title: "Tide?", bars: [{ label: "in", percent: 40 }] } }),
      painted({ result: { title: "Tide?", bars: [{ label: "in", percent: 41 }] } }),
      painted({ picture: { kind: "holding" } as never }),
      painted({ picture: { kind: "screen-one", personIds: [], screenIds: ["ann"] } as never }),
    ];
    expect(new Set([same, ...others.map(signOf)]).size).toBe(others.length + 1);
  });
  it("counts the seconds of a holding picture, and cannot be told while somebody draws", () => {
    const holding = (clock: string) =>
      signOf(
        painted({ picture: { kind: "holding" } as never, holding: { title: "Tides", words: "Shortly", clock } }, 9),
      );
    expect([holding("00:09") === holding("00:09"), holding("00:09") === holding("00:08")]).toEqual([true, false]);
    const board = { picture: { kind: "board", personIds: [] } as never };
    expect(signOf(painted(board))).not.toBeNull();
    expect(signOf(painted({ ...board, ink: [{ width: 100 } as HTMLCanvasElement] }))).toBeNull();
  });
});

describe("when a picture is made", () => {
  /** The times of those made, of ticks in even steps. */
  const times = (seconds: number, isNew: (tick: number) => boolean): number[] => {
    const made: number[] = [];
    for (let tick = 0; tick < seconds * framesPerSecond; tick += 1) {
      const at = tick / framesPerSecond + 0.01;
      if (isDue(at, made.at(-1) ?? -1, isNew(tick))) made.push(at);
    }
    return made;
  };
  it("is always, where it is new", () => expect(times(2, () => true)).toHaveLength(2 * framesPerSecond));
  it("is seldom, where it stays the same, but before and after every whole second: pieces leave no gap (rule 26)", () => {
    const made = times(10, () => false);
    expect(made.length).toBeLessThan(10 * 7);
    const gaps = made.slice(1).map((at, i) => at - made[i]!);
    expect(Math.max(...gaps)).toBeLessThan(0.3);
    for (let second = 1; second < 10; second += 1) {
      const first = made.findIndex((at) => at >= second);
      expect(made[first]! - second).toBeLessThan(1 / framesPerSecond);
      expect(made[first]! - made[first - 1]!).toBeLessThanOrEqual(1 / framesPerSecond + 1e-9);
    }
  });
});
