import type { Failure, InputIssue } from "@/core/shared";
import { formatLocaleOf, messagesFor } from "./catalogue";
import { issueWords, refusalWords } from "./refusal";

/** What is wrong with one field, in the visitor's language. */
export const audienceIssue = (issue: InputIssue, locale: string): string =>
  issueWords(issue, messagesFor(locale).errors);

/** A refusal in the visitor's language. */
export const audienceWords = (failure: Failure, locale: string): string =>
  refusalWords(failure, messagesFor(locale).errors);

/** Nearer turns come before their words are read. */
const saidFromMs = 5000;
const roundedToSeconds = 5;

/** "One moment", and when it is one's turn where that is known and some while off: in steps of five seconds. */
export function oneMomentWords(againInMs: number | null, locale: string): string {
  const { oneMoment, yourTurn } = messagesFor(locale).errors;
  if (againInMs === null || againInMs < saidFromMs) return oneMoment;
  const seconds = Math.ceil(againInMs / 1000 / roundedToSeconds) * roundedToSeconds;
  const unit = { style: "unit", unit: "second", unitDisplay: "long" } as const;
  return `${oneMoment} ${yourTurn.replace("{time}", new Intl.NumberFormat(formatLocaleOf(locale), unit).format(seconds))}`;
}
