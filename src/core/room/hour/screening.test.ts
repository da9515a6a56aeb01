import { describe, expect, it } from "vitest";
import { foldAll } from "../room";
import { emptyRoom, screeningActs, screeningMsAt, type EntryBody, type JournalEntry, type RoomState } from "..";
import { screeningItem } from "./screening";

const minute = 60_000;
const startAt = Date.parse("2026-12-03T19:00:00Z");
const lengthMs = 30 * minute;
const about = { startAt, lengthMs };

/** An hour that goes on by itself, looked at each half minute; a desk's acts come in between. */
function play(until: number, byHand: Readonly<Record<number, EntryBody>> = {}, from = startAt - 20 * minute) {
  let room: RoomState = emptyRoom;
  const said: string[] = [];
  const add = (at: number, body: EntryBody) => {
    const entry: JournalEntry = { seq: room.seq + 1, at, actorId: "system", body };
    room = foldAll(room, [entry]);
    said.push(`${(at - startAt) / minute} ${body.type.slice(5)}`);
  };
  for (let at = from; at <= until; at += minute / 2) {
    const own = byHand[(at - startAt) / minute];
    if (own) add(at, own);
    for (const body of screeningActs(room.hour, about, at)) add(at, body);
  }
  return { said, room };
}

describe("a recording that is watched together", () => {
  it("opens its doors, begins, ends after the last picture and a time to talk, by itself", () => {
    expect(play(startAt + 90 * minute).said).toEqual([
      "-10 backstage-opened",
      "-10 doors-opened",
      "0 curtain-raised",
      "30 curtain-dropped",
      "45 ended",
    ]);
  });
  it("stands still while the desk has the curtain down, and goes on where it was", () => {
    const { said } = play(startAt + 90 * minute, {
      10: { type: "hour.curtain-dropped" },
      15: { type: "hour.curtain-raised" },
    });
    expect(said.slice(3)).toEqual(["10 curtain-dropped", "15 curtain-raised", "35 curtain-dropped", "50 ended"]);
  });
  it("leaves what the desk did: a curtain that stays down is not raised again", () => {
    const { said } = play(startAt + 90 * minute, { 10: { type: "hour.curtain-dropped" } });
    expect(said.at(-1)).toBe("10 curtain-dropped");
    const early = play(startAt + 5 * minute, { [-15]: { type: "hour.backstage-opened" } });
    expect(early.said).toEqual(["-15 backstage-opened", "-10 doors-opened", "0 curtain-raised"]);
  });
  it("is not begun where it should be over already, nor touched once it ended or was cancelled", () => {
    expect(play(startAt + 90 * minute, {}, startAt + 31 * minute).said).toEqual([]);
    expect(play(startAt + 5 * minute, { [-20]: { type: "hour.cancelled" } }).said).toEqual(["-20 cancelled"]);
  });
  it("tells every screen where it is", () => {
    const { room } = play(startAt + 12 * minute, {
      10: { type: "hour.curtain-dropped" },
      11: { type: "hour.curtain-raised" },
    });
    const item = screeningItem(room.hour, { title: "Tides", lengthMs });
    expect(item).toEqual({ title: "Tides", lengthMs, shownBeforeMs: 10 * minute, runsSince: startAt + 11 * minute });
    expect([11, 16, 31, 99].map((at) => screeningMsAt(item, startAt + at * minute) / minute)).toEqual([10, 15, 30, 30]);
  });
});
