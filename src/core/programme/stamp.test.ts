import { describe, expect, it } from "vitest";
import { boxesOf, FeedParts, kindOfBytes, stampOf, stamped } from ".";

/** A box of ISO/IEC 14496-12 §4.2. */
function box(type: string, ...inner: (Uint8Array | number)[]): Uint8Array {
  const content = Buffer.concat(inner.map((one) => (typeof one === "number" ? Buffer.from([one]) : one)));
  const head = Buffer.alloc(8);
  head.writeUInt32BE(8 + content.length);
  head.write(type, 4, "latin1");
  return new Uint8Array(Buffer.concat([head, content]));
}
const words = (...values: number[]): Uint8Array => {
  const out = Buffer.alloc(values.length * 4);
  values.forEach((value, i) => out.writeUInt32BE(value, i * 4));
  return new Uint8Array(out);
};
const join = (...parts: Uint8Array[]) => new Uint8Array(Buffer.concat(parts));
// tfhd (§8.8.7): flags, track 2; tfdt (§8.8.12) of version 0 and 1
const piece = (tfdt: Uint8Array) =>
  join(box("moof", box("traf", box("tfhd", words(0, 2)), box("tfdt", tfdt))), box("mdat", new Uint8Array(40)));
const init = join(box("ftyp", words(1)), box("moov", words(2, 3)));

describe("a piece with its instant (prft, ISO/IEC 14496-12 §8.16.5)", () => {
  it("is the same piece behind a box of 32 bytes: track, time of NTP (RFC 5905), time of the medium", () => {
    const plain = piece(words(0, 45_000));
    const at = Date.parse("2026-11-28T18:00:00.250Z");
    const out = stamped(plain, at);
    expect([out.length - plain.length, boxesOf(out), kindOfBytes(out)]).toEqual([
      32,
      ["prft", "moof", "mdat"],
      "piece",
    ]);
    const view = new DataView(out.buffer);
    expect([view.getUint32(8) >>> 24, view.getUint32(12), view.getBigUint64(24)]).toEqual([1, 2, 45_000n]);
    // seconds from 1900, the fraction in 2^32ths: a quarter
    expect([view.getUint32(16), view.getUint32(20)]).toEqual([at / 1000 - 0.25 + 2_208_988_800, 2 ** 30]);
    expect(out.subarray(32)).toEqual(plain);
  });
  it("is read again to the millisecond; a piece without it has no instant", () => {
    for (const at of [0, 999, 1_764_352_800_001, 1_764_352_800_999])
      expect(stampOf(stamped(piece(words(0, 1)), at))).toBe(at);
    expect(stampOf(piece(words(0, 1)))).toBeNull();
    expect(stampOf(new Uint8Array(3))).toBeNull();
  });
  it("takes a medium's time of 64 bits too", () => {
    const out = stamped(piece(words(1 << 24, 1, 7)), 1000);
    expect(new DataView(out.buffer).getBigUint64(24)).toBe(2n ** 32n + 7n);
  });
});

describe("a feed as it comes off the line", () => {
  const whole = [init, stamped(piece(words(0, 1)), 1000), stamped(piece(words(0, 2)), 2000), init, piece(words(0, 3))];
  const stream = join(...whole);

  it("gives the same parts, however it is cut", () => {
    for (const size of [1, 7, 32, 61, stream.length]) {
      const parts = new FeedParts();
      const out: { isInit: boolean; bytes: Uint8Array }[] = [];
      for (let at = 0; at < stream.length; at += size) out.push(...parts.take(stream.subarray(at, at + size)));
      expect(out.map(({ bytes }) => bytes)).toEqual(whole);
      expect(out.map(({ isInit }) => isInit)).toEqual([true, false, false, true, false]);
    }
  });
  it("holds back what is not whole yet", () => {
    const parts = new FeedParts();
    expect(parts.take(stream.subarray(0, init.length - 1))).toEqual([]);
    expect(parts.take(stream.subarray(init.length - 1, init.length))).toHaveLength(1);
    expect(parts.take(whole[1]!.subarray(0, 50))).toEqual([]);
  });
});
