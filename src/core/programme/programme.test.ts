import { describe, expect, it } from "vitest";
import {
  boxesOf,
  inTurn,
  isFeedName,
  isHeld,
  kindOfBytes,
  paceFor,
  playlistOf,
  waitsMs,
  type Able,
  type Piece,
} from ".";

/** A box of ISO/IEC 14496-12 §4.2 with some bytes in it. */
const box = (type: string, bytes = 4): Uint8Array => {
  const out = new Uint8Array(8 + bytes);
  new DataView(out.buffer).setUint32(0, out.length);
  out.set(
    [...type].map((letter) => letter.charCodeAt(0)),
    4,
  );
  return out;
};
const join = (...parts: Uint8Array[]) => new Uint8Array(Buffer.concat(parts));

describe("what is posted to a feed", () => {
  it("is an initialisation or a piece by its boxes, or nothing", () => {
    expect(kindOfBytes(join(box("ftyp"), box("moov", 90)))).toBe("init");
    expect(kindOfBytes(join(box("moof"), box("mdat", 900)))).toBe("piece");
    expect(kindOfBytes(join(box("styp"), box("moof"), box("mdat"), box("moof"), box("mdat")))).toBe("piece");
    for (const wrong of [
      new Uint8Array(0),
      new TextEncoder().encode("<html><body>no</body></html>"),
      join(box("moof")),
      join(box("mdat"), box("moof")),
      join(box("ftyp"), box("moov"), box("moof"), box("mdat")),
      join(box("moof"), box("mdat")).subarray(0, 20),
    ])
      expect(kindOfBytes(wrong)).toBeNull();
  });
  it("may say its size in 64 bits, or that it goes to the end", () => {
    const long = new Uint8Array(24);
    const view = new DataView(long.buffer);
    view.setUint32(0, 1);
    view.setBigUint64(8, 24n);
    long.set([109, 100, 97, 116], 4);
    const open = box("mdat", 9);
    new DataView(open.buffer).setUint32(0, 0);
    expect(boxesOf(join(box("moof"), long))).toEqual(["moof", "mdat"]);
    expect(boxesOf(join(box("moof"), open))).toEqual(["moof", "mdat"]);
  });
  it("goes to feeds that have a name", () => {
    expect(["programme", "sound:es", "sound:es-419"].map(isFeedName)).toEqual([true, true, true]);
    expect(["sound:", "sound:../x", "stage", ""].map(isFeedName)).toEqual([false, false, false, false]);
  });
});

describe("the playlist (RFC 8216)", () => {
  const at = Date.parse("2026-11-26T18:00:00Z");
  const piece = (number: number, initNumber: number, durationMs = 1000): Piece => ({
    number,
    initNumber,
    at: at + number * 1000,
    durationMs,
    isHolding: false,
  });
  const lines = (text: string) => text.trimEnd().split("\n");

  it("lists what there is, each piece by the map that reads it, a change of map with its mark", () => {
    expect(lines(playlistOf({ pieces: [piece(7, 2), piece(8, 2, 967), piece(9, 3)], discontinuities: 1 }))).toEqual([
      "#EXTM3U",
      "#EXT-X-VERSION:7",
      "#EXT-X-TARGETDURATION:1",
      "#EXT-X-MEDIA-SEQUENCE:7",
      "#EXT-X-DISCONTINUITY-SEQUENCE:1",
      "#EXT-X-INDEPENDENT-SEGMENTS",
      '#EXT-X-MAP:URI="init-2.mp4"',
      "#EXT-X-PROGRAM-DATE-TIME:2026-11-26T18:00:06.000Z",
      "#EXTINF:1.000,",
      "piece-7.m4s",
      "#EXT-X-PROGRAM-DATE-TIME:2026-11-26T18:00:07.033Z",
      "#EXTINF:0.967,",
      "piece-8.m4s",
      "#EXT-X-DISCONTINUITY",
      '#EXT-X-MAP:URI="init-3.mp4"',
      "#EXT-X-PROGRAM-DATE-TIME:2026-11-26T18:00:08.000Z",
      "#EXTINF:1.000,",
      "piece-9.m4s",
    ]);
  });
  it("keeps §4.3.3.1: no piece, rounded, is longer than the target duration", () => {
    const text = playlistOf({ pieces: [piece(1, 1, 1499), piece(2, 1, 1600)], discontinuities: 0 });
    const target = Number(/TARGETDURATION:(\d+)/.exec(text)![1]);
    for (const [, seconds] of text.matchAll(/EXTINF:([\d.]+)/g))
      expect(Math.round(Number(seconds))).toBeLessThanOrEqual(target);
  });
  it("of a feed that has not begun is empty and valid", () => {
    expect(lines(playlistOf({ pieces: [], discontinuities: 0 })).slice(0, 4)).toEqual([
      "#EXTM3U",
      "#EXT-X-VERSION:7",
      "#EXT-X-TARGETDURATION:1",
      "#EXT-X-MEDIA-SEQUENCE:0",
    ]);
  });
});

describe("rule 26: the lease", () => {
  it("is lost after 3 s without a renewal", () => {
    const lease = { holderId: "p", device: "d", renewedAt: 10_000 };
    expect([isHeld(lease, 12_999), isHeld(lease, 13_000), isHeld(null, 0)]).toEqual([true, false, false]);
  });
  it("goes to the desk first, then to people on stage by how long they are there", () => {
    const able: Able[] = [
      { id: "late", isDesk: false, sinceAt: 30 },
      { id: "early", isDesk: false, sinceAt: 10 },
      { id: "second-desk", isDesk: true, sinceAt: 40 },
      { id: "desk", isDesk: true, sinceAt: 20 },
    ];
    expect(inTurn(able).map((one) => one.id)).toEqual(["desk", "second-desk", "early", "late"]);
    expect([0, 1, 2].map(waitsMs)).toEqual([0, 1500, 3000]);
  });
});

describe("rule 26: a viewer who is behind", () => {
  it("jumps beyond 3 s, plays at 1.08 up to there, and at 1 where it belongs", () => {
    expect(paceFor(10, 13.01, false)).toEqual({ kind: "jump", to: 13.01 - 1.2 });
    expect(paceFor(10, 12.9, false)).toEqual({ kind: "play", rate: 1.08 });
    expect(paceFor(10, 11.2, false)).toEqual({ kind: "play", rate: 1 });
  });
  it("goes on catching up until the aim is reached: the rate does not flutter", () => {
    expect(paceFor(10, 11.4, false)).toEqual({ kind: "play", rate: 1 });
    expect(paceFor(10, 11.4, true)).toEqual({ kind: "play", rate: 1.08 });
    let [at, rate, changes] = [0, 1, 0];
    for (let i = 0, end = 2.5; i < 600; i += 1, end += 0.1) {
      const pace = paceFor(at, end, rate > 1);
      const next = pace.kind === "play" ? pace.rate : 1;
      if (next !== rate) changes += 1;
      rate = next;
      at += 0.1 * rate;
    }
    expect(changes).toBeLessThanOrEqual(2);
  });
});
