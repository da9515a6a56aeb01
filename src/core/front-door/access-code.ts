/** The shortest code that a page may newly have: what is shorter can be tried out by many (NIST SP 800-63B §5.1.1.1). */
export const shortestAccessCode = 8;

const fewestCharacters = 4;

/** Whether a code is easily guessed: short, or made of a few characters over and over. */
export const isWeakCode = (code: string): boolean =>
  code.trim().length < shortestAccessCode || new Set(code.trim().toLowerCase()).size < fewestCharacters;

/** How hard a code is to guess, in a word. */
export const strengthOf = (code: string): "weak" | "fair" | "strong" =>
  isWeakCode(code) ? "weak" : code.length < 12 ? "fair" : "strong";

/** A code that nobody has to think of: twelve characters in threes, 59 bits. @param part so many characters that cannot be foreseen */
export const madeCode = (part: (length: number) => string): string =>
  Array.from({ length: 4 }, () => part(3)).join("-");
