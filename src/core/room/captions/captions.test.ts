import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { open, play, refusal } from "../test-room";
import { breakCaptions, expanded, lettersIn, mostLineLetters, standsMs } from "./break";
import { mostCaptionLanguages, type CaptionLine } from "./state";
import { vttOf } from "./vtt";

describe("rule 24: a caption has at most two lines of 37 letters", () => {
  it("stands as long as its words take at 170 a minute, never under 1.2 s or over 7 s", () => {
    const words = (n: number) => Array.from({ length: n }, () => "tide").join(" ");
    expect(standsMs(words(14)) / 1000).toBeCloseTo(4.94, 2);
    expect(standsMs("Yes.")).toBe(1200);
    expect(standsMs(words(40))).toBe(7000);
  });
  it("is broken at spaces, after punctuation rather than within a phrase", () => {
    expect(breakCaptions("The knots came early this winter, and curlews left before the frost.")).toEqual(
      [["The knots came early this winter,", "and curlews left before the frost."]].map((lines) =>
        lines.map((line) => line),
      ),
    );
    expect(breakCaptions("High water was at six. We counted until the light was gone on the north creek.")).toEqual([
      ["High water was at six."],
      ["We counted until the light was gone", "on the north creek."],
    ]);
    expect(breakCaptions("  ")).toEqual([]);
  });
  it("loses no word and keeps every bound, 1,000 generated texts in four scripts", () => {
    const word = fc.oneof(
      fc.stringMatching(/^[a-z]{1,12}[,.;!?]?$/),
      fc.constantFrom("мороз,", "прилив", "الطيور", "الشاطئ؟", "潮が満ちる。", "é\u0301tang", "🦆"),
    );
    fc.assert(
      fc.property(fc.array(word, { maxLength: 60 }), (words) => {
        const captions = breakCaptions(words.join(" "));
        for (const lines of captions) {
          expect(lines.length).toBeLessThanOrEqual(2);
          for (const line of lines) expect(lettersIn(line)).toBeLessThanOrEqual(mostLineLetters);
        }
        expect(captions.flat().join(" ").split(" ").filter(Boolean)).toEqual(words.filter(Boolean));
      }),
      { numRuns: 1000 },
    );
  });
  it("parts a word that is longer than a line", () => {
    const long = "x".repeat(80);
    expect(breakCaptions(long).flat().map(lettersIn)).toEqual([37, 37, 6]);
  });
  it("fills a captioner's abbreviations in, whole words alone", () => {
    const short = { brw: "Brinewold", hw: "high water" };
    expect(expanded("At hw in brw, not hwx", short)).toBe("At high water in Brinewold, not hwx");
    expect(expanded("constructor", short)).toBe("constructor");
  });
});

const line = (id: string, atSeconds: number, ...lines: string[]): CaptionLine => ({
  ...{ id, language: "en", lines, at: atSeconds * 1000 },
  standsMs: standsMs(lines.join(" ")),
});

describe("captions as a WebVTT file", () => {
  it("writes times and escapes as the standard says (W3C WebVTT, 4.1)", () => {
    const text = vttOf([line("a", 10, "Knots & curlews", "<more>"), line("b", 11, "Next")], (at) => at - 9000);
    expect(text).toBe(
      "WEBVTT\n\n00:00:01.000 --> 00:00:02.000\nKnots &amp; curlews\n&lt;more&gt;\n\n00:00:02.000 --> 00:00:03.200\nNext\n",
    );
  });
  it("moves with the recording's clock, and leaves out what is not in it (rule 25)", () => {
    // recorded from 10 s on; what was said before is not in it
    const text = vttOf([line("a", 2, "Before"), line("b", 12, "After")], (at) => (at < 10_000 ? null : at - 10_000));
    expect(text).not.toContain("Before");
    expect(text).toContain("00:00:02.000 --> 00:00:03.200\nAfter");
  });
});

it("which languages there are is the desk's to say", () => {
  const set = (...languages: string[]) => ({ type: "captions.set-languages" as const, languages });
  const two = play(open, [set("en", "es", "en")]);
  expect(two.captions.languages).toEqual(["en", "es"]);
  expect(refusal(two, set("en", "es"))).toBe("already-done");
  const many = play(open, [set("a", "b", "c", "d", "e", "f", "g")]);
  expect(many.captions.languages).toHaveLength(mostCaptionLanguages);
});
