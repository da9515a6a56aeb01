import { describe, expect, it } from "vitest";
import { piecesKept, type Piece } from "@/core/programme";
import { ProgrammeFeed } from "./feed";

const bytes = (text: string) => new TextEncoder().encode(text);
const piece = (number: number, initNumber = 1, isHolding = false): Piece => ({
  number,
  initNumber,
  at: number * 1000,
  durationMs: 1000,
  isHolding,
});
/** A viewer's end: what came, without the chunks' frames (RFC 9112 §7.1). */
function viewer() {
  const got: string[] = [];
  const wire = {
    writableLength: 0,
    isOver: false,
    write(chunk: Uint8Array) {
      got.push(/^[0-9a-f]+\r\n([^]*)\r\n$/.exec(new TextDecoder().decode(chunk))![1]!);
      return true;
    },
    end() {
      wire.isOver = true;
    },
  };
  return { got, wire };
}
function begun(upTo: number): ProgrammeFeed {
  const feed = new ProgrammeFeed();
  feed.takeInit(1, bytes("I1"), "ann");
  for (let n = 1; n <= upTo; n += 1) feed.take(piece(n), bytes(`p${n}`), "ann");
  return feed;
}

describe("a feed of the programme", () => {
  it("gives whoever comes what reads it, the newest piece, and each that follows", () => {
    const feed = begun(3);
    const { got, wire } = viewer();
    const leave = feed.watch(wire);
    feed.take(piece(4), bytes("p4"), "ann");
    expect(got).toEqual(["I1", "p3", "p4"]);
    leave();
    feed.take(piece(5), bytes("p5"), "ann");
    expect([got.length, feed.viewerCount]).toEqual([3, 0]);
  });
  it("waits with whoever comes before it has begun", () => {
    const feed = new ProgrammeFeed();
    const { got, wire } = viewer();
    feed.watch(wire);
    feed.takeInit(1, bytes("I1"), "ann");
    feed.take(piece(1), bytes("p1"), "ann");
    expect(got).toEqual(["I1", "p1"]);
  });
  it("goes on with another composer: what reads its pieces comes before the first of them", () => {
    const feed = begun(2);
    const { got, wire } = viewer();
    feed.watch(wire);
    feed.takeInit(2, bytes("I2"), "bo");
    feed.take(piece(3, 2), bytes("q3"), "bo");
    expect(got).toEqual(["I1", "p2", "I2", "q3"]);
    expect(feed.holderId).toBe("bo");
  });
  it("shows no piece twice, none out of order, none that nothing reads", () => {
    const feed = begun(3);
    const { got, wire } = viewer();
    feed.watch(wire);
    for (const again of [piece(3), piece(2), piece(9, 7)]) feed.take(again, bytes("x"), "ann");
    expect(got).toEqual(["I1", "p3"]);
  });
  it("keeps the last ten under their numbers, and counts the changes of what reads them before those", () => {
    const feed = begun(4);
    feed.takeInit(2, bytes("I2"), "ann");
    for (let n = 5; n <= 4 + piecesKept; n += 1) feed.take(piece(n, 2), bytes(`p${n}`), "ann");
    expect(feed.pieces.map(({ number }) => number)).toEqual(Array.from({ length: piecesKept }, (_, i) => i + 5));
    expect(feed.window().discontinuities).toBe(1);
    expect([feed.piece(4), feed.init(1), feed.piece(5)?.piece.number]).toEqual([null, null, 5]);
  });
  it("holds nothing of the stage once the curtain fell, and begins there again", () => {
    const feed = begun(3);
    feed.take(piece(4, 1, true), bytes("h4"), "ann");
    feed.forgetStage();
    expect(feed.pieces.map(({ number }) => number)).toEqual([4]);
    const { got, wire } = viewer();
    feed.watch(wire);
    expect(got).toEqual(["I1", "h4"]);
  });
  it("gives up a viewer that takes nothing any more: it comes back by itself", () => {
    const feed = begun(1);
    const { wire } = viewer();
    feed.watch(wire);
    wire.writableLength = 5_000_000;
    feed.take(piece(2), bytes("p2"), "ann");
    expect([wire.isOver, feed.viewerCount]).toEqual([true, 0]);
  });
});
