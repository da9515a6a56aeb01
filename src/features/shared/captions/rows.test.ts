import { describe, expect, it } from "vitest";
import { linesNow, linesOf, shownFrom, standingAt, typingMs, type WrittenLine } from "./rows";

const line = (id: string, at: number, ...stands: number[]): WrittenLine => ({
  ...{ id, language: "en", authorId: "c", text: id, at },
  captions: stands.map((standsMs, i) => ({ lines: [`${id}${i}`], standsMs })),
});

describe("captions one after the other", () => {
  it("stand as long as they are read, whatever speed they are written at", () => {
    const shown = shownFrom([line("a", 0, 2000, 3000), line("b", 1000, 1200)]);
    expect(shown.map((one) => [one.key, one.from, one.until])).toEqual([
      ["a/0", 0, 2000],
      ["a/1", 2000, 5000],
      ["b/0", 5000, 6200],
    ]);
    expect(standingAt(shown, 4999)?.key).toBe("a/1");
    expect(standingAt(shown, 6200)).toBeNull();
  });
  it("catch up where they fell far behind what is said", () => {
    const many = Array.from({ length: 6 }, (_, i) => line(`l${i}`, i * 100, 7000));
    const shown = shownFrom([...many, line("now", 20_000, 2000)]);
    expect(standingAt(shown, 20_500)?.key).toBe("now/0");
  });
  it("are those of one language", () => {
    const row = (id: string, language: string) => ({ id, seq: 1, rev: 1, row: { ...line(id, 0, 1), language } });
    expect(linesOf([row("a", "en"), row("b", "es")], "es").map((one) => one.id)).toEqual(["b"]);
  });
  it("show what is being typed where nothing stands, for as long as somebody types", () => {
    const shown = shownFrom([line("a", 0, 2000)]);
    const typed = { text: "The knots came early. And the curlews", at: 900 };
    const at = (now: number) => linesNow(shown, typed, { now, ahead: 100 });
    expect(at(1500)).toEqual(["a0"]);
    expect(at(2500)).toEqual(["The knots came early. And the curlews"]);
    expect(at(1000 + typingMs)).toEqual([]);
    expect(linesNow(shown, undefined, { now: 2500, ahead: 0 })).toEqual([]);
  });
});
