import { describe, expect, it } from "vitest";
import { ChunkReader, type RtmpMessage } from "./chunk-reader";

/** C0, C1 and C2 of a caller (RTMP 1.0 §5.2): a version, and twice 1,536 bytes. */
const c1 = Buffer.alloc(1536, 7);
const greeting = Buffer.concat([Buffer.from([3]), c1, Buffer.alloc(1536, 9)]);

/** A chunk's head (§5.3.1): format and stream in one byte, then what the format carries. */
function head(format: 0 | 1 | 2 | 3, id: number, fields: { at?: number; length?: number; type?: number } = {}): Buffer {
  const { at = 0, length = 0, type = 0 } = fields;
  const bytes = [Buffer.from([(format << 6) | id])];
  const u24 = (value: number) => Buffer.from([(value >> 16) & 255, (value >> 8) & 255, value & 255]);
  if (format < 3) bytes.push(u24(at));
  if (format < 2) bytes.push(u24(length), Buffer.from([type]));
  if (format < 1) bytes.push(Buffer.from([1, 0, 0, 0]));
  return Buffer.concat(bytes);
}
/** A reader that was greeted, and what it then makes of bytes. A chunk more stands behind, as on an open line. */
function reading(...parts: readonly Buffer[]): RtmpMessage[] {
  const reader = new ChunkReader(() => {});
  reader.take(greeting);
  const out: RtmpMessage[] = [];
  for (const part of [...parts, head(0, 5, { length: 9, type: 8 })]) out.push(...reader.take(part));
  return out;
}
const body = (length: number, fill = 1) => Buffer.alloc(length, fill);

describe("messages out of chunks (RTMP 1.0 §5.3)", () => {
  it("answers the first handshake once, and reads nothing before the second", () => {
    const heard: Buffer[] = [];
    const reader = new ChunkReader((hello) => heard.push(Buffer.from(hello)));
    expect(reader.take(greeting.subarray(0, 100))).toEqual([]);
    expect(heard).toEqual([]);
    reader.take(greeting.subarray(100, 2000));
    reader.take(greeting.subarray(2000));
    expect(heard).toEqual([c1]);
  });
  it("a message in one chunk, with its kind and its time", () => {
    const [one] = reading(Buffer.concat([head(0, 4, { at: 1000, length: 3, type: 9 }), body(3)]));
    expect(one).toEqual({ type: 9, timestampMs: 1000, body: body(3) });
  });
  it("a message longer than a chunk, cut in 128 bytes, goes on with heads of one byte (§5.3.1.2.4)", () => {
    const long = Buffer.from(Array.from({ length: 300 }, (_, i) => i & 255));
    const parts = [
      Buffer.concat([head(0, 4, { length: 300, type: 9 }), long.subarray(0, 128)]),
      Buffer.concat([head(3, 4), long.subarray(128, 256)]),
      Buffer.concat([head(3, 4), long.subarray(256)]),
    ];
    expect(reading(...parts)).toEqual([{ type: 9, timestampMs: 0, body: long }]);
    // byte by byte it is the same: a line delivers as it likes
    const bytes = [...Buffer.concat(parts)].map((byte) => Buffer.from([byte]));
    expect(reading(...bytes)).toEqual([{ type: 9, timestampMs: 0, body: long }]);
  });
  it("later heads say how much later; what they leave out is as before (§5.3.1.2.2–3)", () => {
    const all = reading(
      Buffer.concat([head(0, 4, { at: 500, length: 2, type: 8 }), body(2)]),
      Buffer.concat([head(1, 4, { at: 40, length: 4, type: 9 }), body(4)]),
      Buffer.concat([head(2, 4, { at: 20 }), body(4)]),
      Buffer.concat([head(3, 4), body(4)]),
    );
    expect(all.map((one) => [one.timestampMs, one.type, one.body.length])).toEqual([
      [500, 8, 2],
      [540, 9, 4],
      [560, 9, 4],
      [580, 9, 4],
    ]);
  });
  it("sound and picture that come in turn are put together each by itself", () => {
    const all = reading(
      Buffer.concat([head(0, 4, { length: 200, type: 9 }), body(128, 1)]),
      Buffer.concat([head(0, 6, { length: 5, type: 8 }), body(5, 2)]),
      Buffer.concat([head(3, 4), body(72, 1)]),
    );
    expect(all.map((one) => [one.type, one.body.length])).toEqual([
      [8, 5],
      [9, 200],
    ]);
  });
  it("larger chunks from where they are agreed on (§5.4.1)", () => {
    const size = Buffer.alloc(4);
    size.writeUInt32BE(4096);
    const [, long] = reading(
      Buffer.concat([head(0, 2, { length: 4, type: 1 }), size]),
      Buffer.concat([head(0, 4, { length: 1000, type: 9 }), body(1000)]),
    );
    expect(long!.body).toEqual(body(1000));
  });
  it("times beyond 16,777,215 ms stand in four bytes more (§5.3.1.3)", () => {
    const extended = Buffer.alloc(4);
    extended.writeUInt32BE(20_000_000);
    const [one] = reading(Buffer.concat([head(0, 4, { at: 0xff_ff_ff, length: 1, type: 8 }), extended, body(1)]));
    expect(one).toMatchObject({ timestampMs: 20_000_000, body: body(1) });
  });
  it("streams of higher numbers have one or two bytes more (§5.3.1.1)", () => {
    const of = (first: number[]) =>
      Buffer.concat([Buffer.from(first), head(0, 0, { length: 1, type: 8 }).subarray(1), body(1)]);
    expect(reading(of([0, 10]), of([1, 10, 1])).map((one) => one.type)).toEqual([8, 8]);
  });
});
