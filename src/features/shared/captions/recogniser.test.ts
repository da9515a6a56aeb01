import { describe, expect, it } from "vitest";
import { browserRecogniser, type Hearing } from "./recogniser";
import { standInRecogniser } from "./stand-in-recogniser";

const ear = () => {
  const heard: string[] = [];
  const hearing: Hearing = {
    partial: (text) => heard.push(`… ${text}`),
    line: (text) => heard.push(text),
    failed: () => heard.push("failed"),
  };
  return { heard, hearing };
};

/** A browser's recogniser as the Web Speech API describes it (W3C draft), moved by hand. */
class Recognition {
  static last: Recognition;
  starts = 0;
  lang = "";
  onresult: ((event: object) => void) | null = null;
  onerror: ((event: object) => void) | null = null;
  onend: (() => void) | null = null;
  constructor() {
    Recognition.last = this;
  }
  start() {
    this.starts += 1;
  }
  abort() {
    this.onend?.();
  }
  says(...results: [string, boolean][]) {
    const all = results.map(([transcript, isFinal]) => Object.assign([{ transcript }], { isFinal }));
    this.onresult?.({ resultIndex: 0, results: all });
  }
}

describe("the browser's recogniser", () => {
  it("is none where the browser has none", () => expect(browserRecogniser({})).toBeNull());
  it("tells words that may change from lines that stand, in the language of the captions", () => {
    const { heard, hearing } = ear();
    browserRecogniser({ webkitSpeechRecognition: Recognition })!.start("pt", hearing);
    Recognition.last.says(["boa ", false]);
    Recognition.last.says([" Boa noite.", true], ["A maré", false], ["", false]);
    expect([Recognition.last.lang, heard]).toEqual(["pt", ["… boa", "Boa noite.", "… A maré"]]);
  });
  it("goes on after a pause, ends when it is told to, and says when it cannot go on", () => {
    const { heard, hearing } = ear();
    const own = browserRecogniser({ SpeechRecognition: Recognition })!;
    own.start("en", hearing);
    Recognition.last.onerror?.({ error: "no-speech" });
    Recognition.last.onend?.();
    expect([Recognition.last.starts, heard]).toEqual([2, []]);
    own.stop();
    expect(Recognition.last.starts).toBe(2);
    own.start("en", hearing);
    Recognition.last.onerror?.({ error: "not-allowed" });
    Recognition.last.onend?.();
    expect([Recognition.last.starts, heard]).toEqual([1, ["failed"]]);
  });
});

describe("the stand-in", () => {
  it("says invented lines word by word, and nothing once it is stopped", () => {
    const { heard, hearing } = ear();
    let tick: (() => void) | null = null;
    const own = standInRecogniser((run) => {
      tick = run;
      return () => (tick = null);
    });
    own.start("en", hearing);
    for (let i = 0; i < 11; i++) tick!();
    expect([heard[0], heard[9], heard[10]]).toEqual([
      "… Good",
      "Good evening from the shore, the tide is going out.",
      "… We",
    ]);
    own.stop();
    expect(tick).toBeNull();
  });
});
