import {
  assertNever,
  type AllotmentFault,
  type ClashingDate,
  type Failure,
  type SwitchedOff,
  type FileFault,
} from "@/core/shared";
import { wordsOfIssue } from "./issue-words";
import { cityOf, localWords } from "@/core/time";

const fileWords: Record<FileFault, string> = {
  "not-a-table": "This is not a delimited text file. Nothing was read; choose a CSV file with a header row.",
  "missing-column": "A column is missing",
  "broken-quotes": "A quotation mark opens and never closes",
  empty: "The file has no rows. Nothing was changed.",
  "not-a-video":
    "The content is neither WebM nor MP4, whatever the name says. Nothing was kept; export the recording as one of the two.",
  "bad-time": "A time is not ISO 8601 with an offset or Z",
  "out-before-in": "Somebody leaves before they came",
  "unknown-role": "A role is unknown",
  "not-a-picture":
    "This is no picture that can be read. Nothing was kept; save it as JPEG, PNG or WebP and choose it again.",
  "too-many-pixels":
    "The picture has more than 40 million pixels. Nothing was kept; make it smaller and choose it again.",
  "a-program": "This is a program. The audience gets documents, pictures, sound and film; nothing was kept.",
  "not-as-named": "The file is not what its name says. Save it again from the program that made it; nothing was kept.",
  "not-a-pdf":
    "This is no PDF. Nothing was kept; export the slides as PDF (in most programs: File, Export or Print, PDF) and choose that file.",
  "locked-pdf": "The PDF is locked with a password. Nothing was kept; export it again without one.",
  "broken-pdf": "The PDF is damaged and cannot be read. Nothing was kept; export it again.",
  "too-many-pages": "The PDF has more than 500 pages. Nothing was kept; part it in two.",
  "not-text": "The file holds no text that can be read. Save it as CSV and choose it again.",
};

const momentWords = (local: string): string => localWords(local);
const phaseText = (phase: string): string => (phase === "cancelled" ? "cancelled" : phase.replace("-", " "));
const dateWords = (date: ClashingDate): string =>
  `“${date.title}”, ${localWords(date.startLocal)} (${cityOf(date.zone)})`;

function clashWords({ clashing, earlier, later }: Extract<Failure, { code: "seats-clash" }>): string {
  const near = [earlier && `earlier: ${localWords(earlier)}`, later && `later: ${localWords(later)}`].filter(Boolean);
  const fits =
    near.length > 0 ? ` The nearest starts that fit: ${near.join("; ")}.` : " No start within two weeks fits.";
  return `No seat licence is free then. In the way: ${clashing.map(dateWords).join("; ")}.${fits} Nothing was saved.`;
}

const limitWords: Record<"length" | "house" | "stage", (wanted: number, most: number) => string> = {
  length: (wanted, most) => `${wanted} min is longer than the house rules allow (${most} min).`,
  house: (wanted, most) => `${wanted} seats are more than the organisation’s rules allow (${most}).`,
  stage: (wanted, most) => `${wanted} people on stage are more than the house rules allow (${most}).`,
};
const calendarWords: Record<"too-large" | "unreadable" | "nothing-in-it", string> = {
  "too-large": "The calendar file is larger than 5 MB. Nothing was read.",
  unreadable: "This is not a calendar file that can be read (RFC 5545). Nothing was read.",
  "nothing-in-it": "There is no entry in this calendar file.",
};

const ruleWords: Record<Extract<Failure, { code: "bad-rule" }>["reason"], string> = {
  interval: "The distance between dates must be a whole number from 1.",
  count: "The number of dates must be a whole number from 1.",
  "until-before-start": "The series would end before it begins.",
  part: "Two parts of the rule contradict each other.",
  text: "The rule cannot be read.",
};

function fileFault(failure: Extract<Failure, { code: "bad-file" }>): string {
  const column = failure.column ? `: ${failure.column}` : "";
  const line = failure.line ? ` (line ${failure.line})` : "";
  const words = fileWords[failure.reason];
  return words.endsWith(".") ? `${words}${line}` : `${words}${column}${line}. Nothing was read in.`;
}

const offWords: Readonly<Record<SwitchedOff, string>> = {
  questions: "Questions are",
  polls: "Polls are",
  chat: "The chat is",
  hands: "Raised hands are",
  signals: "Signals are",
  names: "Names are",
  count: "The count is",
  rename: "Changing one’s name is",
  "no-name": "Questions without a name are",
  registration: "Registration is",
};

