import type { Recogniser } from "./recogniser";

/** What the stand-in hears whatever is said: marked as invented wherever it is offered. */
const invented = [
  "Good evening from the shore, the tide is going out.",
  "We begin with the knots, which came early this winter.",
  "Two thousand were counted on the northern flats alone.",
  "Curlews were fewer, as in the three years before.",
  "If you count tomorrow, go out two hours before low water.",
] as const;

/** A speaker's pace, as rule 24 has it for readers. */
const wordMs = 60_000 / 170;

/** Speaks invented lines word by word: for rehearsals and tests, where no speech is. @param every as setInterval */
export function standInRecogniser(every: (run: () => void, ms: number) => () => void): Recogniser {
  let stop: (() => void) | null = null;
  return {
    start(_, hearing) {
      let [line, word] = [0, 0];
      stop = every(() => {
        const words = invented[line % invented.length]!.split(" ");
        word += 1;
        if (word < words.length) return hearing.partial(words.slice(0, word).join(" "));
        hearing.line(words.join(" "));
        [line, word] = [line + 1, 0];
      }, wordMs);
    },
    stop() {
      stop?.();
      stop = null;
    },
  };
}
