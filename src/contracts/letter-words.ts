import type { Letter } from "@/core/mailings";
import type { Standing } from "@/core/people";
import { messagesFor } from "./messages";
import { cityOf, clockTime, longDate } from "@/core/time";

const standingMeans: Record<Standing, string> = {
  owner: "an owner: you plan events, and set the rules and the team",
  producer: "a producer: you plan events and run them",
  crew: "crew: you work at the desk of the events you are on the list of",
};

const bookingWords = { made: "Booked", moved: "Moved", "given-back": "Given back" } as const;
const bookingActs = {
  made: "booked",
  moved: "moved their booking to",
  "given-back": "gave back their booking of",
} as const;

const minutesText = (minutes: number): string =>
  minutes < 1 ? "less than a minute" : minutes === 1 ? "1 minute" : `${minutes} minutes`;

export interface LetterFacts {
  readonly toName: string;
  readonly organisation: string;
  /** derived, for the one letter */
  readonly link: string;
}

export interface LetterWords {
  readonly subject: string;
  readonly paragraphs: readonly string[];
  readonly link: string;
}

/** What the room recorded is one file, or could not be made one. */
const recordingMade = (
  { title, isReady, minutes }: Extract<Letter, { kind: "recording-made" }>,
  hello: string,
  link: string,
): LetterWords => ({
  subject: `${isReady ? "Recording ready" : "Recording not put together"}: ${title}`,
  paragraphs: [
    hello,
    isReady
      ? `The recording of ${title} is ready: ${minutesText(minutes)}. Nobody outside sees it before it is published.`
      : `What was recorded of ${title} could not be put together. Its pieces are kept; it can be tried again.`,
    "The report, where it is published:",
  ],
  link,
});

const seatsDecided = (
  { isGranted, wantedSize, title, answer }: Extract<Letter, { kind: "seats-decided" }>,
  hello: string,
  link: string,
): LetterWords => ({
  subject: `${isGranted ? "Granted" : "Declined"}: ${wantedSize} seats for ${title}`,
  paragraphs: [
    hello,
    isGranted
      ? `${title} has ${wantedSize} seats now, as you asked.`
      : `${title} keeps its seats: ${wantedSize} were not granted.`,
    ...(answer ? [`“${answer}”`] : []),
    "The plan:",
  ],
  link,
});

/** A letter in words. The team's pages and letters are English; a guest's is in their own language. */
export function letterWords(letter: Letter, facts: LetterFacts): LetterWords {
  const { organisation, link, toName } = facts;
  const hello = `Hello ${toName},`;
  switch (letter.kind) {
    case "team-invitation":
      return {
        subject: `Your sign-in for ${organisation}`,
        paragraphs: [
          hello,
          letter.by
            ? `${letter.by} asks you into the team of ${organisation}, as ${standingMeans[letter.standing]}.`
            : `You asked for a desk of your own at ${organisation}. You join the team as ${standingMeans[letter.standing]}.`,
          "Follow this link and choose a password. It works once, for seven days:",
        ],
        link,
      };
    case "password-reset":
      return {
        subject: `A new password for ${organisation}`,
        paragraphs: [
          hello,
          "Somebody, you most likely, asked for a new password for this address. If it was not you, leave this mail be: nothing changes.",
          "Follow this link and choose one. It works once, for an hour:",
        ],
        link,
      };
    case "booking": {
      const { what, title, guest, startAt, zone } = letter;
      const when = `${longDate(startAt, zone)}, ${clockTime(startAt, zone)} in ${cityOf(zone)}`;
      return {
        subject: `${bookingWords[what]}: ${title}`,
        paragraphs: [
          hello,
          `${guest} ${bookingActs[what]} ${when}.`,
          ...(what === "given-back" ? ["The hour can be booked again."] : []),
          "All bookings:",
        ],
        link,
      };
    }
    case "address-changed": {
      const words = messagesFor(letter.locale).addressChanged;
      const filled = (text: string) => text.replace("{event}", letter.title).replace("{name}", toName);
      return { subject: filled(words.subject), paragraphs: [words.hello, words.body, words.ask].map(filled), link };
    }
    case "own-file": {
      const words = messagesFor(letter.locale).ownData;
      return {
        subject: words.subject.replace("{organisation}", organisation),
        paragraphs: [words.hello.replace("{name}", toName), words.body.replace("{organisation}", organisation)],
        link,
      };
    }
    case "recording-made":
      return recordingMade(letter, hello, link);
    case "seats-decided":
      return seatsDecided(letter, hello, link);
  }
}
