import { describe, expect, it } from "vitest";
import { mergedChapters, recordedMs, recordingMsAt, trimmedMs, union, without, type Span } from ".";

const at = (clock: string): number => Date.parse(`2026-11-26T${clock}:00Z`);
const text = (ms: number): string =>
  `${Math.floor(ms / 60_000)}:${String(Math.floor(ms / 1000) % 60).padStart(2, "0")}`;
const spans: readonly Span[] = [
  { from: at("18:02"), to: at("18:20") },
  { from: at("18:25"), to: at("19:00") },
];

describe("rule 25: the recording clock", () => {
  it("its worked example", () => {
    expect(text(recordedMs(spans))).toBe("53:00");
    expect(text(recordingMsAt(spans, at("18:30")))).toBe("23:00");
    expect(text(recordingMsAt(spans, at("18:22")))).toBe("18:00");
    const trim = { from: 60_000, to: recordedMs(spans) };
    expect(text(trimmedMs(recordingMsAt(spans, at("18:30")), trim))).toBe("22:00");
    expect(text(trimmedMs(recordingMsAt(spans, at("18:22")), trim))).toBe("17:00");
  });
  it("clamps to the recording on both sides", () => {
    expect(recordingMsAt(spans, at("17:00"))).toBe(0);
    expect(recordingMsAt(spans, at("23:00"))).toBe(recordedMs(spans));
    expect(trimmedMs(10, { from: 60_000, to: 120_000 })).toBe(0);
    expect(trimmedMs(600_000, { from: 60_000, to: 120_000 })).toBe(60_000);
  });
  it("a struck-out span is cut", () => {
    expect(text(recordedMs(without(spans, [{ from: at("18:10"), to: at("18:30") }])))).toBe("38:00");
    expect(without(spans, [{ from: at("17:00"), to: at("20:00") }])).toEqual([]);
  });

  /** Second by second, as one would count by hand. */
  const counted = (all: readonly Span[], until: number): number => {
    let sum = 0;
    for (let second = 0; second < until; second += 1)
      if (all.some((one) => second >= one.from && second < one.to)) sum += 1;
    return sum;
  };
  it("is what counting second by second gives, on 300 generated recordings with cuts", () => {
    let seed = 7;
    const random = (below: number) => {
      seed = (Math.imul(seed, 1103515245) + 12345) & 0x7fffffff;
      return seed % below;
    };
    for (let round = 0; round < 300; round += 1) {
      const some = (n: number): Span[] =>
        Array.from({ length: n }, () => {
          const from = random(180);
          return { from, to: from + random(40) };
        });
      const [made, cuts] = [some(5), some(3)];
      const left = without(made, cuts);
      const instant = random(240);
      const isIn = (second: number) =>
        made.some((one) => second >= one.from && second < one.to) &&
        !cuts.some((one) => second >= one.from && second < one.to);
      const byHand = Array.from({ length: instant }, (_, second) => second).filter(isIn).length;
      expect(recordingMsAt(left, instant)).toBe(byHand);
      expect(recordedMs(made)).toBe(counted(union(made), 260));
    }
  });
});

describe("rule 25: chapters of less than 5 s", () => {
  const chapter = (title: string, from: number, to: number) => ({ title, fromMs: from * 1000, toMs: to * 1000 });
  it("are merged with the next, the last one with the one before", () => {
    expect(mergedChapters([chapter("a", 0, 3), chapter("b", 3, 20), chapter("c", 20, 22)])).toEqual([
      chapter("b", 0, 22),
    ]);
    expect(mergedChapters([chapter("a", 0, 5), chapter("b", 5, 10)])).toHaveLength(2);
    expect(mergedChapters([chapter("a", 0, 2), chapter("b", 2, 4)])).toEqual([chapter("b", 0, 4)]);
    expect(mergedChapters([])).toEqual([]);
  });
});
