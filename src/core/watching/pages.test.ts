import { describe, expect, it } from "vitest";
import { pagesOn, pageStretches } from ".";

const at = (clock: string) => Date.parse(`2026-11-26T${clock}:00Z`);
const page = (deckId: string, number: number) => ({ deckId, page: number });

describe("pages beside a recording", () => {
  const turns = [
    { at: at("18:04"), shown: page("a", 1) },
    { at: at("18:10"), shown: page("a", 2) },
    { at: at("18:22"), shown: page("a", 3) },
    { at: at("18:40"), shown: null },
    { at: at("18:50"), shown: page("b", 1) },
  ];
  const pages = pagesOn(turns, at("19:00"));

  it("each stands until the next, or until the slides were put away", () => {
    expect(pages.map((one) => [one.deckId, one.page, (one.endAt - one.startAt) / 60_000])).toEqual([
      ["a", 1, 6],
      ["a", 2, 12],
      ["a", 3, 18],
      ["b", 1, 10],
    ]);
  });
  it("are placed by rule 25: recorded 18:02–18:20 and 18:25–19:00, an instant in the pause is the pause's point", () => {
    const spans = [
      { from: at("18:02"), to: at("18:20") },
      { from: at("18:25"), to: at("19:00") },
    ];
    const own = { startAt: at("18:02"), durationSeconds: 53 * 60, spans, kept: null };
    const minutes = (clock: typeof own | (Omit<typeof own, "kept"> & { kept: { from: number; to: number }[] })) =>
      pageStretches(pages, clock).map((one) => [one.page, one.startSeconds / 60, one.endSeconds / 60]);
    expect(minutes(own)).toEqual([
      [1, 2, 8],
      [2, 8, 18],
      [3, 18, 33],
      [1, 43, 53],
    ]);
    // the first nine minutes cut: page 1 is gone, everything else comes earlier
    expect(minutes({ ...own, kept: [{ from: 9 * 60_000, to: 53 * 60_000 }] })).toEqual([
      [2, 0, 9],
      [3, 9, 24],
      [1, 34, 44],
    ]);
  });
  it("of an upload are counted from its first instant, and clipped to its length", () => {
    const clock = { startAt: at("18:05"), durationSeconds: 20 * 60, spans: null, kept: null };
    expect(pageStretches(pages, clock).map((one) => [one.page, one.startSeconds / 60, one.endSeconds / 60])).toEqual([
      [1, 0, 5],
      [2, 5, 17],
      [3, 17, 20],
    ]);
  });
  it("a page that was put away and shown again within a pause is one stretch", () => {
    const again = pagesOn(
      [
        { at: at("18:04"), shown: page("a", 1) },
        { at: at("18:21"), shown: null },
        { at: at("18:23"), shown: page("a", 1) },
      ],
      at("18:30"),
    );
    const spans = [
      { from: at("18:02"), to: at("18:20") },
      { from: at("18:25"), to: at("19:00") },
    ];
    const stretches = pageStretches(again, { startAt: at("18:02"), durationSeconds: 3180, spans, kept: null });
    expect(stretches).toEqual([{ deckId: "a", page: 1, startSeconds: 120, endSeconds: 23 * 60 }]);
  });
});
