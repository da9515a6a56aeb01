import { describe, expect, it } from "vitest";
import { amfBytes, amfValues, type AmfValue } from "./amf0";

const hex = (bytes: Buffer): string => bytes.toString("hex").replace(/(..)(?=.)/g, "$1 ");
const from = (text: string): Buffer => Buffer.from(text.replaceAll(" ", ""), "hex");

/** Markers and layouts as Adobe's "Action Message Format – AMF 0" (2007), §2.2–2.7 and 2.10 give them. */
describe("values of AMF0", () => {
  it.each([
    ["a number: marker 0 and an IEEE-754 double, highest byte first", 1, "00 3f f0 00 00 00 00 00 00"],
    ["a fraction below zero", -0.5, "00 bf e0 00 00 00 00 00 00"],
    ["yes", true, "01 01"],
    ["no", false, "01 00"],
    ["words: a length of two bytes, then UTF-8", "live", "02 00 04 6c 69 76 65"],
    ["words of other scripts, counted in bytes", "é", "02 00 02 c3 a9"],
    ["nothing", null, "05"],
    [
      "an object: pairs, then an empty name and marker 9",
      { app: "tides" },
      "03 00 03 61 70 70 02 00 05 74 69 64 65 73 00 00 09",
    ],
  ] satisfies [string, AmfValue, string][])("%s", (_, value, bytes) => {
    expect(hex(amfBytes(value))).toBe(bytes);
    expect(amfValues(from(bytes))).toEqual([value]);
  });

  it("are read one after another, objects within objects", () => {
    const all: AmfValue[] = ["connect", 1, { app: "live", caps: { audio: 31, isLive: true }, none: null }];
    expect(amfValues(Buffer.concat(all.map(amfBytes)))).toEqual(all);
  });
  it("take an array with names for an object, and what is undefined for nothing", () => {
    // ECMA array (§2.10): marker 8, a count that is only a hint, then as an object
    expect(amfValues(from("08 00 00 00 01 00 01 61 01 01 00 00 09"))).toEqual([{ a: true }]);
    expect(amfValues(from("06"))).toEqual([null]);
  });
  it("end where something stands that is not spoken here", () => {
    // a date (marker 11) after a word
    expect(amfValues(from("02 00 01 61 0b 00 00 00 00 00 00 00 00 00 00"))).toEqual(["a"]);
    expect(amfValues(Buffer.alloc(0))).toEqual([]);
  });
});
