import type { Failure, InputIssue } from "@/core/shared";
import { messagesFor } from "./catalogue";
import { issueWords, refusalWords } from "./refusal";

/** What is wrong with one field, in the visitor's language. */
export const audienceIssue = (issue: InputIssue, locale: string): string =>
  issueWords(issue, messagesFor(locale).errors);

/** A refusal in the visitor's language. */
export const audienceWords = (failure: Failure, locale: string): string =>
  refusalWords(failure, messagesFor(locale).errors);
