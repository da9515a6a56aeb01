// neither 0 and O nor 1, i and l: codes are read out and typed off
const alphabet = "abcdefghjkmnpqrstuvwxyz23456789";

/** Characters that can be read out and typed off. @param random numbers from 0 up to 1; of a source that cannot be foreseen where the text is a secret */
export const readableText = (length: number, random: () => number): string =>
  Array.from({ length }, () => alphabet[Math.floor(random() * alphabet.length)]!).join("");
