import type { PersonOfDate } from "@/contracts";
import { foldedText } from "@/core/shared";

/** What people can be filtered by; several at once must all hold. */
export const personMarks = [
  "came",
  "missed",
  "left-early",
  "came-back",
  "asked",
  "voted",
  "raised-hand",
  "spoke",
  "cannot-hear",
  "returning",
  "new",
  "test",
] as const;
export type PersonMark = (typeof personMarks)[number];

export const markWords: Readonly<Record<PersonMark, string>> = {
  came: "Came",
  missed: "Did not come",
  "left-early": "Left before the end",
  "came-back": "Went and came back",
  asked: "Asked",
  voted: "Voted",
  "raised-hand": "Raised a hand",
  spoke: "Spoke",
  "cannot-hear": "Could not hear",
  returning: "Came to an earlier date",
  new: "Came for the first time",
  test: "Only tried",
};

const holds: Readonly<Record<PersonMark, (one: PersonOfDate) => boolean>> = {
  came: (one) => one.minutes > 0,
  missed: (one) => one.isRegistered && one.minutes === 0,
  "left-early": (one) => one.leftEarly,
  "came-back": (one) => one.cameBack,
  asked: (one) => one.questions > 0,
  voted: (one) => one.votes > 0,
  "raised-hand": (one) => one.hands > 0,
  spoke: (one) => one.spoke,
  "cannot-hear": (one) => one.couldNotHear,
  returning: (one) => one.isReturning,
  new: (one) => one.minutes > 0 && !one.isReturning,
  test: (one) => one.role === "test-guest",
};

export interface PeopleFilter {
  readonly words: string;
  readonly marks: readonly PersonMark[];
  /** null: from anywhere */
  readonly source: string | null;
}

/** Those of a list for whom all of it holds. Who only tried stands there only where asked for. */
export function filteredPeople(rows: readonly PersonOfDate[], { words, marks, source }: PeopleFilter): PersonOfDate[] {
  const wanted = foldedText(words);
  const isAskedFor = marks.includes("test");
  return rows.filter(
    (one) =>
      (isAskedFor || one.role !== "test-guest") &&
      marks.every((mark) => holds[mark](one)) &&
      (source === null || one.source === source) &&
      (wanted === "" || foldedText(`${one.name} ${one.email}`).includes(wanted)),
  );
}

export const sortings = ["name", "minutes", "questions", "votes", "arrival"] as const;
export type PeopleSorting = (typeof sortings)[number];
const valueOf: Readonly<Record<Exclude<PeopleSorting, "name">, (one: PersonOfDate) => number>> = {
  minutes: (one) => -one.minutes,
  questions: (one) => -one.questions,
  votes: (one) => -one.votes,
  arrival: (one) => one.presence[0] ?? Infinity,
};
/** In the order asked for; those who are equal by their name, as they came. */
export const sortedPeople = (rows: readonly PersonOfDate[], by: PeopleSorting): readonly PersonOfDate[] =>
  by === "name" ? rows : [...rows].sort((a, b) => valueOf[by](a) - valueOf[by](b));
