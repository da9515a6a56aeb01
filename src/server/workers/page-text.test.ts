import { describe, expect, it } from "vitest";
import { pageText, type TextPiece } from "./page-text";

const at = (y: number, ...words: string[]): TextPiece[] => words.map((str) => ({ str, dir: "ltr", hasEOL: false, y }));

/** Pieces as pdf.js 5.6 gives them for pages that Chromium printed; the lines as poppler's pdftotext reads the same file. */
describe("the text of a page, for whoever hears it", () => {
  it("reads Arabic in its order, letters instead of their forms, numbers as they are", () => {
    expect(pageText(at(10, "ر", "\uFEB0", "\uFE9F", "و", " ", "\uFEAA", "\uFEE3"))).toBe("مد وجزر");
    const tide = [
      "ا",
      "\u064B",
      "\uFEAE",
      "\uFE98",
      "\uFEE3",
      " ",
      "12",
      " ",
      "ر",
      "\uFEB0",
      "\uFEA0",
      "\uFEDF",
      "وا",
      " ",
    ];
    expect(pageText(at(10, ...tide, "\uFEAA", "\uFEE4", "\uFEDF", "ا"))).toBe("المد والجزر 12 مترًا");
  });
  it("reads Hebrew word by word, Latin words within it in their own order", () => {
    expect(pageText(at(10, "עולם", " ", "שלום"))).toBe("שלום עולם");
    expect(pageText(at(10, "עולם", " ", "GPS", " ", "12", " ", "שלום"))).toBe("שלום GPS 12 עולם");
  });
  it("leaves a line from left to right as it is, a foreign word in it too", () => {
    expect(pageText(at(10, "The word ", "שלום", " means peace"))).toBe("The word שלום means peace");
  });
  it("breaks lines where the file says so, or where the next words stand lower", () => {
    const broken = [{ str: "One", dir: "ltr", hasEOL: true, y: 30 }, ...at(10, "Two ", "words"), ...at(-10, "Three")];
    expect(pageText(broken)).toBe("One\nTwo words\nThree");
    expect(pageText([])).toBe("");
  });
});
