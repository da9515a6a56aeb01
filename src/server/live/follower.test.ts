import { describe, expect, it } from "vitest";
import type { Standing } from "@/core/room";
import { Follower } from "./follower";
import { framed } from "./frame";

const standing: Standing = { ticketId: "t", role: "attendee", duties: [], place: "house", isAtDesk: false };
function stream() {
  const sent: Uint8Array[] = [];
  const wire = {
    writableLength: 0,
    write: (bytes: Uint8Array) => sent.push(bytes) > 0,
    begin: (own: Uint8Array, shared: Uint8Array) => void sent.push(own, shared),
    end: (bytes: Uint8Array) => void sent.push(bytes),
  };
  const lagged: string[] = [];
  const follower = new Follower("c", "t", false, standing, wire, (one) => lagged.push(one.connectionId));
  return { follower, wire, sent, lagged };
}

describe("one open stream", () => {
  it("frames what it sends as a chunk of HTTP/1.1 (RFC 9112 §7.1: length in hexadecimal octets)", () => {
    expect(framed("é\n").toString()).toBe("3\r\né\n\r\n");
    expect(framed("x".repeat(255)).toString().slice(0, 4)).toBe("ff\r\n");
  });

  it("gives up a reader who leaves a megabyte unread", () => {
    const { follower, wire, sent, lagged } = stream();
    follower.write(framed("a"));
    wire.writableLength = 1_000_000;
    follower.write(framed("b"));
    expect([sent.length, lagged]).toEqual([2, []]);
    wire.writableLength = 1_000_001;
    follower.write(framed("c"));
    expect([sent.length, lagged]).toEqual([2, ["c"]]);
  });

  it("takes a large picture to begin with for no lag, until it has been read", () => {
    const { follower, wire, lagged } = stream();
    follower.begin("x".repeat(3_000_000));
    wire.writableLength = 3_000_000;
    follower.write(framed("a change meanwhile"));
    expect(lagged).toEqual([]);
    wire.writableLength = 0;
    follower.write(framed("read"));
    wire.writableLength = 3_000_000;
    follower.write(framed("behind"));
    expect(lagged).toEqual(["c"]);
  });

  it("says its last word once, and nothing after", () => {
    const { follower, sent } = stream();
    follower.end();
    follower.end();
    follower.write(framed("late"));
    follower.begin("late");
    expect(sent.map((bytes) => new TextDecoder().decode(bytes))).toEqual(["0\r\n\r\n"]);
  });
});
