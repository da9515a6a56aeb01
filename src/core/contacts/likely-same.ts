import { similarity } from "../questions";

export interface NamedContact {
  readonly id: string;
  readonly name: string;
  readonly email: string;
}

export interface LikelyPair {
  readonly a: string;
  readonly b: string;
  /** 0 to 1, by trigrams of the names */
  readonly likeness: number;
}

/** Names from here on are offered as the same person (chosen by looking at invented books). */
export const likelyFrom = 0.7;
/** A word that so many share (a frequent family name) says nothing by itself. */
const largestBlock = 400;

const plain = (name: string): string => name.normalize("NFKD").replace(/\p{M}/gu, "").toLowerCase();
const wordsOf = (name: string): string[] => [...new Set(plain(name).match(/[\p{L}\p{N}]{2,}/gu) ?? [])];
/** Family name first or last, with marks or without: one person. */
const sorted = (name: string): string => wordsOf(name).sort().join(" ");

/**
 * Pairs of contacts that are likely one person by their names, likeliest first. Only contacts that share
 * a word of the name are compared, so a book of 20,000 costs no 200 million comparisons.
 */
export function likelySame(contacts: readonly NamedContact[], limit = 200): readonly LikelyPair[] {
  const blocks = new Map<string, NamedContact[]>();
  for (const one of contacts)
    for (const word of wordsOf(one.name)) (blocks.get(word) ?? blocks.set(word, []).get(word)!).push(one);
  const found = new Map<string, LikelyPair>();
  for (const block of blocks.values()) {
    if (block.length < 2 || block.length > largestBlock) continue;
    for (let i = 0; i < block.length; i += 1) {
      for (let j = i + 1; j < block.length; j += 1) {
        const [a, b] = block[i]!.id < block[j]!.id ? [block[i]!, block[j]!] : [block[j]!, block[i]!];
        const key = `${a.id}|${b.id}`;
        if (found.has(key)) continue;
        const likeness = sorted(a.name) === sorted(b.name) ? 1 : similarity(plain(a.name), plain(b.name));
        if (likeness >= likelyFrom) found.set(key, { a: a.id, b: b.id, likeness });
      }
    }
  }
  return [...found.values()]
    .sort((one, two) => two.likeness - one.likeness || (one.a < two.a ? -1 : 1))
    .slice(0, limit);
}
