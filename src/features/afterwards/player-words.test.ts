import { En } from "media-chrome/dist/lang/en.js";
import { describe, expect, it } from "vitest";
import { locales, messagesFor } from "@/contracts/messages";
import { playerWords } from "./player-words";

const ofLibrary: Readonly<Record<string, string>> = En;
const placesIn = (text: string): string[] => [...text.matchAll(/\{\w+\}/g)].map(([place]) => place).sort();

describe("the player's words", () => {
  it("are called as its library calls them, and fill the same places, in every language", () => {
    for (const locale of locales)
      for (const [key, words] of Object.entries(playerWords(messagesFor(locale).player))) {
        expect(ofLibrary, key).toHaveProperty([key]);
        // what a sentence is filled with stands in it, or nothing does
        if (words.includes("{"))
          expect(placesIn(words), `${locale}: ${key}`).toEqual(expect.arrayContaining(placesIn(key)));
      }
  });
});
