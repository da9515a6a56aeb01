import { beforeEach, describe, expect, it, vi } from "vitest";
import { emptyRoom, foldAll, noFigures, type JournalEntry } from "@/core/room";
import { dismissLongAway, doneByTime } from "./by-time";
import type { HubPorts } from "./hub-ports";
import type { LiveRoom } from "./live-room";
import { AwayVoices } from "./away-voices";
import { spaceReadEveryMs } from "./pace-of-rooms";

const at = Date.parse("2026-11-26T18:00:00Z");
const entry = (seq: number, body: object): JournalEntry => ({ seq, at, actorId: "p", body }) as JournalEntry;
const space = { recordableMs: 3_600_000, isFull: false };

const asked: string[] = [];
const errors: string[] = [];
let ports: HubPorts;
beforeEach(() => {
  asked.length = 0;
  errors.length = 0;
  ports = {
    log: { error: (what: string) => errors.push(what) },
    closePolls: vi.fn(async (_: string, ids: string[]) => void asked.push(`close ${ids.join()}`)),
    runScreening: vi.fn(async () => void asked.push("screen")),
    dismissAway: vi.fn(async (_: string, ids: string[]) => void asked.push(`dismiss ${ids.join()}`)),
    spaceFor: vi.fn(async () => (asked.push("space"), space)),
  } as unknown as HubPorts;
});

const roomOf = (entries: readonly JournalEntry[], screening: object | null = null): LiveRoom =>
  ({
    occurrenceId: "d1",
    state: foldAll(emptyRoom, entries),
    figures: noFigures,
    areFiguresDirty: false,
    awayVoices: new AwayVoices(),
    words: { event: { screening, times: { startAt: at, endAt: at + 3_600_000, callAt: at - 1_200_000 } } },
  }) as unknown as LiveRoom;
const open = [entry(1, { type: "hour.doors-opened" }), entry(2, { type: "hour.curtain-raised" })];

describe("what time alone brings about", () => {
  it("is nothing in a quiet room, but for a look at the space while the hour runs", async () => {
    await doneByTime(ports, roomOf([]), at);
    expect(asked).toEqual([]);
    const room = roomOf(open);
    await doneByTime(ports, room, at);
    await doneByTime(ports, room, at + spaceReadEveryMs - 1);
    expect(asked).toEqual(["space"]);
    expect(room.figures.space).toEqual(space);
    await doneByTime(ports, room, at + spaceReadEveryMs);
    expect(asked).toEqual(["space", "space"]);
  });
  it("shows the space anew only where it changed", async () => {
    const room = roomOf(open);
    await doneByTime(ports, room, at);
    expect(room.areFiguresDirty).toBe(true);
    room.areFiguresDirty = false;
    await doneByTime(ports, room, at + spaceReadEveryMs);
    expect(room.areFiguresDirty).toBe(false);
  });
  it("begins a screening by itself at its hour", async () => {
    await doneByTime(ports, roomOf([], { lengthMs: 600_000 }), at);
    expect(asked).toContain("screen");
  });
  it("of what fails for one date holds nothing else up; a database that is away is another matter", async () => {
    vi.mocked(ports.runScreening).mockRejectedValueOnce(new Error("deleted in this moment"));
    // long over: it would end by itself
    await doneByTime(ports, roomOf(open, { lengthMs: 600_000 }), at + 7_200_000);
    expect(errors).toEqual(["a screening did not go on"]);
    expect(asked).toEqual(["space"]);
    const away = Object.assign(new Error("connect ECONNREFUSED"), { code: "ECONNREFUSED" });
    vi.mocked(ports.spaceFor).mockRejectedValueOnce(away);
    await expect(doneByTime(ports, roomOf(open), at)).rejects.toBe(away);
  });
  it("takes hands back from whoever is away for long", async () => {
    const room = roomOf([...open, entry(3, { type: "floor.hand-raised", ticketId: "a1" })]);
    await dismissLongAway(ports, room, at);
    expect(asked).toEqual([]);
    await dismissLongAway(ports, room, at + 60_000);
    expect(asked).toEqual(["dismiss a1"]);
  });
});
