import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { byteRange } from "./byte-range";

describe("HTTP Range of one part (RFC 9110 §14.1.2, its examples for 10,000 bytes)", () => {
  it.each([
    ["bytes=0-499", { start: 0, end: 499 }],
    ["bytes=500-999", { start: 500, end: 999 }],
    ["bytes=-500", { start: 9500, end: 9999 }],
    ["bytes=9500-", { start: 9500, end: 9999 }],
    ["bytes=9999-20000", { start: 9999, end: 9999 }],
    ["bytes=-20000", { start: 0, end: 9999 }],
  ])("%s", (header, wanted) => expect(byteRange(header, 10_000)).toEqual(wanted));

  it("beyond the end, empty or backwards cannot be satisfied or is no range at all", () => {
    for (const header of ["bytes=10000-", "bytes=-0"]) expect(byteRange(header, 10_000)).toBe("unsatisfiable");
    // an invalid or unknown one is ignored: the whole is sent (§14.2)
    for (const header of [null, "", "bytes=", "bytes=abc", "lines=0-5", "bytes=5", "bytes=5-2", "bytes=0-0,-1"])
      expect([header, byteRange(header, 10_000)]).toEqual([header, null]);
  });

  it("never reads outside the file", () => {
    fc.assert(
      fc.property(fc.nat(2000), fc.nat(2000), fc.integer({ min: 1, max: 1000 }), (from, to, size) => {
        const range = byteRange(`bytes=${from}-${to}`, size);
        if (range === null || range === "unsatisfiable") return;
        expect(range.start).toBeGreaterThanOrEqual(0);
        expect(range.end).toBeLessThan(size);
        expect(range.start).toBeLessThanOrEqual(range.end);
      }),
    );
  });
});
