import type { Failure, InputIssue } from "@/core/shared";
import { messagesFor } from "./catalogue";

/** What is wrong with one field, in the visitor's language. */
export function audienceIssue(issue: InputIssue, locale: string): string {
  const words = messagesFor(locale).errors;
  if (issue.path === "name") return words.name;
  if (issue.path === "email") return /^Only/.test(issue.message) ? words.notWelcome : words.email;
  if (issue.path === "hasConsented") return words.consent;
  if (issue.path.startsWith("answers.")) return /choose/i.test(issue.message) ? words.choice : words.answer;
  return words.other;
}

/** A refusal in the visitor's language: short of the facts that the team's words have. */
export function audienceWords(failure: Failure, locale: string): string {
  const words = messagesFor(locale).errors;
  switch (failure.code) {
    case "invalid-input":
      return failure.issues.length === 1 ? audienceIssue(failure.issues[0]!, locale) : words.other;
    case "too-many-tries":
      return words.tooMany;
    case "not-welcome":
    case "not-allowed":
      return words.notWelcome;
    case "house-full":
      return words.full;
    case "not-found":
      return words.notFound;
    case "unavailable":
      return words.unavailable;
    default:
      return words.notNow;
  }
}
