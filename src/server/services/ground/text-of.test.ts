import { describe, expect, it } from "vitest";
import { textOf } from "./text-of";

const bytes = (...values: number[]) => Uint8Array.from(values);
const utf16 = (text: string, isBig = false): Uint8Array => {
  const out = Buffer.from(text, "utf16le");
  return new Uint8Array(isBig ? out.swap16() : out);
};
const code = (run: () => unknown): unknown => {
  try {
    return run();
  } catch (error) {
    return (error as { failure: unknown }).failure;
  }
};

describe("a file's text, whoever wrote it", () => {
  it("is UTF-8, with its mark or without", () => {
    const text = "name\r\nInês\r\n";
    expect(textOf(new TextEncoder().encode(text), 1000)).toBe(text);
    expect(textOf(new TextEncoder().encode(`\uFEFF${text}`), 1000)).toBe(text);
  });
  it("is UTF-16 by its mark (Unicode 15, §2.13), or by its looks", () => {
    const text = "name;email\r\nInês;ines@example.org\r\n";
    expect(textOf(new Uint8Array([0xff, 0xfe, ...utf16(text)]), 1000)).toBe(text);
    expect(textOf(new Uint8Array([0xfe, 0xff, ...utf16(text, true)]), 1000)).toBe(text);
    expect(textOf(utf16(text), 1000)).toBe(text);
    expect(textOf(utf16(text, true), 1000)).toBe(text);
  });
  it("is Windows-1252 where it is no UTF-8: with the euro sign and the curved quotes (WHATWG Encoding, index windows-1252)", () => {
    expect(textOf(bytes(0x80, 0x20, 0x93, 0x61, 0x94, 0x20, 0xe9), 100)).toBe("€ “a” é");
  });
  it("is none where it holds what no text holds, or where it is too large", () => {
    const notText = { code: "bad-file", reason: "not-text" };
    // the first bytes of a PNG (ISO/IEC 15948 §5.2)
    expect(code(() => textOf(bytes(0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a, 0, 0, 0, 13), 100))).toEqual(
      notText,
    );
    expect(code(() => textOf(bytes(1, 2, 3), 100))).toEqual(notText);
    expect(code(() => textOf(new Uint8Array(11), 10))).toEqual({ code: "file-too-large", limitBytes: 10 });
    expect(textOf(bytes(), 10)).toBe("");
  });
});
