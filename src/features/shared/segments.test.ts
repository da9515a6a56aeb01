import { describe, expect, it } from "vitest";
import { segmentsInOrder } from "./segments";

const minuteMs = 60_000;
const startAt = Date.parse("2026-11-26T18:00:00Z");
const item = (position: number, title: string, lengthMinutes: number) => ({
  position,
  title,
  lengthMinutes,
  fixedStartAt: null,
  leaderId: null,
  pollId: null,
  isSkipped: false,
});

describe("segments on a screen", () => {
  it("stand in their order with planned times one after the other, whatever the order they came in", () => {
    const section = { c: item(2, "Thanks", 5), a: item(0, "Welcome", 5), b: item(1, "Talk", 20) };
    const ordered = segmentsInOrder(section, startAt, startAt + 60 * minuteMs);
    expect(
      ordered.map((one) => [
        one.id,
        (one.plannedStartAt - startAt) / minuteMs,
        (one.plannedEndAt - startAt) / minuteMs,
      ]),
    ).toEqual([
      ["a", 0, 5],
      ["b", 5, 25],
      ["c", 25, 30],
    ]);
    expect(segmentsInOrder({}, startAt, startAt)).toEqual([]);
  });
});
