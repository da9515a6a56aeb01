import { describe, expect, it } from "vitest";
import type { LogRow } from "@/contracts";
import type { Standing } from "@/core/room";
import { Feed } from "./feed";
import { Follower } from "./follower";
import { framed } from "./frame";
import { LogTail } from "./log-tail";

const view = (n: number) => ({ status: { it: { n } } });
const datas = (text: string) =>
  [...text.matchAll(/^data: (.*)$/gm)].map((match) => JSON.parse(match[1]!) as Record<string, unknown>);

describe("a frame", () => {
  it("is one chunk of an HTTP/1.1 body, its length in bytes, not in characters (RFC 9112 §7.1)", () => {
    expect(framed("é\n").toString()).toBe("3\r\né\n\r\n");
  });
});

describe("a view feed", () => {
  it("makes one message a change, none where nothing changed, and brings a stream up from where it stood", () => {
    const feed = new Feed("hour:desk", "e1", view(0), [0]);
    expect(feed.advance(view(0), [1])).toBe("");
    const first = feed.advance(view(1), [2]);
    expect(datas(first)).toEqual([{ topic: "hour:desk", n: 1, changes: [["status", "it", { n: 1 }]] }]);
    const second = feed.advance(view(2), [3]);
    expect(feed.welcome({ epoch: "e1", n: 0 })).toBe(first + second);
    expect(feed.welcome({ epoch: "e1", n: 1 })).toBe(second);
    expect(feed.welcome({ epoch: "e1", n: 2 })).toBe("");
  });
  it("gives the whole to a stranger, to one of another epoch, and to a position that it never had", () => {
    const feed = new Feed("hour:desk", "e2", view(0), [0]);
    feed.advance(view(1), [1]);
    const whole = [{ topic: "hour:desk", epoch: "e2", n: 1, view: view(1) }];
    for (const seen of [undefined, { epoch: "e1", n: 1 }, { epoch: "e2", n: 7 }])
      expect(datas(feed.welcome(seen))).toEqual(whole);
  });
  it("remembers so far and no farther", () => {
    const feed = new Feed("hour:desk", "e", view(0), [0]);
    for (let n = 1; n <= 300; n += 1) feed.advance(view(n), [n]);
    expect(datas(feed.welcome({ epoch: "e", n: 290 }))).toHaveLength(10);
    expect(datas(feed.welcome({ epoch: "e", n: 3 }))).toMatchObject([{ n: 300, view: view(300) }]);
  });
});

describe("the end of a log feed", () => {
  const row = (id: string, seq: number, rev: number, text: string | null): LogRow => ({
    id,
    seq,
    rev,
    row: text === null ? null : { text },
  });
  it("takes rows strictly in order; one that skips some leaves it behind until the table was read", () => {
    const tail = new LogTail("chat:house", 10, [], 0);
    tail.take(row("a", 1, 1, "one"));
    tail.take(row("c", 3, 3, "three"));
    expect(tail.isBehind).toBe(true);
    tail.catchUp([row("b", 2, 2, "two"), row("c", 3, 3, "three")]);
    expect([tail.isBehind, tail.head]).toEqual([false, 3]);
    expect((datas(tail.advance())[0]!["rows"] as LogRow[]).map((one) => one.rev)).toEqual([1, 2, 3]);
    expect(tail.advance()).toBe("");
  });
  it("gives who comes the last window in the order of places, and who comes back what changed since", () => {
    const tail = new LogTail(
      "chat:house",
      2,
      [row("a", 1, 1, "one"), row("b", 2, 2, "two"), row("c", 3, 3, "three")],
      3,
    );
    tail.take(row("a", 1, 4, null));
    const rows = (seen?: number) =>
      (datas(tail.welcome(seen))[0]!["rows"] as LogRow[]).map((one) => [one.id, one.row !== null]);
    expect(rows()).toEqual([
      ["b", true],
      ["c", true],
    ]);
    expect(rows(3)).toEqual([["a", false]]);
    expect(rows(4)).toEqual([]);
  });
});

describe("a stream", () => {
  const standing = { ticketId: "t", role: "attendee", duties: [], place: "house", isAtDesk: false } as Standing;
  const made = () => {
    const wire = {
      writableLength: 0,
      written: 0,
      write: (bytes: Uint8Array) => ((wire.written += bytes.length), true),
      begin: (own: Uint8Array, shared: Uint8Array) => void (wire.written += own.length + shared.length),
      end: () => {},
    };
    const lagged: Follower[] = [];
    return { wire, lagged, follower: new Follower("c", "t", false, standing, wire, (one) => lagged.push(one)) };
  };
  it("is given up when it lags by a megabyte, but not over the picture that it began with", () => {
    const { wire, lagged, follower } = made();
    follower.begin("x".repeat(1_500_000));
    wire.writableLength = 1_500_000;
    follower.write(Buffer.from("y"));
    expect(lagged).toEqual([]);
    // the picture has drained; from now on a megabyte is a megabyte
    wire.writableLength = 0;
    follower.write(Buffer.from("y"));
    wire.writableLength = 1_100_000;
    follower.write(Buffer.from("y"));
    expect(lagged).toEqual([follower]);
  });
  it("writes nothing after its end", () => {
    const { wire, follower } = made();
    follower.end();
    follower.write(Buffer.from("y"));
    expect(wire.written).toBe(0);
  });
});
