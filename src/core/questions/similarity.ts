/** What belongs to a word: letters with their vowel signs and digits (Unicode's Alphabetic and Nd), as the database's C.UTF-8 has it. */
const word = /[\p{Alphabetic}\p{Nd}]+/gu;

/** The word trigrams of a text as PostgreSQL's pg_trgm makes them: two blanks before each word, one after. */
export function trigramsOf(text: string): ReadonlySet<string> {
  const out = new Set<string>();
  for (const one of text.toLowerCase().match(word) ?? []) {
    const letters = [..."  ", ...one, " "];
    for (let i = 0; i + 3 <= letters.length; i += 1) out.add(letters.slice(i, i + 3).join(""));
  }
  return out;
}

/**
 * Rule 12: trigrams in common over all trigrams, in single precision as the database computes it.
 * Source: PostgreSQL manual, F.35 pg_trgm, `similarity()`.
 */
export function similarity(a: string, b: string): number {
  const [left, right] = [trigramsOf(a), trigramsOf(b)];
  let common = 0;
  for (const one of left) if (right.has(one)) common += 1;
  const all = left.size + right.size - common;
  return all === 0 ? 0 : Math.fround(common / all);
}
