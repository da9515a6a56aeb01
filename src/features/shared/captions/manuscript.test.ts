import { describe, expect, it } from "vitest";
import { shortsIn } from "./captioner";
import { isDue } from "./use-manuscript";

describe("a text fed by the voice", () => {
  it("goes on once the line that stands was heard for as long as it is read (rule 24)", () => {
    const fourteen = ["one two three four five six seven", "eight nine ten eleven twelve thirteen fourteen"];
    expect(isDue(fourteen, 4940)).toBe(false);
    expect(isDue(fourteen, 4942)).toBe(true);
    expect(isDue(["Yes."], 1199)).toBe(false);
    expect(isDue(["Yes."], 1200)).toBe(true);
    expect(isDue(undefined, 9999)).toBe(false);
  });
});

describe("a captioner's abbreviations", () => {
  it("are one a line; what is none is passed over", () => {
    expect(shortsIn("hw = high water\n\nbrw=Brinewold\nnothing\n = x\ny =")).toEqual({
      hw: "high water",
      brw: "Brinewold",
    });
  });
});
