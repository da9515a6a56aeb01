/** Rule 18: as many user-perceived characters as a line may have (Unicode UAX #29 grapheme clusters). */
export const mostGraphemes = 500;

// control characters but for the line break, and those that turn the direction of what follows
const unwanted = /[\u0000-\u0009\u000b-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/gu;

/** A line without what could hide or turn it, and without empty ends. */
export const cleanLine = (text: string): string =>
  text
    .replace(/\r\n?/g, "\n")
    .replace(unwanted, "")
    .replace(/\n{3,}/g, "\n\n")
    .trim();

/** How many characters a reader would count: "e\u0301" is one, a family emoji is one. */
export const graphemesIn = (text: string): number =>
  [...new Intl.Segmenter("en", { granularity: "grapheme" }).segment(text)].length;
