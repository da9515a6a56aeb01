const folded = (text: string): string => text.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();

/** Whether a text holds all of these words, in any order, whatever their case and accents; no word fits every text. */
export function holdsWords(text: string, words: string): boolean {
  const where = folded(text);
  return folded(words)
    .split(/\s+/)
    .every((word) => where.includes(word));
}
