/** A text without what makes two ways of writing the same look different: capitals, blanks, composed letters. */
export const foldedText = (text: string): string => text.normalize("NFC").replace(/\s+/gu, " ").trim().toLowerCase();
