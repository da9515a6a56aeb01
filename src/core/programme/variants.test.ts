import { describe, expect, it } from "vitest";
import {
  feedOfVariant,
  feedPath,
  initPath,
  isFeedName,
  isProgrammeFeed,
  listPath,
  masterPlaylistOf,
  piecePath,
  playlistOf,
  programmePartOf,
  variants,
} from ".";

describe("as what the programme is sent", () => {
  it("whole under the addresses it always had; smaller and as sound alone beside them", () => {
    expect(variants.map(feedPath)).toEqual(["programme", "programme-270", "programme-sound"]);
    expect(variants.map(listPath)).toEqual(["programme.m3u8", "programme-270.m3u8", "programme-sound.m3u8"]);
    expect(variants.map((one) => initPath(one, 3))).toEqual(["init-3.mp4", "init-270-3.mp4", "init-sound-3.mp4"]);
    expect(piecePath("full", 12)).toBe("piece-12.m4s");
    expect(variants.map(feedOfVariant).every((one) => isFeedName(one) && isProgrammeFeed(one))).toBe(true);
    expect(["sound:es", "programme:es", "programme:"].map(isProgrammeFeed)).toEqual([false, false, false]);
  });
  it("reads every address it writes, and no other", () => {
    for (const variant of variants) {
      expect(programmePartOf(feedPath(variant))).toEqual({ kind: "feed", variant });
      expect(programmePartOf(listPath(variant))).toEqual({ kind: "list", variant });
      // a number that is a suffix of another variant is a number all the same
      for (const number of [0, 7, 270]) {
        expect(programmePartOf(initPath(variant, number))).toEqual({ kind: "init", variant, number });
        expect(programmePartOf(piecePath(variant, number))).toEqual({ kind: "piece", variant, number });
      }
    }
    expect(programmePartOf("programme-all.m3u8")).toEqual({ kind: "all" });
    for (const wrong of [
      "programme-540",
      "programme-270-3",
      "piece-3.mp4",
      "init-3",
      "piece-.m4s",
      "piece-1e3.m4s",
      "x",
    ])
      expect(programmePartOf(wrong)).toBeNull();
  });
});

describe("the list of every picture (RFC 8216 §4.3.4.2)", () => {
  it("names bandwidth, size and codecs, each with its list on the line after it", () => {
    const text = masterPlaylistOf([
      { variant: "full", codecs: "avc1.42c01f,opus" },
      { variant: "small", codecs: null },
    ]);
    const lines = text.trimEnd().split("\n");
    expect(lines.slice(0, 3)).toEqual(["#EXTM3U", "#EXT-X-VERSION:7", "#EXT-X-INDEPENDENT-SEGMENTS"]);
    expect(lines.slice(3)).toEqual([
      '#EXT-X-STREAM-INF:BANDWIDTH=1123200,AVERAGE-BANDWIDTH=864000,RESOLUTION=960x540,CODECS="avc1.42c01f,opus"',
      "programme.m3u8",
      "#EXT-X-STREAM-INF:BANDWIDTH=301600,AVERAGE-BANDWIDTH=232000,RESOLUTION=480x270",
      "programme-270.m3u8",
    ]);
  });
  it("leads to lists that name their own pieces", () => {
    const one = { number: 4, initNumber: 2, at: 5000, durationMs: 1000, isHolding: false };
    const text = playlistOf({ pieces: [one], discontinuities: 0 }, "small");
    expect(text).toContain('URI="init-270-2.mp4"');
    expect(text.trimEnd().split("\n").at(-1)).toBe("piece-270-4.m4s");
  });
});
