import { describe, expect, it } from "vitest";
import { EventReader } from "./event-reader";

/** What comes of an answer whose bytes arrive in these pieces. */
function read(pieces: readonly Buffer[]) {
  const told: string[] = [];
  const reader = new EventReader({
    opened: () => told.push("opened"),
    refused: (status) => told.push(`refused ${status}`),
    message: (event, data) => told.push(`${event}: ${data}`),
  });
  // the place they are read into is used again, as a socket does
  const place = Buffer.alloc(10_000);
  for (const piece of pieces) {
    piece.copy(place);
    reader.take(place.subarray(0, piece.length));
    place.fill(0);
  }
  return told;
}
const chunk = (text: string) => `${Buffer.byteLength(text).toString(16)}\r\n${text}\r\n`;
const head = "HTTP/1.1 200 OK\r\ncontent-type: text/event-stream\r\nTransfer-Encoding: chunked\r\n\r\n";
const stream = Buffer.from(
  head +
    chunk('event: follow\ndata: {"now":1}\n\n') +
    // a proxy cuts anew: a message over two chunks, and two in one
    chunk("event: change\nda") +
    chunk("ta: Grüße, Østerskår\n\n: still here\n\nevent: beat\ndata: {}\n\n") +
    chunk("data: without a name\ndata: and of two lines\n\n"),
);
const all = [
  "opened",
  'follow: {"now":1}',
  "change: Grüße, Østerskår",
  "beat: {}",
  "message: without a name\nand of two lines",
];

describe("an event stream from an answer's bytes", () => {
  it("says the same wherever they are cut, in the midst of a letter too", () => {
    expect(read([stream])).toEqual(all);
    for (let at = 1; at < stream.length; at += 1)
      expect(read([stream.subarray(0, at), stream.subarray(at)])).toEqual(all);
    expect(read([...stream].map((byte) => Buffer.from([byte])))).toEqual(all);
  });

  it("tells of a message as soon as it is whole", () => {
    const end = stream.indexOf('{"now":1}') + 9;
    expect(read([stream.subarray(0, end + 2)])).toEqual(["opened"]);
    expect(read([stream.subarray(0, end + 4)])).toEqual(all.slice(0, 2));
  });

  it("says with what it was refused", () => {
    expect(read([Buffer.from("HTTP/1.1 409 Conflict\r\ncontent-length: 2\r\n\r\n{}")])).toEqual(["refused 409"]);
    // a page in a stream's place is no stream
    expect(read([Buffer.from("HTTP/1.1 200 OK\r\ncontent-length: 2\r\n\r\n{}")])).toEqual(["refused 200"]);
  });
});
