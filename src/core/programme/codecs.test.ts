import { describe, expect, it } from "vitest";
import { typeOf } from "./codecs";

const text = (letters: string) => [...letters].map((one) => one.charCodeAt(0));
/** A box of ISO/IEC 14496-12 §4.2 around bytes. */
const box = (type: string, ...inner: number[]): number[] => {
  const size = 8 + inner.length;
  return [(size >>> 24) & 255, (size >>> 16) & 255, (size >>> 8) & 255, size & 255, ...text(type), ...inner];
};
// ISO/IEC 14496-15 §5.3.3.1: version, profile, compatibility, level
const avcC = box("avcC", 1, 0x42, 0xc0, 0x1f, 0xff);
const init = (...inner: number[]) => new Uint8Array([...box("ftyp", ...text("isom")), ...box("moov", ...inner)]);

describe("what a player is told of a feed (RFC 6381)", () => {
  it("names the profile that the picture has, and the sound", () => {
    expect(typeOf(init(...avcC, ...box("Opus", 0, 0)))).toBe('video/mp4; codecs="avc1.42c01f,opus"');
    expect(typeOf(init(...avcC))).toBe('video/mp4; codecs="avc1.42c01f"');
    expect(typeOf(init(...box("Opus", 0)))).toBe('audio/mp4; codecs="opus"');
    expect(typeOf(init(...avcC, ...box("mp4a", 0)))).toBe('video/mp4; codecs="avc1.42c01f,mp4a.40.2"');
  });
  it("waits until the segment is whole, and says nothing of what it does not know", () => {
    const whole = init(...avcC, ...box("Opus", 0, 0));
    for (let length = 0; length < whole.length; length += 1) expect(typeOf(whole.subarray(0, length))).toBeNull();
    expect(typeOf(init(...box("vp09", 0)))).toBeNull();
  });
});
