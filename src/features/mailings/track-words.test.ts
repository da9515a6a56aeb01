import { describe, expect, it } from "vitest";
import type { TrackMark } from "@/contracts";
import { isAhead, nextWords, offsetAt, total } from "./track-words";

const at = Date.parse("2026-11-26T18:00:00Z");
const minute = 60_000;
const line = (part: Partial<TrackMark> = {}): TrackMark => ({
  key: "k",
  kind: "reminder",
  at,
  counts: {},
  move: { kind: "reminder", offsetMinutes: 60 },
  isOff: false,
  mailingId: null,
  ...part,
});
const span = { startAt: at, endAt: at + 60 * minute } as Parameters<typeof offsetAt>[2];

describe("a mail still to come", () => {
  it("says to whom, and when", () => {
    expect(nextWords(line({ counts: { planned: 60 } }), at - 4 * minute)).toBe("to 60 in 4 min");
    expect(nextWords(line(), at - 90 * minute)).toMatch(/^to whoever it concerns then in 1 h 30( min)?$/);
    expect(nextWords(line({ move: null }), at - 3 * 24 * 60 * minute)).toBe("in 3 days");
    expect(nextWords(line({ counts: { planned: 1 } }), at + minute)).toBe("to 1 now");
  });
  it("of a change says that it waits for the last word", () => {
    const change = line({ kind: "change", move: null, counts: { planned: 60 } });
    expect(nextWords(change, at - 4 * minute)).toBe("to 60 in 4 min, the last word of what changes until then");
    expect(nextWords(change, at)).toBe("to 60 now");
  });
  it("is ahead while somebody is planned, or the plan will send it by itself", () => {
    expect(isAhead(line(), at - 1)).toBe(true);
    expect(isAhead(line(), at)).toBe(false);
    expect(isAhead(line({ counts: { planned: 2 } }), at + minute)).toBe(true);
    expect(isAhead(line({ isOff: true, counts: { planned: 2 } }), at - minute)).toBe(false);
    expect(isAhead(line({ move: null }), at - minute)).toBe(false);
  });
  it("counts everybody it is about, in whatever state", () => {
    expect(total({ planned: 3, sent: 40, failed: 2 })).toBe(45);
    expect(total({})).toBe(0);
  });
});

describe("a mail moved along the track", () => {
  it("keeps a distance that can be said, before the start or after the end", () => {
    const reminder = line();
    expect(offsetAt(reminder, at - 60 * minute, span)).toBe(60);
    const followUp = line({ move: { kind: "follow-up", mailingId: "m", afterMinutes: 60 } });
    expect(offsetAt(followUp, span.endAt + 24 * 60 * minute, span)).toBe(24 * 60);
  });
  it("never comes nearer than five minutes, nor to the other side", () => {
    expect(offsetAt(line(), at - minute, span)).toBe(5);
    expect(offsetAt(line(), at + 30 * minute, span)).toBe(5);
  });
});