/** Refusals that need no fact in their words. */
const plainWords = {
  "not-signed-in": "You are signed out. Sign in and do it again; what you typed is still here.",
  "not-allowed": "Your role does not include this. The producer can give you the duty.",
  "not-found": "It is not there any more. Load the page again to see what is.",
  "wrong-origin": "The request came from another site and was not carried out.",
  "edited-meanwhile": "Somebody else saved this in the meantime. Your text is still here: compare, then save again.",
  "already-done": "This was already done.",
  overtaken: "Somebody else changed this in the same moment. Look again.",
  "page-turned": "Somebody else turned first. Nothing was skipped.",
  "board-full": "This board is full. Open another one; what is drawn stays.",
  "not-a-board": "This file is no board that was saved here. Nothing was made of it.",
  "segment-gone": "The running segment is no longer on the run sheet. Choose the next one by its name.",
  "curtain-moved": "Somebody else moved the curtain in this moment. Look again before you raise it.",
  barred: "The desk has closed this room to you.",
  "not-inside": "Only people in the room can take part.",
  "too-many-streams": "This link is open in four places already. Close one of them.",
  "too-large": "That was too long to be sent. Nothing was lost; make it shorter.",
  "cue-moved": "Somebody else gave the cue first. Nothing was skipped.",
  "poll-not-open": "The poll is not open. Your vote was not counted.",
  "no-such-option": "The poll has no such answer. Your vote was not counted.",
  "answer-incomplete": "The answer is not complete yet. Your vote was not counted.",
  "vote-locked": "You have answered already; in this poll the first answer stays.",
  "poll-was-open": "This poll was open already: what people answered stays with its words. Prepare another one.",
  "channel-taken": "Somebody else interprets on this channel. Say when you take it, and they hand over.",
  "sides-not-open": "The side rooms are not open.",
  "recording-not-ready":
    "The recording is not ready to be shown yet: it is being put together, or its length is not known. Open it once in the editor and try again.",
  "no-lease": "Somebody else makes the picture just now.",
  "not-media": "That is no piece of a picture or sound. Nothing of it was passed on.",
  "too-early": "Backstage opens at the team call.",
  busy: "One moment: very many people are here just now. Try again in a few seconds; nothing was lost.",
  "sides-open": "People are in their side rooms. Call them back first.",
  "house-full": "All places are taken just now.",
  "nothing-to-undo": "There is nothing left to undo: something newer was changed, or a date has begun.",
  "no-dates": "This rule makes no date at all. Nothing was changed.",
  "disk-full":
    "There is no space left where this house keeps its files. Nothing was kept; whoever runs it can make room, then try again.",
  "screening-planned":
    "This recording is to be watched together at a time that is planned. Cancel that date first; then it can be deleted.",
  "no-record-store": "No record store is set. An owner sets one under Organisation.",
  "no-credit": "Nothing can be issued: this event gives no credit, or nobody has earned any yet.",
  "survey-closed": "This survey is closed. Answers are taken for thirty days after the end.",
  "answered-elsewhere":
    "An answer was given by this link already. It is kept without a name, so it can be changed only in the browser that gave it.",
  "date-past": "That moment has passed. Choose a later one.",
  "last-owner": "An organisation needs an owner. Make somebody else an owner first.",
  "invitation-over": "This invitation was used, taken back or is too old. Ask for a new one.",
  "address-taken": "Somebody with this address is already on the list.",
  "join-block-missing":
    "The join details are missing: without them nobody finds the way in. Put {{join_details}} back, then save.",
  "upload-cut": "The upload broke off. Nothing was kept; start it again.",
  "storage-failed": "The file could not be written. Nothing was kept; try again.",
  unavailable: "The database does not answer just now. Nothing was lost; try again in a moment.",
} as const satisfies Partial<Record<Failure["code"], string>>;

const isPlain = (failure: Failure): failure is Extract<Failure, { code: keyof typeof plainWords }> =>
  failure.code in plainWords;

const mostWords = {
  "screens-full": (most: number) => `${most} screens are shared already. Take the place of one of them.`,
  "floor-full": (most: number) => `${most} people have the floor already. Take it back from one of them first.`,
  "comments-full": (most: number) => `This question has ${most} comments already.`,
  "too-many-boards": (most: number) => `A date has at most ${most} boards.`,
};

