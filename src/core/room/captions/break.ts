/** BBC Subtitle Guidelines, from memory; *common practice* (rule 24). */
export const mostCaptionLines = 2;
export const mostLineLetters = 37;
const wordsPerMinute = 170;
const leastStandMs = 1200;
const mostStandMs = 7000;

/** Letters as a reader counts them. */
const segmenter = new Intl.Segmenter(undefined, { granularity: "grapheme" });
export const lettersIn = (text: string): number => [...segmenter.segment(text)].length;

const wordsOf = (text: string): readonly string[] => text.split(/\s+/).filter(Boolean);
/** How long a caption stands: 14 words → 4.94 s. */
export const standsMs = (text: string): number =>
  Math.min(mostStandMs, Math.max(leastStandMs, (wordsOf(text).length * 60_000) / wordsPerMinute));

/** A word that is longer than a line goes on in the next. */
function fitting(word: string): readonly string[] {
  const letters = [...segmenter.segment(word)].map((one) => one.segment);
  const parts: string[] = [];
  for (let i = 0; i < letters.length; i += mostLineLetters) parts.push(letters.slice(i, i + mostLineLetters).join(""));
  return parts;
}

const endsSentence = /[.!?…。！？؟][»”"')\]]*$/u;
const endsPhrase = /[,;:،؛–—-][»”"')\]]*$/u;
/** How good it is to break after a word: after a sentence, then after a phrase, then anywhere. */
const worth = (word: string): number => (endsSentence.test(word) ? 3 : endsPhrase.test(word) ? 2 : 1);

interface Line {
  readonly text: string;
  readonly next: number;
}
/** One line of the words from a place on: broken after punctuation where that leaves it at least half full. */
function lineFrom(words: readonly string[], from: number): Line {
  let text = words[from]!;
  let next = from + 1;
  let best: Line | null = null;
  while (true) {
    const isHalf = lettersIn(text) >= mostLineLetters / 2;
    const own = worth(words[next - 1]!);
    if (isHalf && own > 1 && (!best || own >= worth(words[best.next - 1]!))) best = { text, next };
    if (next >= words.length) return { text, next };
    const longer = `${text} ${words[next]!}`;
    if (lettersIn(longer) > mostLineLetters) return best ?? { text, next };
    text = longer;
    next += 1;
  }
}

/** Whether a sentence ends a line: what follows it begins another caption. */
const isClosed = (text: string): boolean => endsSentence.test(text);

/**
 * Words in captions of at most two lines of 37 letters (rule 24), each line broken at a space, better after punctuation
 * than within a phrase. @returns captions, each its lines
 */
export function breakCaptions(text: string): readonly (readonly string[])[] {
  const words = wordsOf(text).flatMap(fitting);
  const captions: (readonly string[])[] = [];
  for (let at = 0; at < words.length;) {
    const lines: string[] = [];
    while (at < words.length && lines.length < mostCaptionLines) {
      const line = lineFrom(words, at);
      lines.push(line.text);
      at = line.next;
      // a sentence that ended well into the caption stands alone: the next one is read from its beginning
      if (isClosed(line.text) && at < words.length) break;
    }
    captions.push(lines);
  }
  return captions;
}

/** A captioner's abbreviations, filled in: whole words alone, as they are written; the longest first. */
export function expanded(text: string, short: Readonly<Record<string, string>>): string {
  return text.replace(/[\p{L}\p{N}_]+/gu, (word) => (Object.hasOwn(short, word) ? short[word]! : word));
}
