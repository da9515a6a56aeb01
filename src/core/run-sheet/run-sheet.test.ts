import { describe, expect, it } from "vitest";
import { liveClock, planRunSheet, type TimedSegment } from ".";

const at = (time: string): number => Date.parse(`2026-11-26T${time}:00Z`);
const sheet = (...rows: [number, string?][]): TimedSegment[] =>
  rows.map(([lengthMinutes, fixed], i) => ({ id: `s${i + 1}`, lengthMinutes, fixedStartAt: fixed ? at(fixed) : null }));
const clock = (ms: number) => new Date(ms).toISOString().slice(11, 16);

describe("rule 10: run sheet", () => {
  it("gives the example of rules.md", () => {
    const live = liveClock(
      sheet([5], [20], [10], [15], [10]),
      { segmentId: "s2", cuedAt: at("18:07") },
      at("18:31"),
      at("19:00"),
    )!;
    expect(live.currentOverMinutes).toBe(4);
    expect(clock(live.projectedEndAt)).toBe("19:06");
    expect(live.overMinutes).toBe(6);
  });

  it("waits for a fixed start and says by how much it will be missed", () => {
    const rows = sheet([10], [10], [20, "18:40"]);
    const early = liveClock(rows, { segmentId: "s1", cuedAt: at("18:00") }, at("18:05"), at("19:00"))!;
    expect(clock(early.projectedEndAt)).toBe("19:00");
    expect(early.nextFixed).toMatchObject({ segmentId: "s3", overMinutes: -20 });
    const late = liveClock(rows, { segmentId: "s2", cuedAt: at("18:35") }, at("18:36"), at("19:00"))!;
    expect(late.nextFixed?.overMinutes).toBe(5);
    expect(late.overMinutes).toBe(5);
  });

  it("back-times from each fixed start and from the end", () => {
    const plan = planRunSheet(sheet([5], [10], [20, "18:20"], [10]), at("18:00"), at("19:00"));
    expect(plan.segments.map((row) => clock(row.latestStartAt))).toEqual(["18:05", "18:10", "18:20", "18:50"]);
    expect(plan.segments.map((row) => row.gapMinutes)).toEqual([0, 0, 5, 0]);
    expect([clock(plan.segmentsEndAt), clock(plan.plannedEndAt)]).toEqual(["18:50", "19:00"]);
  });

  it("shows an overlap before a fixed start", () => {
    const plan = planRunSheet(sheet([30], [10, "18:20"]), at("18:00"), at("19:00"));
    expect(plan.segments[1]).toMatchObject({ overlapMinutes: 10, gapMinutes: 0, startAt: at("18:20") });
  });

  it("flags what starts before the date or ends after it, for fixed starts and for what follows from them", () => {
    const plan = planRunSheet(sheet([10, "17:50"], [30], [20, "18:45"]), at("18:00"), at("19:00"));
    expect(plan.segments.map((row) => [row.earlyMinutes, row.overlapMinutes, row.lateMinutes])).toEqual([
      [10, 0, 0],
      [0, 0, 0],
      [0, 0, 5],
    ]);
    const late = planRunSheet(sheet([10, "19:10"]), at("18:00"), at("19:00"));
    expect(late.segments[0]).toMatchObject({ lateMinutes: 20, earlyMinutes: 0, gapMinutes: 70 });
  });

  it("has no clock for a cue that names a removed segment", () => {
    expect(liveClock(sheet([5]), { segmentId: "gone", cuedAt: 0 }, 0, 0)).toBeNull();
  });
});