/** Why people cannot be put into side rooms as wished; which people, the desk says by their names. */
const allotmentWords: Readonly<Record<AllotmentFault, (people: number, most: number) => string>> = {
  "together-and-apart": () => "Two people are to be together and apart at once. Nobody was moved.",
  "group-too-large": (people, most) =>
    `${people} people are to be together, and a room holds ${most}. Nobody was moved.`,
  "too-few-rooms": (people, most) =>
    `${people} people are each to be in another room, and there are ${most}. Nobody was moved.`,
  impossible: () => "With rooms of even size these wishes cannot all be met. Nobody was moved.",
  undecided: () => "No way was found in time. Take a wish away, or make more rooms. Nobody was moved.",
};

/** Why two lines of a report cannot be one person. */
const mergeWords = {
  "on-stage-at-once": "These two stood on stage at the same time: they are two people.",
  same: "These two are one person already.",
  "merged-already": "This line was merged into another already. Undo that first.",
} as const;

/** Nobody is recorded unasked. */
const consentWords = (people: number): string =>
  people === 1
    ? "One person on the stage side has not agreed to be recorded yet. Nothing is recorded."
    : `${people} people on the stage side have not agreed to be recorded yet. Nothing is recorded.`;

/** The one map from refusals to words: what happened, what was kept, what to do. */
export function wordsOf(failure: Failure): string {
  if (isPlain(failure)) return plainWords[failure.code];
  switch (failure.code) {
    case "invalid-input":
      return failure.issues.map(wordsOfIssue).join(" ") || "Some fields need another look.";
    case "too-many-tries":
      return `Too many tries. Wait ${Math.ceil(failure.retryAfterSeconds / 60)} min, then try again.`;
    case "too-fast":
      return `One moment: wait ${Math.max(1, Math.ceil(failure.retryAfterMs / 1000))} s, then send it again. It is still here.`;
    case "wrong-state":
      return `This cannot be done now: the date is ${failure.state.replace("not-held", "not held")}.`;
    case "switched-off":
      return `${offWords[failure.what]} switched off for this event.`;
    case "date-fixed":
      return `${momentWords(failure.startLocal)} cannot change any more: it is ${failure.phase === "scheduled" ? "past its start" : phaseText(failure.phase)}. Nothing was changed.`;
    case "seats-clash":
      return clashWords(failure);
    case "no-licence-so-large":
      return `${failure.houseSize} seats need a larger licence than the organisation owns (the largest: ${failure.largest}). Take fewer seats, or ask for more.`;
    case "licences-in-use":
      return `These dates need the licences: ${failure.dates.map(dateWords).join("; ")}. Nothing was changed.`;
    case "limit-broken":
      return limitWords[failure.limit](failure.wanted, failure.most);
    case "no-allotment":
      return allotmentWords[failure.why](failure.people.length, failure.most);
    case "not-welcome":
      return `This event is for addresses of ${failure.domains.join(", ")} only.`;
    case "bad-calendar":
      return calendarWords[failure.reason];
    case "bad-rule":
      return ruleWords[failure.reason];
    case "rule-part-unknown":
      return `The rule has a part that a series here cannot keep: ${failure.part}. Nothing was changed; leave it out or write the dates one by one.`;
    case "floor-full":
    case "screens-full":
    case "comments-full":
    case "too-many-boards":
      return mostWords[failure.code](failure.most);
    case "too-many-dates":
      return `This rule makes more than ${failure.most} dates. Give it an earlier end, or part it into two series.`;
    case "unknown-merge-field":
      return `{{${failure.field}}} is no field that can stand there (line ${failure.line}, column ${failure.column}).`;
    case "bad-file":
      return fileFault(failure);
    case "merge-refused":
      return mergeWords[failure.why];
    case "consent-missing":
      return consentWords(failure.people);
    case "too-heavy":
      return `This takes longer than the ${Math.round(failure.budgetMs / 1000)} s that it may. Nothing was kept; try a shorter span or a smaller file.`;
    case "file-too-large":
      return `The file is larger than ${Math.round(failure.limitBytes / 1e6)} MB. Nothing was kept.`;
    case "too-many-rows":
      return `The file has more than ${failure.most} rows. Nothing was kept: part it into several.`;
    case "store-full":
      return `The organisation's recordings and files fill the ${Math.round(failure.limitBytes / 1e9)} GB that it has. Nothing was kept: remove some first.`;
    default:
      return assertNever(failure);
  }
}
