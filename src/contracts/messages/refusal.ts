import type { Failure, InputIssue } from "@/core/shared";
import type { Messages } from "./en";

type Errors = Messages["errors"];

const isChoice: ReadonlySet<InputIssue["code"]> = new Set(["answer-not-offered", "answer-unknown-country"]);

/** What is wrong with one field, in the words of one language. */
export function issueWords(issue: InputIssue, words: Errors): string {
  if (issue.path === "name") return words.name;
  if (issue.path === "email") return issue.code === "not-welcome" ? words.notWelcome : words.email;
  if (issue.path === "hasConsented") return words.consent;
  if (issue.path.startsWith("answers.")) return isChoice.has(issue.code) ? words.choice : words.answer;
  return words.other;
}

const isRefused = (code: Failure["code"], words: Errors["refused"]): code is keyof Errors["refused"] => code in words;

/**
 * A refusal in the words of one language, short of the facts that the team's words have. It is given the
 * words, not the language, so that a browser needs only the language it shows.
 */
export function refusalWords(failure: Failure, words: Errors): string {
  switch (failure.code) {
    case "invalid-input":
      return failure.issues.length === 1 ? issueWords(failure.issues[0]!, words) : words.other;
    case "too-many-tries":
      return words.tooMany;
    case "busy":
      return words.oneMoment;
    case "not-welcome":
      return words.notWelcome;
    case "house-full":
      return words.full;
    case "not-found":
      return words.notFound;
    case "unavailable":
      return words.unavailable;
    case "poll-not-open":
    case "no-such-option":
      return words.noVote;
    case "switched-off":
      return failure.what === "registration" ? words.notNow : words.refused[failure.code];
    default:
      return isRefused(failure.code, words.refused) ? words.refused[failure.code] : words.notNow;
  }
}
