import { describe, expect, it } from "vitest";
import { emptyRoom, foldAll, logTopics, type JournalEntry, type Standing } from "@/core/room";
import { at, words } from "@/core/room/test-room";
import { Follower } from "./follower";
import { LiveRoom } from "./live-room";
import { LogTail } from "./log-tail";

const standing: Standing = { ticketId: "a1", role: "attendee", duties: [], place: "house", isAtDesk: false };
const entry = (seq: number, body: JournalEntry["body"]): JournalEntry => ({ seq, at, actorId: "p", body });

function house() {
  const room = new LiveRoom("r", "o", "e", "org", words, "epoch", () => at);
  room.state = foldAll(emptyRoom, [entry(1, { type: "hour.doors-opened" }), entry(2, { type: "hour.curtain-raised" })]);
  const log = new LogTail("chat:house", 50, [], 0);
  for (const topic of logTopics.keys()) room.logs.set(topic, new LogTail(topic, 50, [], 0));
  room.logs.set("chat:house", log);
  const heard: string[] = [];
  const wire = {
    writableLength: 0,
    write: (bytes: Uint8Array) => heard.push(Buffer.from(bytes).toString()) > 0,
    begin: (own: Uint8Array, shared: Uint8Array) => void heard.push(Buffer.concat([own, shared]).toString()),
    end: () => {},
  };
  room.add(new Follower("c", "a1", false, standing, wire, () => {}), new Map());
  heard.length = 0;
  return { room, log, heard };
}

describe("what an act shows at once", () => {
  it("is its own capability's part; lines that have gathered go with the tick, and the room asks for one", () => {
    const { room, log, heard } = house();
    room.areFiguresDirty = false;
    log.take({ id: "l1", seq: 1, rev: 1, row: { text: "A line" } });
    room.foldIn([
      entry(3, { type: "floor.offered", ticketId: "a1", parts: ["sound"] }),
      entry(4, { type: "floor.accepted", ticketId: "a1" }),
      entry(5, { type: "floor.microphone-set", ticketId: "a1", isOpen: true }),
    ]);
    room.publish(new Set(["floor"]));
    expect(heard.join("")).toContain('"floor:house"');
    expect(heard.join("")).not.toContain("A line");
    expect(room.areFiguresDirty).toBe(true);
    room.publish();
    expect(heard.at(-1)).toContain("A line");
    expect(heard).toHaveLength(2);
  });
  it("is nothing where the act is none of the house's", () => {
    const { room, heard } = house();
    room.foldIn([entry(3, { type: "floor.hand-raised", ticketId: "a1" })]);
    room.publish(new Set(["floor"]));
    expect(heard).toEqual([]);
  });
});

describe("whoever comes", () => {
  const comeTo = (room: LiveRoom, ticketId: string) => {
    const heard: string[] = [];
    const wire = {
      writableLength: 0,
      write: (bytes: Uint8Array) => heard.push(Buffer.from(bytes).toString()) > 0,
      begin: (own: Uint8Array, shared: Uint8Array) => void heard.push(Buffer.concat([own, shared]).toString()),
      end: () => {},
    };
    room.add(new Follower(`c-${ticketId}`, ticketId, false, { ...standing, ticketId }, wire, () => {}), new Map());
    return heard;
  };
  const picturesIn = (text: string) => [...text.matchAll(/^event: snapshot\ndata: (.*)$/gm)].map(([, data]) => data);
  it("gets the same pictures as whoever came before, in one write, and those of now once something changed", () => {
    const { room } = house();
    const [first, second] = [comeTo(room, "a2"), comeTo(room, "a3")];
    expect([first.length, second.length]).toEqual([1, 1]);
    expect(picturesIn(second[0]!)).toEqual(picturesIn(first[0]!));
    expect(picturesIn(first[0]!).length).toBeGreaterThan(3);
    // each is named by their own connection
    expect(second[0]).toContain('"connectionId":"c-a3"');
    room.foldIn([entry(3, { type: "hour.curtain-dropped" })]);
    room.publish();
    const third = comeTo(room, "a4");
    expect(third[0]).toContain('"isCurtainUp":false');
    expect(third[0]).not.toContain('"isCurtainUp":true');
  });
});
