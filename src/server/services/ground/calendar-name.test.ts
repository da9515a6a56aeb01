import { describe, expect, it } from "vitest";
import { entryName, movedEntry } from "./calendar-name";

const event = { uid: "event-uid@stage-call.example.org" };
const date = (id: string, sequence = 0, part: object = {}) =>
  ({ id, kind: "show", seriesId: "s1", sequence, ...part }) as Parameters<typeof entryName>[1];
const ticket = { calendarUid: null, calendarSequence: 0 };

/** One entry keeps its UID for good, and each later version has a greater SEQUENCE (RFC 5545 §3.8.4.7, §3.8.7.4; RFC 5546 §2.1.4). */
describe("the name of somebody's calendar entry", () => {
  it("is the event's where there is one date, else the date's", () => {
    expect(entryName(event, date("d1", 2, { seriesId: null }), null)).toEqual({ uid: event.uid, sequence: 2 });
    expect(entryName(event, date("d1"), null)).toEqual({ uid: "d1@stage-call.example.org", sequence: 0 });
    // a rehearsal beside the show is an entry of its own
    expect(entryName(event, date("d2", 0, { seriesId: null, kind: "rehearsal" }), null).uid).toBe(
      "d2@stage-call.example.org",
    );
  });
  it("stays when the ticket goes to another date, in a version after the last", () => {
    const [from, to, third] = [date("d1", 3), date("d2", 0), date("d3", 9)];
    const before = entryName(event, from, ticket);
    const moved = movedEntry(event, from, to, ticket);
    const after = entryName(event, to, moved);
    expect(after).toEqual({ uid: before.uid, sequence: before.sequence + 1 });
    // the date itself changes: its entry's version goes on
    expect(entryName(event, { ...to, sequence: 1 }, moved).sequence).toBe(after.sequence + 1);
    const again = entryName(event, third, movedEntry(event, to, third, moved));
    expect(again).toEqual({ uid: before.uid, sequence: after.sequence + 1 });
    // and back to where it began
    const back = entryName(event, from, movedEntry(event, third, from, movedEntry(event, to, third, moved)));
    expect(back).toEqual({ uid: before.uid, sequence: again.sequence + 1 });
  });
});
