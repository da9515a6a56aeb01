import { expect, it } from "vitest";
import { sizeText } from "./size-text";

it.each([
  [0, "0 bytes"],
  [1, "1 byte"],
  [999, "999 bytes"],
  [1000, "1 kB"],
  [1_240_000, "1.2 MB"],
  [99_600_000, "100 MB"],
  [5_000_000_000, "5 GB"],
  [5_000_000_000_000, "5,000 GB"],
])("%d bytes are %s", (bytes, words) => {
  expect(sizeText(bytes, "en")).toBe(words);
});
it("says it in the reader's language (CLDR, through Intl)", () => {
  expect(sizeText(1_240_000, "de").replace(/\s/g, " ")).toBe("1,2 MB");
});
